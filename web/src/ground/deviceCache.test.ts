import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient } from '@tanstack/react-query';
import { forgetOnDevice, keepOnDevice } from './deviceCache.ts';

const HOUR_MS = 3_600_000;

function memory() {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
}

let storage: ReturnType<typeof memory>;

/** A page of the application: what it has fetched, kept on the device two seconds later. */
function page(fetched: readonly (readonly [key: readonly string[], data: unknown])[] = []): QueryClient {
  const queries = new QueryClient();
  keepOnDevice(queries, storage);
  for (const [key, data] of fetched) queries.setQueryData(key, data);
  jest.advanceTimersByTime(2_500);
  return queries;
}

describe('what a device has seen last', () => {
  beforeEach(() => {
    storage = memory();
    jest.useFakeTimers({ now: Date.UTC(2026, 2, 10, 7) });
  });
  afterEach(() => void jest.useRealTimers());

  it('is there again on the next page, and asked for anew', () => {
    page([
      [['session'], { name: 'Pell Ashdown' }],
      [['stations', 'FN5'], { code: 'FN5' }],
    ]);
    const next = page();
    expect(next.getQueryData(['session'])).toEqual({ name: 'Pell Ashdown' });
    expect(next.getQueryState(['stations', 'FN5'])?.isInvalidated).toBe(true);
  });

  it.each(['{"half', 'null', '7', '{"atMs":1e15,"state":{"queries":7}}', '[]'])('damaged, is forgotten: %s', (text) => {
    storage.setItem('last seen', text);
    expect(() => page()).not.toThrow();
    const next = page([[['session'], { name: 'Pell Ashdown' }]]);
    expect(next.getQueryData(['session'])).toEqual({ name: 'Pell Ashdown' });
  });

  it('of another version of the program, is forgotten: it could not be judged by', () => {
    page([[['session'], { name: 'Pell Ashdown' }]]);
    const kept = JSON.parse(storage.getItem('last seen') ?? '{}') as { version: string };
    storage.setItem('last seen', JSON.stringify({ ...kept, version: `earlier than ${kept.version}` }));
    expect(page().getQueryData(['session'])).toBeUndefined();
  });

  it('is the station’s alone: no orders, no records', () => {
    page([
      [['orders'], [{ id: 'O1' }]],
      [['batches', 'list'], []],
      [['batches', 'card', 'B7'], { batch: { id: 'B7' } }],
    ]);
    const next = page();
    expect(next.getQueryData(['orders'])).toBeUndefined();
    expect(next.getQueryData(['batches', 'list'])).toBeUndefined();
    expect(next.getQueryData(['batches', 'card', 'B7'])).toEqual({ batch: { id: 'B7' } });
  });

  it('keeps the thirty cards seen last', () => {
    const queries = page();
    for (let n = 1; n <= 40; n++) {
      jest.advanceTimersByTime(1);
      queries.setQueryData(['batches', 'card', `B${n}`], { n });
    }
    jest.advanceTimersByTime(2_500);
    const next = page();
    const kept = Array.from({ length: 40 }, (_, i) => i + 1).filter((n) => next.getQueryData(['batches', 'card', `B${n}`]));
    expect(kept).toEqual(Array.from({ length: 30 }, (_, i) => i + 11));
  });

  it('is not shown after two days, nor after signing out', () => {
    page([[['session'], { name: 'Pell Ashdown' }]]);
    jest.advanceTimersByTime(49 * HOUR_MS);
    expect(page().getQueryData(['session'])).toBeUndefined();
    page([[['session'], { name: 'Pell Ashdown' }]]);
    forgetOnDevice(storage);
    expect(page().getQueryData(['session'])).toBeUndefined();
  });

  it('gives way on a full device rather than fail', () => {
    const removed: string[] = [];
    const full = {
      ...storage,
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
      removeItem: (key: string) => void removed.push(key),
    };
    const queries = new QueryClient();
    keepOnDevice(queries, full);
    queries.setQueryData(['session'], {});
    jest.advanceTimersByTime(2_500);
    expect(removed).toEqual(['last seen']);
  });
});
