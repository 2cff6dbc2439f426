import { cutterInWords } from '../cutters.ts';
import { missing, ruleKind } from './rule.ts';

export const CutterWithinLife = ruleKind('cutterWithinLife')<{
  /** the kind of cutter, as programs call it */
  cutter: string;
  stationCode: string;
}>({
  needs: () => ['cutters'],
  judge({ cutter, stationCode }, { cutters }) {
    const there = cutters?.[stationCode]?.filter((c) => c.kind === cutter);
    if (!there) return missing('cutterWithinLife', `Nobody could say which cutters are at ${stationCode}`);
    const [best] = [...there].sort((a, b) => b.lifeS - b.usedS - (a.lifeS - a.usedS));
    if (!best)
      return {
        rule: 'cutterWithinLife',
        verdict: 'stop',
        sentence: `No ${cutter} is on a machine at ${stationCode}`,
        remedy: 'Put one on under Machining, Cutters',
      };
    const sentence = cutterInWords(best);
    if (best.usedS < best.lifeS) return { rule: 'cutterWithinLife', verdict: 'pass', sentence };
    return { rule: 'cutterWithinLife', verdict: 'stop', sentence: `${sentence}: its life is over`, remedy: 'Sharpen or change it' };
  },
  words: ({ cutter, stationCode }) => `${cutter} at ${stationCode} within its life`,
  checkWorld: ({ stationCode }, stepName, { stationCodes }) =>
    stationCodes.has(stationCode) ? [] : [`The gate after "${stepName}" looks at cutters of ${stationCode}, which is no station`],
});
