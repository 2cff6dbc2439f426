import { describe, expect, test } from '@jest/globals';
import { DAY_MS } from '@ample-crane/core';
import type { View } from '../ground/api.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import { OrderPast } from './OrderPastDrawer.tsx';

const past = (over: Partial<View<'OrderPastView'>> = {}): View<'OrderPastView'> => ({
  id: 'O1003',
  modelName: 'Skiff',
  quantity: 8,
  shipped: 8,
  customer: 'Old Quay Strings',
  options: ['Finish: oil'],
  placedMs: NOW_MS - 90 * DAY_MS,
  dueMs: NOW_MS - 20 * DAY_MS,
  lastShippedMs: NOW_MS - 18 * DAY_MS,
  lateDays: 2,
  batchIds: ['B12'],
  serials: ['26001SK0001'],
  ...over,
});
const words = (order: View<'OrderPastView'>) => wordsOf(render(<OrderPast order={order} />));

describe('an order that is over', () => {
  test('tells when it was sent and where its instruments are on record', () => {
    const text = words(past());
    expect(text).toContain('O1003 8 × Skiff for Old Quay Strings');
    expect(text).toContain('All 8 were sent, the last on 20 Feb 2026, 2 days late.');
    expect(text).toContain('26001SK0001');
    expect(text).toContain('B12');
  });
  test.each<[string, Partial<View<'OrderPastView'>>, string]>([
    ['in time', { lateDays: 0 }, 'All 8 were sent, the last on 20 Feb 2026, in time.'],
    ['one alone', { quantity: 1, shipped: 1 }, 'It was sent, on 20 Feb 2026, 2 days late.'],
    ['in part', { shipped: 6 }, '6 of 8 were sent; the rest was given up, the last on 20 Feb 2026'],
    ['not at all', { shipped: 0, lastShippedMs: null, lateDays: null }, 'None of it was sent.'],
  ])('%s', (_, over, said) => {
    expect(words(past(over))).toContain(said);
  });
});
