import { formatDuration, MINUTE_MS } from '../../units/index.ts';
import type { Finding } from '../../ledger/index.ts';
import { missing, ruleKind } from './rule.ts';

/** When the next coat may follow the last, on every piece: the newest has flashed off and the oldest has not closed. */
export const Window = ruleKind('window')<{ minimumMinutes: number; maximumMinutes: number; afterwards: string }>({
  needs: () => ['lastCoats'],
  judge(rule, { nowMs, lastCoats }) {
    if (lastCoats === undefined) return missing('window', 'Nobody could say when it was coated last');
    const coated = lastCoats.filter((coat) => coat !== null);
    const bare = lastCoats.length - coated.length;
    const stop = (sentence: string, remedy: string): Finding => ({ rule: 'window', verdict: 'stop', sentence, remedy });
    if (bare > 0 || coated.length === 0)
      return stop(coated.length === 0 ? 'No coat on it yet' : `No coat yet on ${bare} of ${lastCoats.length} pieces`, 'Coat it first');
    const newest = Math.max(...coated.map((coat) => coat.atMs));
    // What was scuffed since takes a coat again for as long as a fresh film does.
    const keyed = coated.map(({ atMs, scuffedMs }) => Math.max(atMs, scuffedMs ?? atMs));
    const [opens, closes] = [rule.minimumMinutes * MINUTE_MS, rule.maximumMinutes * MINUTE_MS];
    const since = nowMs - newest;
    const late = keyed.filter((ms) => nowMs - ms > closes).length;
    const longest = nowMs - Math.min(...keyed);
    if (late > 0) {
      const on = late < coated.length ? ` on ${late} of ${coated.length} pieces` : '';
      return stop(`Recoat window closed ${formatDuration(longest - closes)} ago${on}`, rule.afterwards);
    }
    if (since < opens)
      return {
        rule: 'window',
        verdict: 'wait',
        sentence: `Flashed ${formatDuration(since)} of ${formatDuration(opens)}`,
        untilMs: newest + opens,
        sure: 'certain',
        done: since / opens,
      };
    return {
      rule: 'window',
      verdict: 'pass',
      sentence: `${coated.some((coat) => coat.scuffedMs !== null) ? 'Scuffed: recoat' : 'Recoat'} window closes in ${formatDuration(closes - longest)}; after that, ${rule.afterwards.toLowerCase()}`,
    };
  },
  words(rule) {
    return `Recoat after ${formatDuration(rule.minimumMinutes * MINUTE_MS)}, before ${formatDuration(rule.maximumMinutes * MINUTE_MS)}`;
  },
});
