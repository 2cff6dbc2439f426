import { formatDuration, MINUTE_MS } from '../../units/index.ts';
import { missing, ruleKind } from './rule.ts';

export const Elapsed = ruleKind('elapsed')<{ what: string; minimumMinutes: number; maximumMinutes?: number }>({
  needs: () => ['sinceMs'],
  judge(rule, { nowMs, sinceMs }) {
    if (sinceMs === undefined) return missing('elapsed', `${rule.what}: the clock has not been started`);
    const waited = Math.max(0, nowMs - sinceMs);
    const needed = rule.minimumMinutes * MINUTE_MS;
    const soFar = `${rule.what} ${formatDuration(waited)} of ${formatDuration(needed)}`;
    const done = needed === 0 ? 1 : Math.min(1, waited / needed);
    const maximum =
      rule.maximumMinutes !== undefined && rule.minimumMinutes > 0 ? { maximum: rule.maximumMinutes / rule.minimumMinutes } : {};
    if (waited < needed)
      return {
        rule: 'elapsed',
        verdict: 'wait',
        ...maximum,
        sentence: soFar,
        untilMs: sinceMs + needed,
        sure: 'certain',
        done,
      };
    if (rule.maximumMinutes !== undefined && waited > rule.maximumMinutes * MINUTE_MS)
      return {
        rule: 'elapsed',
        verdict: 'stop',
        sentence: `${rule.what} ${formatDuration(waited)}; the most allowed is ${formatDuration(rule.maximumMinutes * MINUTE_MS)}`,
        remedy: 'Inspect it, and move it on with a reason if it is sound',
        done: 1,
      };
    return {
      rule: 'elapsed',
      verdict: 'pass',
      sentence: `${rule.what} ${formatDuration(waited)}; ${formatDuration(needed)} needed`,
      done: 1,
    };
  },
  words(rule) {
    const most = rule.maximumMinutes === undefined ? '' : `, at most ${formatDuration(rule.maximumMinutes * MINUTE_MS)}`;
    return `${rule.what} at least ${formatDuration(rule.minimumMinutes * MINUTE_MS)}${most}`;
  },
  check: ({ minimumMinutes, maximumMinutes }, stepName) =>
    maximumMinutes !== undefined && maximumMinutes < minimumMinutes ? [`"${stepName}" may wait no longer than it has to`] : [],
});
