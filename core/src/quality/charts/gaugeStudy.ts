import { mean, ratioByChance } from '../../maths/index.ts';
import { rangeConstants } from './constants.ts';
import type { Tolerance } from './capability.ts';

/** Repeated measures of the same parts by several people: `values[person][part][repeat]`, as many of each. */
export type GaugeValues = readonly (readonly (readonly number[])[])[];

/** What a study says of an instrument, as deviations in the unit of the values. */
export interface GaugeStudy {
  method: 'range' | 'variance';
  /** the same person, the same part, again */
  repeatability: number;
  /** another person */
  reproducibility: number;
  /** both together: what the instrument adds */
  gauge: number;
  /** how the parts really differ */
  part: number;
  total: number;
  /** six gauge deviations in percent of the tolerance; null where a side is open */
  ofTolerancePct: number | null;
  /** the gauge in percent of all that varies */
  ofTotalPct: number;
  /** how many kinds of part it can tell apart */
  categories: number;
}

/** One line of an analysis of variance. */
export interface VarianceLine {
  squares: number;
  freedom: number;
  meanSquare: number;
}

export interface VarianceStudy extends GaugeStudy {
  parts: VarianceLine;
  people: VarianceLine;
  interaction: VarianceLine;
  within: VarianceLine;
  /** how likely the interaction is chance; it is taken into repeatability above {@link POOLED_ABOVE} */
  interactionByChance: number;
}

/** Above this chance an interaction is counted as none. */
export const POOLED_ABOVE = 0.25;

/** @throws RangeError unless there are two parts, two people and two repeats at least, as many of each, and finite */
export function checkGaugeValues(values: GaugeValues): { people: number; parts: number; repeats: number } {
  const people = values.length;
  const parts = values[0]?.length ?? 0;
  const repeats = values[0]?.[0]?.length ?? 0;
  if (people < 2 || parts < 2 || repeats < 2) throw new RangeError('A study takes two people, two parts and two repeats at least');
  if (values.some((of) => of.length !== parts || of.some((again) => again.length !== repeats)))
    throw new RangeError('Everybody measures every part as often');
  if (values.flat(2).some((value) => !Number.isFinite(value))) throw new RangeError('A measure is a number');
  return { people, parts, repeats };
}

const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values);

/** What the range of one set of n means says of their deviation. @source Duncan, Quality Control and Industrial Statistics, table D3 */
function singleRange(n: number): number {
  const { d2, d3 } = rangeConstants(n);
  return Math.sqrt(d2 ** 2 + d3 ** 2);
}

function told(
  method: GaugeStudy['method'],
  { repeatability, reproducibility, part }: Pick<GaugeStudy, 'repeatability' | 'reproducibility' | 'part'>,
  { low, high }: Tolerance,
): GaugeStudy {
  const gauge = Math.hypot(repeatability, reproducibility);
  const total = Math.hypot(gauge, part);
  return {
    method,
    repeatability,
    reproducibility,
    gauge,
    part,
    total,
    ofTolerancePct: low === undefined || high === undefined ? null : (600 * gauge) / (high - low),
    ofTotalPct: total === 0 ? 0 : (100 * gauge) / total,
    categories: gauge === 0 ? Infinity : Math.max(1, Math.floor((1.41 * part) / gauge)),
  };
}

/**
 * By averages and ranges.
 *
 * @throws RangeError for a study that is not whole, or with more than ten people, parts or repeats
 * @source Measurement Systems Analysis, reference manual, 4th ed., ch. III-B
 */
export function gaugeByRange(values: GaugeValues, tolerance: Tolerance = {}): GaugeStudy {
  const { people, parts, repeats } = checkGaugeValues(values);
  const repeatability = mean(values.flatMap((of) => of.map(spread))) / rangeConstants(repeats).d2;
  const between = spread(values.map((of) => mean(of.flat()))) / singleRange(people);
  const reproducibility = Math.sqrt(Math.max(0, between ** 2 - repeatability ** 2 / (parts * repeats)));
  const partMeans = Array.from({ length: parts }, (_, i) => mean(values.flatMap((of) => of[i] ?? [])));
  return told('range', { repeatability, reproducibility, part: spread(partMeans) / singleRange(parts) }, tolerance);
}

/**
 * By analysis of variance of parts and people with their interaction; parts and people are taken as drawn at random.
 *
 * @throws RangeError for a study that is not whole
 * @source Montgomery & Runger, "Gauge capability and designed experiments, II", Quality Engineering 6(2), 1993
 */
export function gaugeByVariance(values: GaugeValues, tolerance: Tolerance = {}): VarianceStudy {
  const { people: o, parts: p, repeats: r } = checkGaugeValues(values);
  const all = mean(values.flat(2));
  const squares = (means: readonly number[], each: number) => each * means.reduce((sum, m) => sum + (m - all) ** 2, 0);
  const line = (ss: number, freedom: number): VarianceLine => ({ squares: ss, freedom, meanSquare: ss / freedom });

  const people = line(
    squares(
      values.map((of) => mean(of.flat())),
      p * r,
    ),
    o - 1,
  );
  const parts = line(
    squares(
      Array.from({ length: p }, (_, i) => mean(values.flatMap((of) => of[i] ?? []))),
      o * r,
    ),
    p - 1,
  );
  const cells = values.flatMap((of) => of.map((again) => ({ again, middle: mean(again) })));
  const within = line(
    cells.reduce((sum, { again, middle }) => sum + again.reduce((s, v) => s + (v - middle) ** 2, 0), 0),
    o * p * (r - 1),
  );
  const crossed =
    squares(
      cells.map((cell) => cell.middle),
      r,
    ) -
    people.squares -
    parts.squares;
  const interaction = line(Math.max(0, crossed), (o - 1) * (p - 1));
  const interactionByChance =
    within.meanSquare === 0 ? 0 : ratioByChance(interaction.meanSquare / within.meanSquare, interaction.freedom, within.freedom);

  const isPooled = interactionByChance > POOLED_ABOVE;
  const pooled = isPooled ? line(within.squares + interaction.squares, within.freedom + interaction.freedom) : within;
  const against = isPooled ? pooled.meanSquare : interaction.meanSquare;
  const variance = (above: number, below: number, each: number) => Math.max(0, (above - below) / each);
  const ofCrossing = isPooled ? 0 : variance(interaction.meanSquare, within.meanSquare, r);
  const ofPeople = variance(people.meanSquare, against, p * r);
  const deviations = {
    repeatability: Math.sqrt(pooled.meanSquare),
    reproducibility: Math.sqrt(ofPeople + ofCrossing),
    part: Math.sqrt(variance(parts.meanSquare, against, o * r)),
  };
  return { ...told('variance', deviations, tolerance), method: 'variance', parts, people, interaction, within, interactionByChance };
}
