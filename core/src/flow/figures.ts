import {
  busyHours,
  busyIn,
  goodIn,
  hourOf,
  LEAD_CLASS_MS,
  QUARTER_MS,
  type BodyHour,
  type LeadTimes,
  type StationHour,
} from '../batches/index.ts';
import { groupBy, type Interval, type WorkingTime } from '../maths/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { activePeriods, type ActivePeriod, type HourShare, type WorkingHour } from './activity.ts';

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
  /** mean WIP against throughput × mean lead time, less one: how well the records hang together */
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
  const frame = { working: workingHours(window, time), window, time };
  const [first, last] = [hourOf(window.fromMs), hourOf(window.toMs - 1)];
  const hours = groupBy(
    record.hours.filter((h) => h.hour >= first && h.hour <= last),
    (h) => h.stationCode,
  );
  const stations = record.stations.map((station) => stationFigures(station, hours.get(station.code) ?? [], record, frame));
  const bodies = bodyFigures(record, window);
  const { meanWip, meanLeadDays, throughputPerDay } = bodies;
  const expectedWip = throughputPerDay * meanLeadDays;
  const leads = record.leads
    .map(({ leadClass, shipped: count }) => ({ days: ((leadClass + 0.5) * LEAD_CLASS_MS) / DAY_MS, shipped: count }))
    .sort((a, b) => a.days - b.days);
  return {
    ...bodies,
    stations: stations.map(({ figures }) => figures),
    leadQuantilesDays: leads.length === 0 ? null : { p50: leadQuantile(leads, 0.5), p85: leadQuantile(leads, 0.85) },
    leads,
    littleResidual: expectedWip === 0 ? null : meanWip / expectedWip - 1,
    periods: stations.flatMap(({ periods }) => periods),
  };
}

/** The lead time under which a share of the instruments stayed, classes in rising order; as of their times one by one. */
function leadQuantile(leads: readonly LeadClass[], p: number): number {
  const count = leads.reduce((sum, lead) => sum + lead.shipped, 0);
  const rank = (count - 1) * p;
  const at = (index: number) => {
    let before = 0;
    return leads.find(({ shipped }) => (before += shipped) > index)?.days ?? 0;
  };
  const low = at(Math.floor(rank));
  return low + (at(Math.ceil(rank)) - low) * (rank - Math.floor(rank));
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

/** What came to a station and came out of it. */
interface Passed {
  loadS: number;
  good: number;
  rework: number;
  scrap: number;
  goodByShift: number[];
}

function passedAt(hours: readonly StationHour[], time: WorkingTime): Passed {
  const passed = { loadS: 0, good: 0, rework: 0, scrap: 0, goodByShift: time.windows.map(() => 0) };
  for (const hour of hours) {
    passed.loadS += hour.loadS;
    passed.rework += hour.rework;
    passed.scrap += hour.scrap;
    goodIn(hour).forEach((good, i) => {
      if (good === 0) return;
      passed.good += good;
      const shift = time.indexOf(hour.hour * HOUR_MS + i * QUARTER_MS);
      if (shift >= 0) passed.goodByShift[shift] = (passed.goodByShift[shift] ?? 0) + good;
    });
  }
  return passed;
}

/** Of each working hour, how long a station had places and how long they were busy. */
function sharesOf(
  { code, benches }: FlowStation,
  busy: ReadonlyMap<number, readonly number[]>,
  places: FlowRecord['places'],
  working: readonly WorkingHour[],
): HourShare[] {
  const changes = places.filter((p) => p.station === code);
  return working.map((hour) => {
    const busyInIt = busy.get(hour.hour);
    let [placesMs, busyMs] = [0, 0];
    hour.quarters.forEach(({ fromMs, toMs, workMs }, i) => {
      if (workMs === 0) return;
      placesMs += workMs * (changes.findLast((c) => c.atMs <= fromMs)?.after ?? benches);
      busyMs += ((busyInIt?.[i] ?? 0) * workMs) / (toMs - fromMs);
    });
    return { hour, placesMs, busyMs };
  });
}

function stationFigures(
  station: FlowStation,
  hours: readonly StationHour[],
  { goingOn, places }: FlowRecord,
  { working, window, time }: { working: readonly WorkingHour[]; window: Interval; time: WorkingTime },
): { figures: StationFigures; periods: ActivePeriod[] } {
  const { code } = station;
  const own = goingOn.filter((job) => job.stationCode === code);
  const shares = sharesOf(station, busyQuarters(hours, own, window), places, working);
  const periods = activePeriods(code, shares);
  const { loadS, ...passed } = passedAt(hours, time);
  const availableMs = shares.reduce((sum, share) => sum + share.placesMs, 0);
  const arrivedLoadMs = loadS * 1000;
  const figures = {
    code,
    ...passed,
    workedMs: shares.reduce((sum, share) => sum + share.busyMs, 0),
    arrivedLoadMs,
    availableMs,
    loadRatio: availableMs === 0 ? 0 : arrivedLoadMs / availableMs,
    meanActiveMs: periods.length === 0 ? 0 : periods.reduce((sum, p) => sum + p.workedMs, 0) / periods.length,
    activePeriods: periods.length,
  };
  return { figures, periods };
}

/** How long a station's places were busy in each quarter of each hour: by what is over, and by what goes on. */
function busyQuarters(hours: readonly StationHour[], goingOn: FlowRecord['goingOn'], window: Interval): Map<number, number[]> {
  const busy = new Map(hours.map((hour) => [hour.hour, busyIn(hour)]));
  for (const { fromMs } of goingOn)
    for (const { hour, quarters } of busyHours(Math.max(fromMs, window.fromMs), window.toMs)) {
      const known = busy.get(hour) ?? [];
      busy.set(
        hour,
        quarters.map((ms, i) => ms + (known[i] ?? 0)),
      );
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
