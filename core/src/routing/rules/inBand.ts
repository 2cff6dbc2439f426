import { measured, measuresFor, missing, named, ruleKind } from './rule.ts';
import { said } from '../../units/index.ts';

export const InBand = ruleKind('inBand')<{
  what: string;
  /** looks at the measures of this characteristic; at moisture readings when left out */
  characteristic?: string;
  low: number;
  high: number;
  needed: number;
  unit: string;
  tooLow: string;
  tooHigh: string;
}>({
  needs: ({ characteristic }) => [measuresFor(characteristic)],
  judge(rule, evidence) {
    const measurements = measured(evidence, rule.characteristic);
    const digits = digitsFor(rule, measurements);
    const band = said(`${rule.low.toFixed(digits)}–${rule.high.toFixed(digits)}`, rule.unit);
    const high = measurements.filter((m) => m.value > rule.high);
    const low = measurements.filter((m) => m.value < rule.low);
    const within = measurements.length - high.length - low.length;
    const sentence = `${within} of ${measurements.length} ${rule.what} in ${band}`;
    const firstOut = high[0] ?? low[0];
    // One that lies outside tells enough, however few were taken.
    if (!firstOut && measurements.length < rule.needed)
      return missing('inBand', `${measurements.length} of ${rule.needed} ${rule.what} taken; the band is ${band}`);
    if (!firstOut) return { rule: 'inBand', verdict: 'pass', sentence };
    return {
      rule: 'inBand',
      verdict: 'stop',
      sentence: `${sentence}; ${firstOut.label} is ${said(firstOut.value.toFixed(digits), rule.unit)}`,
      remedy: high.length >= low.length ? rule.tooHigh : rule.tooLow,
    };
  },
  words(rule) {
    return `${rule.what} within ${said(`${rule.low}–${rule.high}`, rule.unit)}`;
  },
  looksAt: ({ characteristic, what }) => named(characteristic, what),
});

const MOST_DIGITS = 4;

/** Decimals that tell every measure beyond an edge from that edge: 9.34 is not told as 9.3 beside a band up to 9.3. */
function digitsFor({ low, high }: { low: number; high: number }, measurements: readonly { value: number }[]): number {
  const alike = (digits: number) =>
    measurements.some(
      ({ value }) =>
        (value > high && Number(value.toFixed(digits)) <= Number(high.toFixed(digits))) ||
        (value < low && Number(value.toFixed(digits)) >= Number(low.toFixed(digits))),
    );
  let digits = 1;
  while (digits < MOST_DIGITS && alike(digits)) digits++;
  return digits;
}
