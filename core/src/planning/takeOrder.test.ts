import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { takeOrder, type Waiting } from './index.ts';

const NOW = 100 * DAY_MS;
const waiting = (id: string, over: Partial<Waiting> = {}): Waiting => ({
  id,
  arrivedMs: NOW - DAY_MS,
  dueMs: NOW + 20 * DAY_MS,
  earliestMs: NOW + 10 * DAY_MS,
  blocked: null,
  redo: false,
  closesMs: null,
  ...over,
});

describe('the order to take work in', () => {
  test('a closing window, then rework, then what is latest, then what is for nobody, then what cannot begin', () => {
    const turns = takeOrder(
      [
        waiting('blocked', { blocked: 'The kit is short', dueMs: NOW }),
        waiting('nobody', { dueMs: null }),
        waiting('early'),
        waiting('late', { dueMs: NOW + 8 * DAY_MS }),
        waiting('redo', { redo: true }),
        waiting('closing', { closesMs: NOW + 90 * MINUTE_MS }),
        waiting('closing later', { closesMs: NOW + 9 * HOUR_MS, dueMs: NOW + 40 * DAY_MS }),
      ],
      NOW,
    );
    expect(turns).toEqual([
      { id: 'closing', reason: 'Its window closes in 1 h 30 min' },
      { id: 'redo', reason: 'Came back for rework; the rest of its set waits for it' },
      { id: 'late', reason: 'Late by 2 days even if taken now' },
      { id: 'early', reason: '10 days to spare' },
      { id: 'closing later', reason: '30 days to spare' },
      { id: 'nobody', reason: 'For no order; first come, first taken' },
      { id: 'blocked', reason: 'The kit is short' },
    ]);
  });
  test('at the edges it says so', () => {
    const reason = (over: Partial<Waiting>) => takeOrder([waiting('a', over)], NOW)[0]?.reason;
    expect(reason({ dueMs: NOW + 10 * DAY_MS + HOUR_MS })).toBe('Just in time if taken now');
    expect(reason({ dueMs: NOW + 10 * DAY_MS - HOUR_MS })).toBe('Late by less than a day even if taken now');
    expect(reason({ dueMs: NOW + 9 * DAY_MS })).toBe('Late by 1 day even if taken now');
    expect(reason({ closesMs: NOW - HOUR_MS })).toBe('Its window has closed; look at it first');
  });
  test('keeps all, once, the same whatever order they come in', () => {
    const any = fc.array(
      fc.record({
        arrivedMs: fc.integer({ min: 0, max: NOW }),
        dueMs: fc.option(fc.integer({ min: 0, max: 2 * NOW })),
        earliestMs: fc.option(fc.integer({ min: NOW, max: 2 * NOW })),
        blocked: fc.option(fc.constant('no kit')),
        redo: fc.boolean(),
        closesMs: fc.option(fc.integer({ min: NOW - HOUR_MS, max: NOW + DAY_MS })),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(any, (items) => {
        const all = items.map((w, i) => ({ ...w, id: `B${i}` }));
        const turns = takeOrder(all, NOW);
        expect(turns.map((t) => t.id).sort()).toEqual(all.map((w) => w.id).sort());
        expect(takeOrder([...all].reverse(), NOW)).toEqual(turns);
      }),
    );
  });
});
