import { busyHours, hourOf, LEAD_CLASS_MS, quartersOf, QUARTER_MS, StationHour, type BodyHour, type LeadTimes } from '../batches/index.ts';
import { quantile, type Interval, type WorkingTime } from '../maths/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { activePeriods, type ActivePeriod, type WorkingHour } from './activity.ts';

export interface FlowStation {
  code: string;
  /** how many batches can be worked on at once to begin with */
  benches: number;
}

/** What is kept of the floor's past, and what goes on. */
export interface FlowRecord {
  stations: readonly FlowStation[];
  /** of the window's hours */
  hours: readonly StationHour[];
  /** work that goes on at the end of the window */
  goingOn: readonly { stationCode: string; fromMs: number }[];
  /** stations that were given other numbers of places, in time order */
  places: readonly { station: string; atMs: number; after: number }[];
  /** all bodies there have been; undefined where there was none yet */
  bodies: Pick<BodyHour, 'entered' | 'shipped' | 'scrapped'> | undefined;
  /** from the window's first hour on */
  bodyHours: readonly BodyHour[];
  /** of the window */
  leads: readonly Pick<LeadTimes, 'leadClass' | 'shipped'>[];
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
  /** good pieces by working window; what came out after one counts for it */
  goodByShift: number[];
}

export interface LeadClass {
  /** the middle of its class */
  days: number;
  shipped: number;
}

export interface FlowFigures {
  stations: StationFigures[];
  meanWip: number;
  /** WIP at the end of each day of the window */
  wipByDay: number[];
  throughputPerDay: number;
  meanLeadDays: number;
  leadQuantilesDays: { p50: number; p85: number } | null;
  leads: LeadClass[];
  shipped: number;
  /** (mean WIP − throughput × mean lead time) ÷ mean WIP: how well the records hang together */
  littleResidual: number | null;
  periods: ActivePeriod[];
}

/**
 * The window from the hour in which it begins. What is kept by the hour tells nothing finer: work counts where its
 * quarter of an hour is working time, bodies come and go in the middle of their hour.
 */
export const fromWholeHour = ({ fromMs, toMs }: Interval): Interval => ({ fromMs: hourOf(fromMs) * HOUR_MS, toMs });

/**
 * What a window of time came to.
 *
 * @param window from a whole hour ({@link fromWholeHour}) until it ends
 * @param time the factory's working time, covering the window
 */
export function flowFigures(record: FlowRecord, window: Interval, time: WorkingTime): FlowFigures {
  const working = workingHours(window, time);
  const stations = record.stations.map((station) => stationFigures(station, record, working, window, time));
  const bodies = bodyFigures(record, window);
  const { shipped, meanWip, meanLeadDays, throughputPerDay } = bodies;
  const leads = record.leads
    .map(({ leadClass, shipped: count }) => ({ days: ((leadClass + 0.5) * LEAD_CLASS_MS) / DAY_MS, shipped: count }))
    .sort((a, b) => a.days - b.days);
  const all = leads.flatMap((lead) => Array.from({ length: lead.shipped }, () => lead.days));
  return {
    ...bodies,
    stations: stations.map(({ figures }) => figures),
    leadQuantilesDays: all.length === 0 ? null : { p50: quantile(all, 0.5), p85: quantile(all, 0.85) },
    leads,
    littleResidual: meanWip === 0 || shipped === 0 ? null : (meanWip - throughputPerDay * meanLeadDays) / meanWip,
    periods: stations.flatMap(({ periods }) => periods),
  };
}

function workingHours({ fromMs, toMs }: Interval, time: WorkingTime): WorkingHour[] {
  const hours: WorkingHour[] = [];
  for (let hour = hourOf(fromMs); hour * HOUR_MS < toMs; hour++) {
    const [begin, end] = [hour * HOUR_MS, Math.min(toMs, (hour + 1) * HOUR_MS)];
    const workMs = time.between(begin, end);
    if (workMs === 0) continue;
    const quarters = [0, 1, 2, 3].map((i) => {
      const from = begin + i * QUARTER_MS;
      const to = Math.max(from, Math.min(end, from + QUARTER_MS));
      return { fromMs: from, toMs: to, workMs: time.between(from, to) };
    });
    hours.push({ hour, fromMs: begin, toMs: end, workMs, quarters });
  }
  return hours;
}

function stationFigures(
  { code, benches }: FlowStation,
  record: FlowRecord,
  working: readonly WorkingHour[],
  window: Interval,
  time: WorkingTime,
): { figures: StationFigures; periods: ActivePeriod[] } {
  const [first, last] = [hourOf(window.fromMs), hourOf(window.toMs)];
  const own = record.hours.filter((h) => h.stationCode === code && h.hour >= first && h.hour <= last);
  const sum = (of: (hour: StationHour) => number) => own.reduce((total, hour) => total + of(hour), 0);
  const goodByShift = time.windows.map(() => 0);
  for (const hour of own)
    quartersOf(hour).forEach(({ good }, i) => {
      const shift = time.indexOf(hour.hour * HOUR_MS + i * QUARTER_MS);
      if (good > 0 && shift >= 0) goodByShift[shift] = (goodByShift[shift] ?? 0) + good;
    });
  const busy = busyQuarters(code, own, record, window);
  const changes = record.places.filter((p) => p.station === code);
  let availableMs = 0;
  let workedMs = 0;
  const shares = working.map((hour) => {
    let [placesMs, busyMs] = [0, 0];
    hour.quarters.forEach((quarter, i) => {
      if (quarter.workMs === 0) return;
      const places = changes.findLast((c) => c.atMs <= quarter.fromMs)?.after ?? benches;
      placesMs += places * quarter.workMs;
      busyMs += ((busy.get(hour.hour)?.[i] ?? 0) * quarter.workMs) / (quarter.toMs - quarter.fromMs);
    });
    availableMs += placesMs;
    workedMs += busyMs;
    return { hour, placesMs, busyMs };
  });
  const active = activePeriods(code, shares);
  const arrivedLoadMs = sum((h) => h.loadS) * 1000;
  const figures = {
    code,
    workedMs,
    arrivedLoadMs,
    availableMs,
    loadRatio: availableMs === 0 ? 0 : arrivedLoadMs / availableMs,
    good: sum((h) => quartersOf(h).reduce((total, q) => total + q.good, 0)),
    rework: sum((h) => h.rework),
    scrap: sum((h) => h.scrap),
    meanActiveMs: active.length === 0 ? 0 : active.reduce((total, p) => total + p.workedMs, 0) / active.length,
    activePeriods: active.length,
    goodByShift,
  };
  return { figures, periods: active };
}

/** How long a station's places were busy in each quarter of each hour: by what is over, and by what goes on. */
function busyQuarters(code: string, own: readonly StationHour[], { goingOn }: FlowRecord, window: Interval): Map<number, number[]> {
  const busy = new Map(own.map((hour) => [hour.hour, quartersOf(hour).map((q) => q.busyMs)]));
  for (const { stationCode, fromMs } of goingOn) {
    if (stationCode !== code) continue;
    for (const { hour, quarters } of busyHours(Math.max(fromMs, window.fromMs), window.toMs)) {
      const known = busy.get(hour);
      busy.set(
        hour,
        quarters.map((ms, i) => ms + (known?.[i] ?? 0)),
      );
    }
  }
  return busy;
}

function bodyFigures({ bodies, bodyHours }: FlowRecord, { fromMs, toMs }: Interval) {
  const net = (hour: Pick<BodyHour, 'entered' | 'shipped' | 'scrapped'>) => hour.entered - hour.shipped - hour.scrapped;
  const [first, last] = [hourOf(fromMs), hourOf(toMs - 1)];
  const inWindow = bodyHours.filter((h) => h.hour >= first && h.hour <= last);
  const byHour = new Map(inWindow.map((h) => [h.hour, net(h)]));
  const after = bodyHours.filter((h) => h.hour > last).reduce((sum, h) => sum + net(h), 0);
  const days = Math.floor((toMs - fromMs) / DAY_MS);
  const wipByDay = Array.from({ length: days }, () => 0);
  let wip = bodies === undefined ? 0 : net(bodies) - after;
  let integral = 0;
  // Backwards from what there is at the end.
  for (let hour = last; hour >= first; hour--) {
    const endMs = (hour + 1) * HOUR_MS;
    if ((endMs - fromMs) % DAY_MS === 0 && (endMs - fromMs) / DAY_MS <= days) wipByDay[(endMs - fromMs) / DAY_MS - 1] = wip;
    const came = byHour.get(hour) ?? 0;
    integral += (wip - came / 2) * (Math.min(endMs, toMs) - hour * HOUR_MS);
    wip -= came;
  }
  const shipped = inWindow.reduce((sum, h) => sum + h.shipped, 0);
  const leadMinutes = inWindow.reduce((sum, h) => sum + h.leadMinutes, 0);
  return {
    meanWip: integral / (toMs - fromMs),
    wipByDay,
    throughputPerDay: shipped / ((toMs - fromMs) / DAY_MS),
    shipped,
    meanLeadDays: shipped === 0 ? 0 : (leadMinutes * MINUTE_MS) / shipped / DAY_MS,
  };
}
