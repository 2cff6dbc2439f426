import { type Interval, quantile, type WorkingTime } from '../maths/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';

/** What happens on the floor, as the flow figures see it; given in time order. */
export type FlowEvent =
  /** pieces enter the factory's work in progress */
  | { kind: 'enter'; atMs: number; count: number }
  /** pieces leave it: shipped, or scrapped (then their lead time does not count) */
  | { kind: 'leave'; atMs: number; count: number; enteredMs: number; shipped: boolean }
  /** work of so many hours reaches a station's queue */
  | { kind: 'arrive'; atMs: number; station: string; loadMs: number }
  | { kind: 'begin'; atMs: number; station: string }
  | { kind: 'stop'; atMs: number; station: string }
  /** from now on so many batches can be worked on at once */
  | { kind: 'benches'; atMs: number; station: string; count: number }
  | { kind: 'finish'; atMs: number; station: string; good: number; rework: number; scrap: number };

/** At one instant: what ends is counted before what begins. */
const RANK: Record<FlowEvent['kind'], number> = { stop: 0, finish: 1, leave: 2, enter: 3, arrive: 4, benches: 5, begin: 6 };

export const inTimeOrder = (events: readonly FlowEvent[]): FlowEvent[] =>
  events.toSorted((a, b) => a.atMs - b.atMs || RANK[a.kind] - RANK[b.kind]);

export interface FlowStation {
  code: string;
  /** how many batches can be worked on at once to begin with; at that many the station is fully active */
  benches: number;
}

export interface ActivePeriod {
  station: string;
  fromMs: number;
  toMs: number;
  /** length in working time */
  workedMs: number;
}

export interface StationFigures {
  code: string;
  workedMs: number;
  arrivedLoadMs: number;
  availableMs: number;
  /** arrived load ÷ available hours */
  loadRatio: number;
  good: number;
  rework: number;
  scrap: number;
  meanActiveMs: number;
  activePeriods: number;
  /** good pieces by working day, in the order of the calendar's windows */
  goodByShift: number[];
}

export interface FlowFigures {
  stations: StationFigures[];
  meanWip: number;
  /** WIP at the end of each day of the window */
  wipByDay: number[];
  throughputPerDay: number;
  meanLeadDays: number;
  leadQuantilesDays: { p50: number; p85: number } | null;
  leadDays: number[];
  shipped: number;
  /** (mean WIP − throughput × mean lead time) ÷ mean WIP: how well the records hang together */
  littleResidual: number | null;
  periods: ActivePeriod[];
}

/** Hand-overs between batches shorter than this do not end an active period. */
const HANDOVER_MS = 10 * MINUTE_MS;
/** Lead times are kept in classes of 6 hours up to 200 days, so memory does not grow with events. */
const LEAD_CLASS_MS = 6 * HOUR_MS;
const LEAD_CLASSES = 800;

interface StationMeter {
  benches: number;
  running: number;
  lastChangeMs: number;
  workedMs: number;
  availableMs: number;
  loadMs: number;
  good: number;
  rework: number;
  scrap: number;
  goodByShift: number[];
  openFrom: number | null;
  closedAt: number | null;
  activeMs: number;
  periods: number;
}

/**
 * Gathers flow figures from a stream of events in one pass, keeping per-station sums, day and class counts and the
 * active periods of at least half an hour.
 */
export class FlowMeter {
  private readonly stations = new Map<string, StationMeter>();
  private readonly periods: ActivePeriod[] = [];
  private readonly leadClasses = new Uint32Array(LEAD_CLASSES);
  private readonly wipByDay: number[] = [];
  private wip = 0;
  private wipSince: number;
  private wipIntegral = 0;
  private shipped = 0;
  private leadSumMs = 0;

  /**
   * @param window what the figures are about; events before it only set the scene
   * @param time the factory's working time, covering the window
   */
  constructor(
    stations: readonly FlowStation[],
    private readonly window: Interval,
    private readonly time: WorkingTime,
  ) {
    this.wipSince = window.fromMs;
    for (const s of stations)
      this.stations.set(s.code, {
        benches: s.benches,
        running: 0,
        lastChangeMs: window.fromMs,
        workedMs: 0,
        availableMs: 0,
        loadMs: 0,
        good: 0,
        rework: 0,
        scrap: 0,
        goodByShift: time.windows.map(() => 0),
        openFrom: null,
        closedAt: null,
        activeMs: 0,
        periods: 0,
      });
  }

  record(event: FlowEvent): void {
    const inWindow = event.atMs >= this.window.fromMs && event.atMs < this.window.toMs;
    switch (event.kind) {
      case 'enter':
        this.advanceWip(event.atMs);
        this.wip += event.count;
        return;
      case 'leave':
        this.advanceWip(event.atMs);
        this.wip -= event.count;
        if (inWindow && event.shipped) this.countLead(event.atMs - event.enteredMs, event.count);
        return;
      case 'arrive': {
        const s = this.stations.get(event.station);
        if (s && inWindow) s.loadMs += event.loadMs;
        return;
      }
      case 'begin':
        this.change(event.station, event.atMs, { started: 1 });
        return;
      case 'stop':
        this.change(event.station, event.atMs, { started: -1 });
        return;
      case 'benches':
        this.change(event.station, event.atMs, { benches: event.count });
        return;
      case 'finish': {
        const s = this.stations.get(event.station);
        if (!s || !inWindow) return;
        s.good += event.good;
        s.rework += event.rework;
        s.scrap += event.scrap;
        const shift = this.shiftIndex(event.atMs);
        if (shift >= 0) s.goodByShift[shift] = (s.goodByShift[shift] ?? 0) + event.good;
        return;
      }
    }
  }

  figures(): FlowFigures {
    this.advanceWip(this.window.toMs);
    for (const [code, s] of this.stations) {
      this.change(code, this.window.toMs, {});
      this.closePeriod(code, s, this.window.toMs);
    }
    const spanMs = this.window.toMs - this.window.fromMs;
    const meanWip = this.wipIntegral / spanMs;
    const throughputPerDay = this.shipped / (spanMs / DAY_MS);
    const meanLeadDays = this.shipped === 0 ? 0 : this.leadSumMs / this.shipped / DAY_MS;
    const leads = this.leads();
    return {
      stations: [...this.stations].map(([code, s]) => ({
        code,
        workedMs: s.workedMs,
        arrivedLoadMs: s.loadMs,
        availableMs: s.availableMs,
        loadRatio: s.availableMs === 0 ? 0 : s.loadMs / s.availableMs,
        good: s.good,
        rework: s.rework,
        scrap: s.scrap,
        meanActiveMs: s.periods === 0 ? 0 : s.activeMs / s.periods,
        activePeriods: s.periods,
        goodByShift: s.goodByShift,
      })),
      meanWip,
      wipByDay: this.wipByDay,
      throughputPerDay,
      meanLeadDays,
      leadQuantilesDays: leads.length === 0 ? null : { p50: quantile(leads, 0.5), p85: quantile(leads, 0.85) },
      leadDays: leads,
      shipped: this.shipped,
      littleResidual: meanWip === 0 ? null : (meanWip - throughputPerDay * meanLeadDays) / meanWip,
      periods: this.periods,
    };
  }

  private advanceWip(atMs: number): void {
    const to = Math.min(Math.max(atMs, this.window.fromMs), this.window.toMs);
    for (;;) {
      const dayEnd = this.window.fromMs + (this.wipByDay.length + 1) * DAY_MS;
      if (dayEnd > to) break;
      this.wipByDay.push(this.wip);
    }
    this.wipIntegral += this.wip * (to - this.wipSince);
    this.wipSince = to;
  }

  private countLead(leadMs: number, count: number): void {
    this.shipped += count;
    this.leadSumMs += leadMs * count;
    const index = Math.min(LEAD_CLASSES - 1, Math.max(0, Math.floor(leadMs / LEAD_CLASS_MS)));
    this.leadClasses[index] = (this.leadClasses[index] ?? 0) + count;
  }

  /** Lead times in days, each at the middle of its class. */
  private leads(): number[] {
    return [...this.leadClasses].flatMap((count, i) =>
      Array.from({ length: Math.min(count, 5000) }, () => ((i + 0.5) * LEAD_CLASS_MS) / DAY_MS),
    );
  }

  private shiftIndex(atMs: number): number {
    return this.time.windows.length === 0 ? -1 : this.time.indexOf(atMs);
  }

  private change(code: string, atMs: number, { started = 0, benches }: { started?: number; benches?: number }): void {
    const s = this.stations.get(code);
    if (!s) return;
    const at = Math.min(Math.max(atMs, this.window.fromMs), this.window.toMs);
    const passedMs = this.time.between(s.lastChangeMs, at);
    s.workedMs += s.running * passedMs;
    s.availableMs += s.benches * passedMs;
    s.lastChangeMs = at;
    const wasFull = s.running >= s.benches;
    s.running = Math.max(0, s.running + started);
    s.benches = benches ?? s.benches;
    const isFull = s.running >= s.benches;
    if (!wasFull && isFull) {
      const resumed = s.openFrom !== null && s.closedAt !== null && this.time.between(s.closedAt, at) <= HANDOVER_MS;
      if (!resumed) {
        this.closePeriod(code, s, at);
        s.openFrom = at;
      }
      s.closedAt = null;
    } else if (wasFull && !isFull) s.closedAt = at;
  }

  private closePeriod(code: string, s: StationMeter, atMs: number): void {
    if (s.openFrom === null) return;
    const toMs = s.closedAt ?? atMs;
    const workedMs = this.time.between(s.openFrom, toMs);
    s.activeMs += workedMs;
    s.periods += 1;
    if (workedMs >= HOUR_MS / 2) this.periods.push({ station: code, fromMs: s.openFrom, toMs, workedMs });
    s.openFrom = null;
    s.closedAt = null;
  }
}
