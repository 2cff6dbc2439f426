import { slope } from '../../maths/index.ts';
import { DAY_MS, formatDuration, HOUR_MS } from '../../units/index.ts';
import { missing, named, ruleKind } from './rule.ts';

/** What is read twice within this time tells the meter's noise, not whether wood or film has settled. */
const LEAST_APART_MS = 8 * HOUR_MS;

export const Stable = ruleKind('stable')<{ limitPerDay: number; windowDays: number; characteristic?: string }>({
  needs: ({ characteristic }) => [characteristic === undefined ? 'series' : 'courses'],
  judge(rule, { nowMs, ...evidence }) {
    const series = (rule.characteristic === undefined ? evidence.series : evidence.courses?.[rule.characteristic]) ?? [];
    const recent = series.filter((p) => p.atMs >= nowMs - rule.windowDays * DAY_MS);
    if (recent.length < 2)
      return missing('stable', `${recent.length} of 2 sessions in the last ${rule.windowDays} days; one more shows whether it has settled`);
    const times = recent.map((p) => p.atMs);
    const apartMs = Math.max(...times) - Math.min(...times);
    if (apartMs < LEAST_APART_MS)
      return missing(
        'stable',
        `${recent.length} sessions within ${formatDuration(apartMs)}; one at least ${formatDuration(LEAST_APART_MS)} from them shows whether it has settled`,
      );
    const perDay = slope(
      recent.map((p) => p.atMs / DAY_MS),
      recent.map((p) => p.value),
    );
    const sentence = `${perDay <= 0 ? 'Falling' : 'Rising'} ${Math.abs(perDay).toFixed(2)} points a day; limit ${rule.limitPerDay.toFixed(2)}`;
    return Math.abs(perDay) <= rule.limitPerDay + 1e-9
      ? { rule: 'stable', verdict: 'pass', sentence }
      : { rule: 'stable', verdict: 'wait', sentence };
  },
  words(rule) {
    return `Changing less than ${rule.limitPerDay} points a day`;
  },
  looksAt: ({ characteristic }) => named(characteristic),
});
