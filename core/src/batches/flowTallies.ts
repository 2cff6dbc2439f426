import { partOf, rowKind, type Part } from '../ledger/index.ts';
import { HOUR_MS, MINUTE_MS } from '../units/index.ts';
import type { WorkClass } from './workClass.ts';

// What the past of the floor comes to, by the hour: told by every visit, job and piece as it is, so that nobody reads
// them again to speak of weeks. Sums are whole numbers. Hours are whole hours since 1970, UTC.

export const QUARTERS = ['First', 'Second', 'Third', 'Last'] as const;
type Quarter = (typeof QUARTERS)[number];
type Quarters = [first: number, second: number, third: number, last: number];
export const QUARTER_MS = 15 * MINUTE_MS;

/** What came to a station in an hour, how long its places were busy in each quarter of it, and what came out. */
export interface StationHour extends Record<`busy${Quarter}Ms` | `good${Quarter}`, number> {
  id: string;
  stationCode: string;
  hour: number;
  /** work that arrived, in seconds of touch */
  loadS: number;
  rework: number;
  scrap: number;
}
const BUSY = QUARTERS.map((q) => `busy${q}Ms` as const);
const GOOD = QUARTERS.map((q) => `good${q}` as const);
export const StationHour = rowKind<StationHour>('station hour', { key: 'id', sums: ['loadS', ...BUSY, ...GOOD, 'rework', 'scrap'] });

/** How long the places of a station were busy in each quarter of an hour. */
export const busyIn = (hour: StationHour): number[] => [hour.busyFirstMs, hour.busySecondMs, hour.busyThirdMs, hour.busyLastMs];
/** How much came out good in each quarter of an hour. */
export const goodIn = (hour: StationHour): number[] => [hour.goodFirst, hour.goodSecond, hour.goodThird, hour.goodLast];

/** Bodies that entered the factory's work in an hour and that left it. One line is of all there has ever been. */
export interface BodyHour {
  /** {@link ALL_BODIES}, or the hour */
  id: string;
  hour: number;
  entered: number;
  shipped: number;
  scrapped: number;
  /** lead times of those shipped, summed */
  leadMinutes: number;
}
export const BodyHour = rowKind<BodyHour>('body hour', { key: 'id', sums: ['entered', 'shipped', 'scrapped', 'leadMinutes'] });
export const ALL_BODIES = 'all';

/** Lead times are told apart by so much. */
export const LEAD_CLASS_MS = 6 * HOUR_MS;

/** Instruments shipped in an hour whose lead time was of one class. */
export interface LeadTimes {
  id: string;
  hour: number;
  /** whole {@link LEAD_CLASS_MS} that it took */
  leadClass: number;
  shipped: number;
}
export const LeadTimes = rowKind<LeadTimes>('lead times', { key: 'id', sums: ['shipped'] });

/** What the logbook knows of a step of a model at a station: usual work that was done there, and how long it took. */
export interface StepTimes {
  /** {@link stepTimesId} */
  id: string;
  modelId: string;
  operationId: string;
  stationCode: string;
  batches: number;
  pieces: number;
  /** seconds that were planned for them when they came, and that they were worked on */
  loadS: number;
  touchS: number;
}
export const StepTimes = rowKind<StepTimes>('step times', { key: 'id', by: ['modelId'], sums: ['batches', 'pieces', 'loadS', 'touchS'] });
const stepTimesId = (modelId: string, operationId: string, stationCode: string): string =>
  JSON.stringify([modelId, operationId, stationCode]);

/** How long work that is not for orders and stock was worked on at a station, as it was done with in an hour. */
export interface ClassHour {
  id: string;
  stationCode: string;
  workClass: WorkClass;
  hour: number;
  pieces: number;
  touchS: number;
}
export const ClassHour = rowKind<ClassHour>('class hour', { key: 'id', sums: ['pieces', 'touchS'] });

export const hourOf = (atMs: number): number => Math.floor(atMs / HOUR_MS);

const NO_WORK: Omit<StationHour, 'id' | 'stationCode' | 'hour'> = {
  loadS: 0,
  busyFirstMs: 0,
  busySecondMs: 0,
  busyThirdMs: 0,
  busyLastMs: 0,
  goodFirst: 0,
  goodSecond: 0,
  goodThird: 0,
  goodLast: 0,
  rework: 0,
  scrap: 0,
};

const stationHour = (stationCode: string, hour: number, sums: Partial<StationHour>): Part =>
  partOf(StationHour, { id: `${stationCode} ${hour}`, stationCode, hour, ...NO_WORK, ...sums });

const quarterAt = (atMs: number): Quarter => QUARTERS[Math.floor((atMs % HOUR_MS) / QUARTER_MS)] ?? 'Last';

/** What a visit adds: its load when it comes, its pieces when it is done. */
export function partsOfVisit(visit: {
  stationCode: string;
  loadS: number | null;
  arrivedMs: number;
  finishedMs: number | null;
  good: number;
  rework: number;
  scrap: number;
}): Part[] {
  const { stationCode, loadS, arrivedMs, finishedMs, good, rework, scrap } = visit;
  if (loadS === null) return [];
  const came = stationHour(stationCode, hourOf(arrivedMs), { loadS });
  if (finishedMs === null) return [came];
  return [came, stationHour(stationCode, hourOf(finishedMs), { [`good${quarterAt(finishedMs)}`]: good, rework, scrap })];
}

/** What a pass that is done tells of how long its step takes. What came back is not usual work; what was not worked on tells nothing. */
export function partsOfStep(visit: {
  modelId: string;
  operationId: string;
  stationCode: string;
  redo: boolean;
  loadS: number | null;
  finishedMs: number | null;
  touchMs: number;
  good: number;
  rework: number;
  scrap: number;
}): Part[] {
  const { modelId, operationId, stationCode, redo, loadS, finishedMs, touchMs, good, rework, scrap } = visit;
  if (loadS === null || redo || finishedMs === null || touchMs === 0) return [];
  const id = stepTimesId(modelId, operationId, stationCode);
  const touchS = Math.round(touchMs / 1000);
  return [partOf(StepTimes, { id, modelId, operationId, stationCode, batches: 1, pieces: good + rework + scrap, loadS, touchS })];
}

/** What a pass of a trial, of tooling or of a special adds once it is done: the hours that order work did not have. */
export function partsOfClass(visit: {
  stationCode: string;
  workClass: WorkClass;
  finishedMs: number | null;
  touchMs: number;
  good: number;
  rework: number;
  scrap: number;
}): Part[] {
  const { stationCode, workClass, finishedMs, touchMs, good, rework, scrap } = visit;
  if (workClass === 'order' || finishedMs === null || touchMs === 0) return [];
  const hour = hourOf(finishedMs);
  const id = `${stationCode} ${workClass} ${hour}`;
  return [partOf(ClassHour, { id, stationCode, workClass, hour, pieces: good + rework + scrap, touchS: Math.round(touchMs / 1000) })];
}

/** What a job that is over adds: the time that it kept a place busy. */
export function partsOfJob({ stationCode, fromMs, toMs }: { stationCode: string; fromMs: number; toMs: number | null }): Part[] {
  if (toMs === null) return [];
  return busyHours(fromMs, toMs).map(({ hour, quarters }) =>
    stationHour(stationCode, hour, {
      busyFirstMs: quarters[0],
      busySecondMs: quarters[1],
      busyThirdMs: quarters[2],
      busyLastMs: quarters[3],
    }),
  );
}

/** A stretch of time by hours, and how much of each quarter of them it fills, in whole milliseconds. */
export function busyHours(fromMs: number, toMs: number): { hour: number; quarters: Quarters }[] {
  const [from, to] = [Math.round(fromMs), Math.round(toMs)];
  const hours: { hour: number; quarters: Quarters }[] = [];
  const within = (begin: number) => Math.max(0, Math.min(to, begin + QUARTER_MS) - Math.max(from, begin));
  for (let hour = hourOf(from); hour * HOUR_MS < to; hour++) {
    const begin = hour * HOUR_MS;
    hours.push({
      hour,
      quarters: [within(begin), within(begin + QUARTER_MS), within(begin + 2 * QUARTER_MS), within(begin + 3 * QUARTER_MS)],
    });
  }
  return hours;
}

/** What a body adds when it is begun, and it or its instrument when it leaves. Trials and other parts add nothing. */
export function partsOfPiece(piece: { component: string; state: string; bodyFromMs: number | null; outMs: number | null }): Part[] {
  const { component, state, bodyFromMs, outMs } = piece;
  if (bodyFromMs === null) return [];
  const parts = component === 'body' ? bodies(bodyFromMs, { entered: 1 }) : [];
  if (outMs === null) return parts;
  if (state === 'scrapped') return [...parts, ...bodies(outMs, { scrapped: 1 })];
  const leadMs = outMs - bodyFromMs;
  const hour = hourOf(outMs);
  const leadClass = Math.max(0, Math.floor(leadMs / LEAD_CLASS_MS));
  return [
    ...parts,
    ...bodies(outMs, { shipped: 1, leadMinutes: Math.round(leadMs / MINUTE_MS) }),
    partOf(LeadTimes, { id: `${hour} ${leadClass}`, hour, leadClass, shipped: 1 }),
  ];
}

function bodies(atMs: number, sums: Partial<BodyHour>): Part[] {
  const nothing = { entered: 0, shipped: 0, scrapped: 0, leadMinutes: 0 };
  const hour = hourOf(atMs);
  return [
    partOf(BodyHour, { ...nothing, ...sums, id: String(hour), hour }),
    partOf(BodyHour, { ...nothing, ...sums, id: ALL_BODIES, hour: 0 }),
  ];
}
