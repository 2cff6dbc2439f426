import { rowKind } from '../ledger/index.ts';
import {
  gaugeByRange,
  gaugeByVariance,
  LARGEST_RANGED,
  type GaugeStudy,
  type GaugeValues,
  type Tolerance,
  type VarianceStudy,
} from './charts/index.ts';

/** What was found when several people measured the same parts with one instrument; the latest such study of it. */
export interface InstrumentStudy {
  /** told by {@link studyIdOf} */
  id: string;
  instrument: string;
  /** what was measured: the name of a characteristic */
  what: string;
  unit: string;
  /** the tolerance it was held against; null where a side is open */
  low: number | null;
  high: number | null;
  /** who measured, in the order of the values */
  people: readonly string[];
  values: GaugeValues;
  atMs: number;
  personId: string | null;
}
export const InstrumentStudy = rowKind<InstrumentStudy>('instrument study', { key: 'id' });

export const studyIdOf = (instrument: string, what: string): string => `${instrument}/${what}`;

export const GAUGE_VERDICTS = ['fit', 'may do', 'not fit'] as const;
export type GaugeVerdict = (typeof GAUGE_VERDICTS)[number];

/** Shares of the tolerance up to which an instrument is fit, and may do. @source Measurement Systems Analysis, 4th ed., ch. II-D */
const FIT_PCT = 10;
const MAY_DO_PCT = 30;

/** What a study comes to, by both methods. */
export interface StudyResult {
  byVariance: VarianceStudy;
  /** null where there is more of something than ranges are read of */
  byRange: GaugeStudy | null;
  /** of the tolerance where there is one, else of all that varies */
  pct: number;
  verdict: GaugeVerdict;
}

/** @throws RangeError for values that are no whole study */
export function studyResult({ values, low, high }: Pick<InstrumentStudy, 'values' | 'low' | 'high'>): StudyResult {
  const tolerance: Tolerance = { ...(low === null ? {} : { low }), ...(high === null ? {} : { high }) };
  const byVariance = gaugeByVariance(values, tolerance);
  const sizes = [values.length, values[0]?.length ?? 0, values[0]?.[0]?.length ?? 0];
  const byRange = sizes.every((n) => n <= LARGEST_RANGED) ? gaugeByRange(values, tolerance) : null;
  const pct = byVariance.ofTolerancePct ?? byVariance.ofTotalPct;
  return { byVariance, byRange, pct, verdict: pct <= FIT_PCT ? 'fit' : pct <= MAY_DO_PCT ? 'may do' : 'not fit' };
}

/** What an instrument is worth for what it measures, in a sentence. */
export function studyInWords(
  { instrument, what }: Pick<InstrumentStudy, 'instrument' | 'what'>,
  { byVariance, pct, verdict }: StudyResult,
): string {
  const of = byVariance.ofTolerancePct === null ? 'of all that varies' : 'of the tolerance';
  const { repeatability, reproducibility } = byVariance;
  const more =
    reproducibility > repeatability ? 'more by who measures than by the instrument' : 'more by the instrument than by who measures';
  const judged = { fit: 'it is fit for that', 'may do': 'it may do, where nothing better is at hand', 'not fit': 'it is not fit for that' }[
    verdict
  ];
  return `The ${instrument} takes ${pct.toFixed(0)} % ${of} for itself at ${what.toLowerCase()}, ${more}: ${judged}`;
}
