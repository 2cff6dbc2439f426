import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { DAY_MS, HOUR_MS, IMPERIAL, STAGES } from '@ample-crane/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import { ApiProblem, ask, problemOf } from '../ground/api.ts';
import { setConnected, useLostConnection } from '../ground/connection.ts';
import { DESKS, KEY_HELP, STAGE_PATHS } from '../ground/keys.ts';
import { SCREENS } from './screens.ts';
import { useSession } from '../ground/session.tsx';

describe('the way about', () => {
  test('every stage and desk has a screen of its own, and a key', () => {
    const paths = SCREENS.map((s) => s.path.replace(/\/:\w+\?$/, ''));
    for (const path of [...STAGES.map((s) => STAGE_PATHS[s]), ...DESKS.map((d) => d.path)]) expect(paths).toContain(path);
    expect(new Set(paths).size).toBe(paths.length);
    const keys = [...DESKS.map((d) => d.key), '.', 'l', 'e', '?', ...'1234567890'];
    expect(new Set(keys).size).toBe(keys.length);
    for (const desk of DESKS) expect(KEY_HELP).toContainEqual([desk.key, desk.name]);
  });
});

describe('the factory’s time', () => {
  function Told({ ms }: { ms: number }) {
    const { clock, dateTime, date } = useSession();
    return `${clock(ms)} | ${dateTime(ms)} | ${date(ms)}`;
  }
  test.each([
    ['later today', 3 * HOUR_MS, '10:10 | Tue 10 Mar 10:10 | 10 Mar 2026'],
    ['this week', 2 * DAY_MS, 'Thu 07:10 | Thu 12 Mar 07:10 | 12 Mar 2026'],
    ['after the clocks have changed', 20 * DAY_MS, '30 Mar 08:10 | Mon 30 Mar 08:10 | 30 Mar 2026'],
    ['long ago', -40 * DAY_MS, '29 Jan 07:10 | Thu 29 Jan 07:10 | 29 Jan 2026'],
  ])('%s', (_, offset, told) => {
    expect(render(<Told ms={NOW_MS + offset} />)).toBe(told);
  });
  test('is not guessed at where nobody is signed in', () => {
    expect(() => renderToStaticMarkup(<Told ms={0} />)).toThrow('No session here');
  });
});

describe('what a person may', () => {
  function Roles() {
    const { may, units } = useSession();
    return `${(['viewer', 'operator', 'lead', 'manager', 'admin'] as const).filter(may).join(' ')} ${units.length}`;
  }
  test('is what their role and those below it may', () => {
    expect(render(<Roles />, { role: 'viewer' })).toBe('viewer mm');
    expect(render(<Roles />, { role: 'lead', units: IMPERIAL })).toBe('viewer operator lead in');
    expect(render(<Roles />, { role: 'admin' })).toBe('viewer operator lead manager admin mm');
  });
});

describe('an answer of the server', () => {
  const response = (status: number) => new Response(null, { status });
  test('is its data', async () => {
    expect(await ask(Promise.resolve({ data: { id: 'B1' }, response: response(200) }))).toEqual({ id: 'B1' });
  });
  test('or the problem it tells, word for word', async () => {
    const error = { status: 422, title: 'Not now', detail: 'Too wet', findings: [] };
    const failed = ask(Promise.resolve({ error, response: response(422) }));
    await expect(failed).rejects.toBeInstanceOf(ApiProblem);
    await expect(failed).rejects.toMatchObject({ problem: error });
  });
  test('or that it answered nonsense', async () => {
    await expect(ask(Promise.resolve({ error: 'Bad gateway', response: response(502) }))).rejects.toMatchObject({
      problem: { status: 502, detail: 'The server answered 502.' },
    });
  });
  test('or that it cannot be reached, and nothing is lost', async () => {
    await expect(ask(Promise.reject(new TypeError('fetch failed')))).rejects.toMatchObject({
      problem: { status: 0, title: 'No connection', detail: expect.stringContaining('what you typed is still here') },
    });
  });
  test('any other fault is told as such', () => {
    expect(problemOf('odd')).toMatchObject({ status: -1, detail: 'An unknown fault' });
  });
});

describe('the connection', () => {
  afterEach(() => {
    setConnected(true);
    jest.useRealTimers();
  });
  function State() {
    const lost = useLostConnection();
    return lost === null ? 'there' : `lost at ${lost}`;
  }
  test('is lost from the first moment it was missed, until it is back', () => {
    jest.useFakeTimers({ now: 1000 });
    expect(wordsOf(render(<State />))).toBe('there');
    setConnected(false);
    jest.setSystemTime(5000);
    setConnected(false);
    expect(wordsOf(render(<State />))).toBe('lost at 1000');
    setConnected(true);
    expect(wordsOf(render(<State />))).toBe('there');
  });
});
