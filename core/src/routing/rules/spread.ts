import { measured, measuresFor, missing, named, ruleKind } from './rule.ts';
import { said } from '../../units/index.ts';

export const Spread = ruleKind('spread')<{ limit: number; unit: string; characteristic?: string }>({
  needs: ({ characteristic }) => [measuresFor(characteristic)],
  judge(rule, evidence) {
    const measurements = measured(evidence, rule.characteristic);
    if (measurements.length < 2) return missing('spread', 'A spread needs two readings or more');
    const values = measurements.map((m) => m.value);
    const range = Math.max(...values) - Math.min(...values);
    const sentence = `Spread ${said(range.toFixed(1), rule.unit)}; limit ${said(rule.limit.toFixed(1), rule.unit)}`;
    return range <= rule.limit + 1e-9
      ? { rule: 'spread', verdict: 'pass', sentence }
      : {
          rule: 'spread',
          verdict: 'stop',
          sentence,
          remedy: 'Sort the odd ones out, or let the lot even out longer',
        };
  },
  words(rule) {
    return `Spread up to ${said(rule.limit, rule.unit)}`;
  },
  looksAt: ({ characteristic }) => named(characteristic),
});
