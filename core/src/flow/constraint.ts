import type { ActivePeriod } from './activity.ts';
import type { FlowFigures } from './figures.ts';

export interface ConstraintSpan {
  station: string;
  fromMs: number;
  toMs: number;
}

/**
 * The shifting view: at each moment the station with the longest current active period is the constraint.
 *
 * @returns spans in time order, neighbours of one station joined
 * @source Roser, Nakano & Tanaka, "Shifting bottleneck detection", 2002
 */
export function shiftingConstraint(periods: readonly ActivePeriod[]): ConstraintSpan[] {
  const edges = [...new Set(periods.flatMap((p) => [p.fromMs, p.toMs]))].sort((a, b) => a - b);
  const waiting = [...periods].sort((a, b) => a.fromMs - b.fromMs);
  let active: ActivePeriod[] = [];
  let nextIndex = 0;
  const spans: ConstraintSpan[] = [];
  edges.forEach((fromMs, i) => {
    const toMs = edges[i + 1];
    if (toMs === undefined) return;
    active = active.filter((p) => p.toMs > fromMs);
    for (let p = waiting[nextIndex]; p && p.fromMs <= fromMs; p = waiting[++nextIndex]) active.push(p);
    const longest = active.reduce<ActivePeriod | undefined>(
      (best, p) => (p.toMs > fromMs && (!best || p.workedMs > best.workedMs) ? p : best),
      undefined,
    );
    if (!longest) return;
    const last = spans.at(-1);
    if (last && last.station === longest.station && last.toMs === fromMs) last.toMs = toMs;
    else spans.push({ station: longest.station, fromMs, toMs });
  });
  return spans;
}

export interface ConstraintViews {
  /** the station whose arrived load is the greatest share of its hours */
  byLoad: { station: string; ratio: number } | null;
  /** the station that works longest without interruption */
  byActivePeriod: { station: string; meanMs: number } | null;
  /** the station that was the longest-active one for most of the window */
  byShare: { station: string; share: number } | null;
  spans: ConstraintSpan[];
}

/** The three views of the bottleneck; they disagree when something is wrong, or has just changed. */
export function constraintViews(figures: FlowFigures): ConstraintViews {
  const worked = figures.stations.filter((s) => s.arrivedLoadMs > 0);
  const topLoad = worked.reduce<(typeof worked)[number] | undefined>((b, s) => (!b || s.loadRatio > b.loadRatio ? s : b), undefined);
  const active = figures.stations.filter((s) => s.activePeriods > 0);
  const topActive = active.reduce<(typeof active)[number] | undefined>(
    (b, s) => (!b || s.meanActiveMs > b.meanActiveMs ? s : b),
    undefined,
  );
  const spans = shiftingConstraint(figures.periods);
  const held = new Map<string, number>();
  for (const s of spans) held.set(s.station, (held.get(s.station) ?? 0) + s.toMs - s.fromMs);
  const total = [...held.values()].reduce((a, b) => a + b, 0);
  const topShare = [...held].reduce<[string, number] | undefined>((b, e) => (!b || e[1] > b[1] ? e : b), undefined);
  return {
    byLoad: topLoad ? { station: topLoad.code, ratio: topLoad.loadRatio } : null,
    byActivePeriod: topActive ? { station: topActive.code, meanMs: topActive.meanActiveMs } : null,
    byShare: topShare && total > 0 ? { station: topShare[0], share: topShare[1] / total } : null,
    spans,
  };
}
