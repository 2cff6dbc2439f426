import { describe, expect, test } from '@jest/globals';
import type { View } from '../ground/api.ts';
import { aMonth } from '../test/month.ts';
import { render, wordsOf } from '../test/render.tsx';
import Months from './Months.tsx';

const SINCE = Date.parse('2026-01-12T06:00:00Z');
const words = (months: View<'MonthView'>[], sinceMs: number | null = SINCE) =>
  wordsOf(render(<Months months={months} sinceMs={sinceMs} />));

describe('months side by side', () => {
  test('open with why the last whole month came to what it did, the others below', () => {
    const text = words([
      aMonth('2026-01', { whole: false }),
      aMonth('2026-02', { why: 'February was lower.' }),
      aMonth('2026-03', { why: 'March was higher.' }),
    ]);
    expect(text.indexOf('March was higher.')).toBeLessThan(text.indexOf('February was lower.'));
  });
  test('say of what is on record in part from when until when it is', () => {
    const text = words([aMonth('2026-01', { whole: false }), aMonth('2026-02'), aMonth('2026-03', { whole: false })]);
    expect(text).toContain('Hatched: Jan 2026, from 12 Jan 2026 on; Mar 2026, until 10 Mar 2026.');
    expect(text).toContain('There are no two whole months on record to compare yet.');
  });
  test('have nothing to say before the first body is begun', () => {
    expect(words([], null)).toContain('Nothing has been begun yet');
  });
});
