import type { WallClock } from '../maths/index.ts';
import { counted, DAY_MS, HOUR_MS } from '../units/index.ts';

/** What a station came to in a month. */
export interface StationMonth {
  code: string;
  name: string;
  /** its places were busy so long */
  busyMs: number;
  good: number;
  rework: number;
  scrap: number;
  /** hours of its places, as many as it had at the time */
  hoursMs: number;
}

/** What the factory came to in a month of its calendar. */
export interface Month {
  /** "2026-03" */
  id: string;
  fromMs: number;
  /** its end, or now while it goes on */
  toMs: number;
  /** all of it is on record: it does not go on, and nothing began within it */
  whole: boolean;
  workDays: number;
  workHoursMs: number;
  /** hours that people who work here now were there */
  peopleHoursMs: number;
  /** bodies begun, and instruments sent off */
  begun: number;
  shipped: number;
  leadMinutes: number;
  stations: readonly StationMonth[];
}

/** Why a month came to less or more than the one before, as far as the records tell. */
export interface Cause {
  kind: 'days' | 'people' | 'begun' | 'places' | 'station' | 'returns';
  sentence: string;
  /** instruments that it comes to, where that can be reckoned; below zero where it cost some */
  instruments: number | null;
}

export interface MonthCompared {
  before: Month;
  after: Month;
  /** instruments more than in the month before; below zero for fewer */
  change: number;
  causes: Cause[];
}

/** Shares that change by less are told as the same. */
const TELLING = 0.04;
/** A station that is busy for less of its hours than this sets no pace. */
const BUSY = 0.6;
/** The share of what came out that came back or was lost, when it changes by so much. */
const RETURNS = 0.01;

/** The months of the factory's calendar from the one that holds an instant to another's, each with its bounds. */
export function monthsBetween(fromMs: number, toMs: number, clock: WallClock): { id: string; fromMs: number; toMs: number }[] {
  const wall = new Date(fromMs + clock.offsetMs(fromMs));
  const months: { id: string; fromMs: number; toMs: number }[] = [];
  const begin = (n: number) => {
    const wallMs = Date.UTC(wall.getUTCFullYear(), wall.getUTCMonth() + n, 1);
    return { wallMs, atMs: clock.instantsOf(wallMs)[0] ?? wallMs - clock.offsetMs(wallMs) };
  };
  for (let n = 0; begin(n).atMs <= toMs; n++) {
    const { wallMs, atMs } = begin(n);
    months.push({ id: new Date(wallMs).toISOString().slice(0, 7), fromMs: atMs, toMs: begin(n + 1).atMs });
  }
  return months;
}

export const shippedPerDay = ({ shipped, workDays }: Pick<Month, 'shipped' | 'workDays'>): number =>
  workDays === 0 ? 0 : shipped / workDays;

/** The station that was busy for most of its hours in a month; none where nothing was done. */
export function busiestOf({ stations }: Pick<Month, 'stations'>): { station: StationMonth; share: number } | undefined {
  return stations
    .filter((s) => s.hoursMs > 0 && s.busyMs > 0)
    .map((station) => ({ station, share: station.busyMs / station.hoursMs }))
    .reduce<{ station: StationMonth; share: number } | undefined>((a, b) => (a && a.share >= b.share ? a : b), undefined);
}

/** Of what came out of all stations, the share that came back or was lost; null where nothing came out. */
export function returnedShare({ stations }: Pick<Month, 'stations'>): number | null {
  const back = stations.reduce((sum, s) => sum + s.rework + s.scrap, 0);
  const all = stations.reduce((sum, s) => sum + s.good, back);
  return all === 0 ? null : back / all;
}

/**
 * What of one month was otherwise than in the month before it. Working days are reckoned in instruments, at the earlier
 * month's pace; of the rest is said by how much it changed, since one instrument lost may have several causes.
 *
 * @param placesChanges stations that were given other numbers of places within the later month
 */
export function compareMonths(
  before: Month,
  after: Month,
  placesChanges: readonly { name: string; before: number; after: number }[],
): MonthCompared {
  const causes: Cause[] = [];
  const days = after.workDays - before.workDays;
  if (days !== 0)
    causes.push({
      kind: 'days',
      sentence: `${counted(Math.abs(days), 'working day')} ${days < 0 ? 'fewer' : 'more'}`,
      instruments: Math.round(days * shippedPerDay(before)),
    });
  const told = (kind: Cause['kind'], sentence: string) => causes.push({ kind, sentence, instruments: null });
  const there = changeOf(perDay(before, before.peopleHoursMs), perDay(after, after.peopleHoursMs));
  if (Math.abs(there) >= TELLING)
    told(
      'people',
      `people were there ${percent(there)} ${there < 0 ? 'less' : 'more'}: ${hours(perDay(after, after.peopleHoursMs))} a working day instead of ${hours(perDay(before, before.peopleHoursMs))}`,
    );
  for (const change of placesChanges) told('places', `${change.name} had ${counted(change.after, 'place')} instead of ${change.before}`);
  const begun = changeOf(perDay(before, before.begun), perDay(after, after.begun));
  if (Math.abs(begun) >= TELLING)
    told(
      'begun',
      `${perDay(after, after.begun).toFixed(1)} bodies a working day were begun instead of ${perDay(before, before.begun).toFixed(1)}`,
    );
  const narrow = busiestOf(before);
  const same = narrow && after.stations.find((s) => s.code === narrow.station.code);
  if (narrow && same && narrow.share >= BUSY) {
    const each = changeOf(minutesEach(narrow.station), minutesEach(same));
    if (Math.abs(each) >= TELLING)
      told(
        'station',
        `${same.name} took ${minutesEach(same).toFixed(0)} min a piece instead of ${minutesEach(narrow.station).toFixed(0)}: other models, or other work on them`,
      );
  }
  const [wasBack, isBack] = [returnedShare(before), returnedShare(after)];
  if (wasBack !== null && isBack !== null && Math.abs(isBack - wasBack) >= RETURNS)
    told(
      'returns',
      `${(isBack * 100).toFixed(1)} % of what stations did came back or was lost, instead of ${(wasBack * 100).toFixed(1)} %`,
    );
  return { before, after, change: after.shipped - before.shipped, causes };
}

/** "5 fewer than in September: 2 working days fewer (about 9 instruments); …" @param nameOf a month's name, for a reader */
export function comparedInWords({ before, after, change, causes }: MonthCompared, nameOf: (month: Month) => string): string {
  const name = nameOf(before);
  const count = change === 0 ? `as many as in ${name}` : `${Math.abs(change)} ${change < 0 ? 'fewer' : 'more'} than in ${name}`;
  const shipped = `${nameOf(after)}: ${counted(after.shipped, 'instrument')} sent off, ${count}`;
  if (change === 0) return `${shipped}.`;
  const sentences = causes.map((c) =>
    c.instruments === null || c.instruments === 0 ? c.sentence : `${c.sentence} (about ${counted(Math.abs(c.instruments), 'instrument')})`,
  );
  return sentences.length === 0 ? `${shipped}. Nothing on record says why.` : `${shipped}. Otherwise than then: ${sentences.join('; ')}.`;
}

const perDay = ({ workDays }: Pick<Month, 'workDays'>, sum: number): number => (workDays === 0 ? 0 : sum / workDays);
const changeOf = (before: number, after: number): number => (before === 0 ? 0 : after / before - 1);
const minutesEach = ({ busyMs, good, rework, scrap }: StationMonth): number =>
  good + rework + scrap === 0 ? 0 : busyMs / 60_000 / (good + rework + scrap);
const percent = (share: number) => `${Math.round(Math.abs(share) * 100)} %`;
const hours = (ms: number) => `${(ms / HOUR_MS).toFixed(0)} h`;

/** How many of the factory's days hold some working time. */
export function workDaysIn(windows: readonly { fromMs: number }[], clock: WallClock): number {
  return new Set(windows.map(({ fromMs }) => Math.floor((fromMs + clock.offsetMs(fromMs)) / DAY_MS))).size;
}
