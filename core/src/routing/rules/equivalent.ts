import { cureRateLately, equivalentTime, LONGEST_SILENCE_MS, type CureLaw } from '../../climate/index.ts';
import { DAY_MS, formatDuration, HOUR_MS, said } from '../../units/index.ts';
import { missing, ruleKind } from './rule.ts';

/** Time counted by how warm it was. */
export const Equivalent = ruleKind('equivalent')<{ what: string; minimumDays: number; law: CureLaw }>({
  needs: () => ['sinceMs', 'temperatures'],
  judge(rule, { nowMs, sinceMs, temperatures }) {
    if (sinceMs === undefined) return missing('equivalent', `${rule.what}: the cure clock has not been started`);
    const known = temperatures?.filter((s) => s.atMs <= nowMs) ?? [];
    const last = known.at(-1);
    if (last === undefined) return missing('equivalent', `${rule.what}: nobody could say how warm it has been`);
    const { days, silentMs } = equivalentTime(sinceMs, Math.max(nowMs, sinceMs), known, rule.law);
    const difference = days - (nowMs - sinceMs - silentMs) / DAY_MS;
    const because =
      Math.abs(difference) < 0.1
        ? ''
        : difference < 0
          ? `; cool air cost ${(-difference).toFixed(1)} days`
          : `; warm air gained ${difference.toFixed(1)} days`;
    const silence = silentMs < LEAST_TOLD_MS ? '' : `; ${formatDuration(silentMs)} without a reading of the room do not count`;
    const sentence = `${rule.what} ${days.toFixed(1)} of ${rule.minimumDays} days at ${said(rule.law.referenceTempC, '°C')}${because}${silence}`;
    const done = Math.min(1, days / rule.minimumDays);
    if (days >= rule.minimumDays - 1e-9) return { rule: 'equivalent', verdict: 'pass', sentence, done: 1 };
    const wait = (more: string) => ({ rule: 'equivalent', verdict: 'wait' as const, sentence: `${sentence}${more}`, done });
    if (nowMs - last.atMs > LONGEST_SILENCE_MS) return wait('; the clock stands until its sensor is heard again');
    const ratePerDay = cureRateLately(nowMs, known, rule.law) ?? 0;
    if (ratePerDay === 0) return wait('; this room is too cold for it to cure');
    return { ...wait(''), untilMs: nowMs + Math.ceil(((rule.minimumDays - days) / ratePerDay) * DAY_MS), sure: 'forecast' };
  },
  words(rule) {
    return `${rule.what} ${rule.minimumDays} days at ${said(rule.law.referenceTempC, '°C')}`;
  },
});

/** Minutes of silence are not worth a word. */
const LEAST_TOLD_MS = HOUR_MS;
