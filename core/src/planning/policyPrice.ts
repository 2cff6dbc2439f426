import type { CarrierKind } from '../carriers/index.ts';
import type { WorkingTime } from '../maths/index.ts';
import {
  before,
  isAttended,
  programsIn,
  resolveRoute,
  waysOf,
  type Operation,
  type Route,
  type RouteFacts,
  type Way,
} from '../routing/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { afterWorking, waitMs, type Glues } from './forecast.ts';
import { timesOf } from './walkThrough.ts';

/** as asked: each wait as long as its own rules say · overnight: nothing that waits goes on before the next working morning */
export const WAIT_POLICIES = ['as asked', 'overnight'] as const;
export type WaitPolicy = (typeof WAIT_POLICIES)[number];

/** as routed: each step in its own way · without programs: what one does is done in another way, where its step knows one */
export const MACHINING_POLICIES = ['as routed', 'without programs'] as const;
export type MachiningPolicy = (typeof MACHINING_POLICIES)[number];

/** How a house makes a model. */
export interface HousePolicy {
  route: Route;
  /** instruments in a batch */
  batchSize: number;
  waits: WaitPolicy;
  machining: MachiningPolicy;
}

/** What the logbook knows of a step at a station: so many batches, the seconds that were planned for them and that they took. */
export interface StepRecord {
  batches: number;
  loadS: number;
  touchS: number;
}

/** What a policy is reckoned in. */
export interface PolicyWorld {
  facts: RouteFacts;
  /** instruments made a week */
  perWeek: number;
  /** must reach as far ahead as an instrument takes, a year at most */
  time: WorkingTime;
  fromMs: number;
  glues: Glues;
  recordOf: (operationId: string, stationCode: string) => StepRecord | undefined;
}

/** Pieces that wait at a step, on average. */
export interface PolicyWait {
  operationId: string;
  name: string;
  stationCode: string;
  /** the kind of rig in which they are under pressure */
  rig: CarrierKind | null;
  /** out of the house, where nobody counts places */
  isAway: boolean;
  /** clock hours until somebody can take them on, all rounds */
  hours: number;
  /** how many of them lie there at a time */
  pieces: number;
}

export interface PolicyFigures {
  /** hours of work a week at each station, the most first */
  stations: { stationCode: string; hours: number }[];
  touchHours: number;
  waits: PolicyWait[];
  waitingPieces: number;
  /** clock days on the slowest way in which nobody can do anything to it */
  waitDays: number;
  /** clock days from its first start to its last step, if nothing ever queued */
  leadDays: number;
  /** the names of work steps whose minutes are as logged, as planned, and that have no other way than by their program */
  logged: string[];
  planned: string[];
  onlyByProgram: string[];
}

/** So many batches on record are enough to go by. */
export const ENOUGH_BATCHES = 5;
/** A night is a pause of at least so long. */
const NIGHT_MS = 5 * HOUR_MS;
/** Starts are tried over so long a stretch, so many of them evenly over its working time. */
const TRIED_MS = 14 * DAY_MS;
const TRIED = 40;
const WEEK_HOURS = 7 * 24;

/**
 * What a way of making a model comes to at a rate: hours of work by station, what lies waiting (Little's law: rate × time
 * there), waiting and lead time. Minutes are as logged where {@link ENOUGH_BATCHES} batches are on record, else as planned.
 * A wait ends when somebody is there to take it on; starts are tried at many working hours, and their mean is told.
 *
 * @throws RangeError for a batch or a rate that is nothing
 */
export function policyFigures({ route: authored, batchSize, waits, machining }: HousePolicy, world: PolicyWorld): PolicyFigures {
  const { facts, perWeek, time, fromMs, glues } = world;
  if (!(batchSize >= 1) || !(perWeek > 0)) throw new RangeError('A policy is priced for at least one instrument in a batch, at some rate');
  const route = resolveRoute(authored, facts);
  const times = timesOf(route);
  const roundsOf = ({ id }: Operation) => times.get(id) ?? 1;
  const works = new Map(route.operations.filter(isAttended).map((o) => [o.id, workAt(o, machining, world)]));
  const batchMs = (o: Operation): number => {
    const work = works.get(o.id);
    return work ? roundsOf(o) * (work.way.setupMinutes + work.way.minutesPerPiece * batchSize) * work.factor * MINUTE_MS : 0;
  };
  /** From when on somebody can take on what has come to wait. */
  const takenMs = (o: Operation, sinceMs: number): number => {
    const asked = waitMs(o, glues);
    let at = sinceMs;
    for (let round = 0; asked > 0 && round < roundsOf(o); round++) {
      const ready = waits === 'overnight' ? Math.max(at + asked, nextMorning(time, at)) : at + asked;
      at = time.nextWorking(ready);
    }
    return at;
  };
  const starts = startsIn(time, fromMs);
  const mean = (of: (startMs: number) => number) => starts.reduce((sum, s) => sum + of(s), 0) / starts.length;
  const lying = route.operations.flatMap((o): PolicyWait[] => {
    if (works.has(o.id) || waitMs(o, glues) === 0) return [];
    const hours = mean((s) => takenMs(o, s) - s) / HOUR_MS;
    const { id: operationId, name, stationCode, kind, rig } = o;
    const isAway = kind === 'outside' || kind === 'transfer';
    return [{ operationId, name, stationCode, rig: rig?.kind ?? null, isAway, hours, pieces: (perWeek * hours) / WEEK_HOURS }];
  });
  const through = starts.map((s) =>
    passThrough(route, s, (o, at) => ({ workedMs: afterWorking(time, at, batchMs(o)), takenMs: (ms) => takenMs(o, ms) })),
  );
  const hoursAt = new Map<string, number>();
  for (const o of route.operations) {
    const work = works.get(o.id);
    if (work) hoursAt.set(work.way.stationCode, (hoursAt.get(work.way.stationCode) ?? 0) + (batchMs(o) / HOUR_MS) * (perWeek / batchSize));
  }
  const named = (is: (work: Work) => boolean) => route.operations.flatMap((o) => (takesTime(works.get(o.id), is) ? [o.name] : []));
  return {
    stations: [...hoursAt].map(([stationCode, hours]) => ({ stationCode, hours })).sort((a, b) => b.hours - a.hours),
    touchHours: [...hoursAt.values()].reduce((sum, h) => sum + h, 0),
    waits: lying,
    waitingPieces: lying.reduce((sum, w) => sum + w.pieces, 0),
    waitDays: through.reduce((sum, t) => sum + t.waitedMs, 0) / through.length / DAY_MS,
    leadDays: through.reduce((sum, t) => sum + t.leadMs, 0) / through.length / DAY_MS,
    logged: named((w) => w.isLogged),
    planned: named((w) => !w.isLogged),
    onlyByProgram: machining === 'without programs' ? named((w) => w.isByProgram) : [],
  };
}

interface Work {
  way: Way;
  /** what it took for each minute that was planned */
  factor: number;
  isLogged: boolean;
  isByProgram: boolean;
}

const takesTime = (work: Work | undefined, is: (work: Work) => boolean): boolean =>
  work !== undefined && work.way.setupMinutes + work.way.minutesPerPiece > 0 && is(work);

/** The way in which a step is done, and what is known of how long that takes. */
function workAt(operation: Operation, machining: MachiningPolicy, { recordOf }: PolicyWorld): Work {
  const [own, other] = waysOf(operation);
  if (!own) throw new RangeError(`${operation.name} is done in no way`);
  const runs = programsIn(operation.needs).length > 0;
  const way = machining === 'without programs' && runs && other ? other : own;
  const record = recordOf(operation.id, way.stationCode);
  const isLogged = record !== undefined && record.batches >= ENOUGH_BATCHES && record.loadS > 0;
  return { way, factor: isLogged ? record.touchS / record.loadS : 1, isLogged, isByProgram: runs && way === own };
}

/** The first working instant after the next night; a day later where the house never rests. */
function nextMorning(time: WorkingTime, atMs: number): number {
  const { windows } = time;
  for (let i = Math.max(0, time.indexOf(atMs)); i + 1 < windows.length; i++) {
    const [evening, morning] = [windows[i]?.toMs ?? atMs, windows[i + 1]?.fromMs ?? atMs];
    if (morning > atMs && morning - Math.max(evening, 0) >= NIGHT_MS) return morning;
  }
  return atMs + DAY_MS;
}

/** Working instants from which a start is tried. */
function startsIn(time: WorkingTime, fromMs: number): number[] {
  const [begun, ended] = [time.position(fromMs), time.position(fromMs + TRIED_MS)];
  const each = (ended - begun) / TRIED;
  return Array.from({ length: TRIED }, (_, i) => (each > 0 ? time.instant(begun + (i + 0.5) * each) : fromMs));
}

interface Through {
  leadMs: number;
  waitedMs: number;
}

/** One batch from its starts, all at once, to the end of its route. */
function passThrough(
  route: Route,
  startMs: number,
  at: (operation: Operation, arriveMs: number) => { workedMs: number; takenMs: (sinceMs: number) => number },
): Through {
  const known = new Map<string, { leaveMs: number; waitedMs: number }>();
  const until = (operation: Operation): { leaveMs: number; waitedMs: number } => {
    const found = known.get(operation.id);
    if (found) return found;
    const last = before(route, operation.id)
      .map(until)
      .reduce((a, b) => (b.leaveMs > a.leaveMs ? b : a), { leaveMs: startMs, waitedMs: 0 });
    const { workedMs, takenMs } = at(operation, last.leaveMs);
    const leaveMs = takenMs(workedMs);
    const answer = { leaveMs, waitedMs: last.waitedMs + leaveMs - workedMs };
    known.set(operation.id, answer);
    return answer;
  };
  const ends = route.operations.filter((o) => o.next.length === 0).map(until);
  const last = ends.reduce((a, b) => (b.leaveMs > a.leaveMs ? b : a), { leaveMs: startMs, waitedMs: 0 });
  return { leadMs: last.leaveMs - startMs, waitedMs: last.waitedMs };
}

/** What a change of policy comes to, in a sentence; what is too little to say is left out. */
export function priceInWords(from: PolicyFigures, to: PolicyFigures): string {
  const parts = [
    differs(to.touchHours - from.touchHours, 0.05, (n, more) => `${n.toFixed(1)} h of work a week ${more ? 'more' : 'less'}`),
    differs(to.waitingPieces - from.waitingPieces, 0.5, (n, more) => {
      const places = Math.round(n);
      return `${places} ${places === 1 ? 'place' : 'places'} ${more ? 'more' : 'fewer'} for what waits`;
    }),
    differs(to.leadDays - from.leadDays, 0.05, (n, more) => {
      const days = n.toFixed(1);
      return `${days} ${days === '1.0' ? 'day' : 'days'} ${more ? 'more' : 'less'} from the first start to the last step`;
    }),
  ].filter((part) => part !== null);
  return parts.length === 0 ? 'The two come to the same.' : `The second takes ${parts.join(', ')}.`;
}

const differs = (by: number, least: number, words: (n: number, more: boolean) => string): string | null =>
  Math.abs(by) < least ? null : words(Math.abs(by), by > 0);
