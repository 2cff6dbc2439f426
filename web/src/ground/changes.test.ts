import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { Changes, GATHER_MS } from './changes.ts';

const KEYS = [['batches', 'card', 'B7'], ['batches', 'card', 'B8'], ['stations', 'FN1'], ['morning'], ['zones']] as const;

let queries: QueryClient;
let changes: Changes;
beforeEach(() => {
  jest.useFakeTimers();
  queries = new QueryClient();
  for (const key of KEYS) queries.setQueryData(key, 'an answer');
  changes = new Changes(queries);
});
afterEach(() => {
  jest.useRealTimers();
});

/** Which answers are old now. */
const old = () => KEYS.filter((key) => queries.getQueryState(key)?.isInvalidated).map((key) => key.join(' '));

describe('what a command of this page changed', () => {
  test('makes old what shows it, at once, and nothing else', async () => {
    await changes.mine([{ id: 'one', topics: { batch: ['B7'] } }]);
    expect(old()).toEqual(['batches card B7', 'stations FN1', 'morning']);
  });
  test('is everything, where its answer did not say', async () => {
    await changes.mine([]);
    expect(old()).toHaveLength(KEYS.length);
  });
  test('is not made old again when everybody is told of it; what comes after is', async () => {
    await changes.mine([{ id: 'one', topics: { batch: ['B7'] } }]);
    for (const key of KEYS) queries.setQueryData(key, 'a new answer');
    changes.everybodys({ id: 'one', topics: { batch: ['B7'] } });
    jest.advanceTimersByTime(GATHER_MS);
    expect(old()).toEqual([]);
    changes.everybodys({ id: 'another', topics: { batch: ['B7'] } });
    jest.advanceTimersByTime(GATHER_MS);
    expect(old()).toContain('batches card B7');
  });
  test('hides nothing that another changes alike, though it was told to all before its own answer came', async () => {
    changes.everybodys({ id: 'one', topics: { batch: ['B7'] } });
    jest.advanceTimersByTime(GATHER_MS);
    await changes.mine([{ id: 'one', topics: { batch: ['B7'] } }]);
    for (const key of KEYS) queries.setQueryData(key, 'a new answer');
    changes.everybodys({ id: 'another', topics: { batch: ['B7'] } });
    jest.advanceTimersByTime(GATHER_MS);
    expect(old()).toContain('batches card B7');
  });
  test.each([
    [['morning'], 'is not waited for'],
    [['batches', 'card', 'B7'], 'is waited for'],
  ])('%j, being shown, %s', async (queryKey, waited) => {
    let answer: (told: string) => void = () => undefined;
    const asked = () => new Promise<string>((resolve) => (answer = resolve));
    const shown = new QueryObserver(queries, { queryKey, queryFn: asked, staleTime: Infinity });
    const leave = shown.subscribe(() => undefined);
    const waits = changes.mine([{ id: 'one', topics: { batch: ['B7'] } }]).then(() => 'over');
    const soon = Promise.resolve()
      .then(() => jest.advanceTimersByTimeAsync(10))
      .then(() => 'not over');
    expect(await Promise.race([waits, soon])).toBe(waited === 'is waited for' ? 'not over' : 'over');
    answer('a new answer');
    expect(await waits).toBe('over');
    leave();
  });
});

describe('what others change', () => {
  test('is gathered, and asked for once', () => {
    const invalidate = jest.spyOn(queries, 'invalidateQueries');
    changes.everybodys({ topics: { batch: ['B7'] } });
    changes.everybodys({ topics: { batch: ['B8'], coat: null } });
    jest.advanceTimersByTime(GATHER_MS - 1);
    expect(old()).toEqual([]);
    jest.advanceTimersByTime(1);
    expect(old()).toEqual(['batches card B7', 'batches card B8', 'stations FN1', 'morning']);
    expect(invalidate).toHaveBeenCalledTimes(1);
  });
  test('of any of a kind counts for all of it, whatever else was named', () => {
    changes.everybodys({ topics: { batch: null } });
    changes.everybodys({ topics: { batch: ['B7'] } });
    jest.advanceTimersByTime(GATHER_MS);
    expect(old()).toContain('batches card B8');
  });
});
