import { rowKind } from '../ledger/index.ts';
import { individualsLimits, LONGEST_RUN, signalAtEnd, signalInWords, signalsOn, type Signal } from './charts/index.ts';

/** One value of a dimension, as it came. */
export interface DimensionValue {
  pieceId: string;
  batchId: string;
  visitId: string;
  value: number;
  atMs: number;
}

/** What its values are held against: kept until somebody begins the chart anew. */
export interface DimensionLimits {
  centre: number;
  /** deviation of one value, as neighbouring values show it */
  sigma: number;
}

/** A rule of the chart that fired, until somebody who may has settled it. */
export interface OpenSignal extends Pick<Signal, 'rule' | 'side'> {
  /** how many values make it */
  of: number;
  /** the last of them */
  last: DimensionValue;
}

/**
 * A characteristic of a step of a model, as its values come one after the other: its chart. Values of trials and of pieces
 * that came back are measures, and not on it.
 */
export interface Dimension {
  /** told by {@link dimensionIdOf} */
  id: string;
  modelId: string;
  operationId: string;
  characteristicId: string;
  /** where it was last measured */
  stationCode: string;
  /** the band it was last held against */
  low: number;
  high: number;
  /** how many values have come to its chart */
  count: number;
  /** the latest of them in order of time, as far as they are kept here */
  latest: readonly DimensionValue[];
  /** null until there are enough values */
  limits: DimensionLimits | null;
  /** values up to here have been settled, and make no run any more */
  settledMs: number;
  signal: OpenSignal | null;
  /** what was last found behind a signal, or why its limits were begun anew */
  found: { note: string; atMs: number; personId: string | null } | null;
}
export const Dimension = rowKind<Dimension>('dimension', { key: 'id' });

export const dimensionIdOf = (modelId: string, operationId: string, characteristicId: string): string =>
  `${modelId}/${operationId}/${characteristicId}`;

/** So many values make limits: fewer tell too little of what is usual. @source ISO 7870-2, 20 to 25 */
export const LIMITS_FROM = 20;
/** The latest values that are kept with a dimension, for its indices; all are kept as measures. */
export const VALUES_KEPT = 60;

export const newDimension = (of: Pick<Dimension, 'modelId' | 'operationId' | 'characteristicId'>): Dimension => ({
  id: dimensionIdOf(of.modelId, of.operationId, of.characteristicId),
  ...of,
  stationCode: '',
  low: 0,
  high: 0,
  count: 0,
  latest: [],
  limits: null,
  settledMs: 0,
  signal: null,
  found: null,
});

/**
 * A dimension after more values came. One that is measured again in the same visit replaces what it was, so that a slip
 * that is put right leaves no signal behind.
 */
export function withValues(dimension: Dimension, came: readonly DimensionValue[]): Dimension {
  return came.reduce(withValue, dimension);
}

function withValue(dimension: Dimension, came: DimensionValue): Dimension {
  const at = dimension.latest.findIndex((v) => v.pieceId === came.pieceId && v.visitId === came.visitId);
  if (at >= 0) {
    const latest = dimension.latest.map((v, i) => (i === at ? { ...v, value: came.value } : v));
    const put = { ...dimension, latest };
    const wasBefore = dimension.signal !== null && !latest.some((v) => sameValue(v, dimension.signal?.last));
    return wasBefore ? put : { ...put, signal: firstSignal(put) };
  }
  const { latest } = dimension;
  const place = latest.findLastIndex((v) => v.atMs <= came.atMs) + 1;
  const all = [...latest.slice(0, place), came, ...latest.slice(place)];
  const next = { ...dimension, count: dimension.count + 1, latest: all.slice(-VALUES_KEPT) };
  if (next.limits === null) return latest.length + 1 < LIMITS_FROM ? next : withLimits({ ...next, latest: all });
  return next.signal === null ? { ...next, signal: signalNow(next, came) } : next;
}

/** The first values make the limits, and are not judged by them. */
function withLimits(dimension: Dimension): Dimension {
  const { values, sigmaWithin } = individualsLimits(dimension.latest.map((v) => v.value));
  const settledMs = Math.max(...dimension.latest.map((v) => v.atMs));
  return { ...dimension, limits: { centre: values.centre, sigma: sigmaWithin }, settledMs };
}

const limitsOf = ({ centre, sigma }: DimensionLimits) => ({ centre, sigma, lower: centre - 3 * sigma, upper: centre + 3 * sigma });

/** The values that may still make a run. */
const unsettled = ({ latest, settledMs }: Pick<Dimension, 'latest' | 'settledMs'>): DimensionValue[] =>
  latest.filter((v) => v.atMs > settledMs);

function signalNow(dimension: Dimension, came: DimensionValue): OpenSignal | null {
  const points = unsettled(dimension);
  const until = points.indexOf(came);
  if (dimension.limits === null || until < 0) return null;
  const run = points.slice(Math.max(0, until + 1 - LONGEST_RUN), until + 1);
  const found = signalAtEnd(
    run.map((v) => v.value),
    limitsOf(dimension.limits),
  );
  return found ? opened(found, came) : null;
}

function firstSignal(dimension: Dimension): OpenSignal | null {
  if (dimension.limits === null) return null;
  const points = unsettled(dimension);
  const [found] = signalsOn(
    points.map((v) => v.value),
    limitsOf(dimension.limits),
  );
  const last = found && points[found.at.at(-1) ?? -1];
  return found && last ? opened(found, last) : null;
}

const opened = ({ rule, side, at }: Signal, last: DimensionValue): OpenSignal => ({ rule, side, of: at.length, last });
const sameValue = (a: DimensionValue, b: DimensionValue | undefined) => a.pieceId === b?.pieceId && a.visitId === b.visitId;

/** Measures as they come to a chart: one that was taken again in the same visit stands where it stood, as it was last. */
export function chartedOf<Taken extends DimensionValue>(measures: readonly Taken[]): Taken[] {
  const charted = new Map<string, Taken>();
  for (const measure of [...measures].sort((a, b) => a.atMs - b.atMs)) {
    const key = JSON.stringify([measure.visitId, measure.pieceId]);
    const before = charted.get(key);
    charted.set(key, before ? { ...before, value: measure.value } : measure);
  }
  return [...charted.values()];
}

/** An open signal as one would say it at the machine. */
export const openSignalInWords = ({ rule, side, of }: Pick<OpenSignal, 'rule' | 'side' | 'of'>): string =>
  signalInWords({ rule, side, at: Array.from({ length: of }, (_, i) => i) });
