import { type CureLaw, cureReadyMs, equivalentDays } from '../../climate/index.ts';
import { mean } from '../../maths/index.ts';
import { DAY_MS } from '../../units/index.ts';
import { missing, ruleKind } from './rule.ts';

/** Time counted by how warm it was. */
export const Equivalent = ruleKind('equivalent')<{ what: string; minimumDays: number; law: CureLaw }>({
  needs: () => ['sinceMs', 'temperatures'],
  judge(rule, { nowMs, sinceMs, temperatures }) {
    if (sinceMs === undefined) return missing('equivalent', `${rule.what}: the cure clock has not been started`);
    if (temperatures === undefined) return missing('equivalent', `${rule.what}: nobody could say how warm it has been`);
    const cured = equivalentDays(sinceMs, Math.max(nowMs, sinceMs), temperatures, rule.law);
    const calendar = (nowMs - sinceMs) / DAY_MS;
    const difference = cured - calendar;
    const because =
      Math.abs(difference) < 0.1
        ? ''
        : difference < 0
          ? `; cool air cost ${(-difference).toFixed(1)} days`
          : `; warm air gained ${difference.toFixed(1)} days`;
    const sentence = `${rule.what} ${cured.toFixed(1)} of ${rule.minimumDays} days at ${rule.law.referenceTempC} °C${because}`;
    const done = Math.min(1, cured / rule.minimumDays);
    if (cured >= rule.minimumDays) return { rule: 'equivalent', verdict: 'pass', sentence, done: 1 };
    const recent = temperatures.filter((s) => s.atMs > nowMs - 14 * DAY_MS && s.atMs <= nowMs);
    const meanTempC = recent.length > 0 ? mean(recent.map((s) => s.tempC)) : rule.law.referenceTempC;
    const untilMs = cureReadyMs(nowMs, cured, rule.minimumDays, meanTempC, rule.law);
    return untilMs === undefined
      ? {
          rule: 'equivalent',
          verdict: 'wait',
          sentence: `${sentence}; this room is too cold for it to cure`,
          done,
        }
      : { rule: 'equivalent', verdict: 'wait', sentence, untilMs, sure: 'forecast', done };
  },
  words(rule) {
    return `${rule.what} ${rule.minimumDays} days at ${rule.law.referenceTempC} °C`;
  },
});
