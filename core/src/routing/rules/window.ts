import { formatDuration, MINUTE_MS } from '../../units/index.ts';
import { missing, ruleKind } from './rule.ts';

/** When the next coat may follow the last. */
export const Window = ruleKind('window')<{ minimumMinutes: number; maximumMinutes: number; afterwards: string }>({
  needs: () => ['lastCoatMs'],
  judge(rule, { nowMs, lastCoatMs }) {
    if (lastCoatMs === undefined) return missing('window', 'Nobody could say when it was coated last');
    if (lastCoatMs === null) return { rule: 'window', verdict: 'pass', sentence: 'No coat on it yet' };
    const since = nowMs - lastCoatMs;
    const opens = rule.minimumMinutes * MINUTE_MS;
    const closes = rule.maximumMinutes * MINUTE_MS;
    if (since < opens)
      return {
        rule: 'window',
        verdict: 'wait',
        sentence: `Flashed ${formatDuration(since)} of ${formatDuration(opens)}`,
        untilMs: lastCoatMs + opens,
        sure: 'certain',
        done: since / opens,
      };
    if (since > closes)
      return {
        rule: 'window',
        verdict: 'stop',
        sentence: `Recoat window closed ${formatDuration(since - closes)} ago`,
        remedy: rule.afterwards,
      };
    return {
      rule: 'window',
      verdict: 'pass',
      sentence: `Recoat window closes in ${formatDuration(closes - since)}; after that, ${rule.afterwards.toLowerCase()}`,
    };
  },
  words(rule) {
    return `Recoat after ${formatDuration(rule.minimumMinutes * MINUTE_MS)}, before ${formatDuration(rule.maximumMinutes * MINUTE_MS)}`;
  },
});
