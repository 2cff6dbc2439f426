import { livePieces, pieceInRig, rigStepOf, stayFor, type Batch, type Piece, type RigHour } from '../batches/index.ts';
import { ceilingOf, suits, TOGETHER } from '../carriers/index.ts';
import type { TemperatureSample } from '../climate/index.ts';
import type { Factory, RigCarrier } from '../factory/index.ts';
import type { WorkingTime } from '../maths/index.ts';
import { pathFrom, type Operation } from '../routing/index.ts';
import { bringsOf, closeBy, closingsOf, loadsIn, type Brings, type Closing, type Coming, type LoadIn } from '../rigs/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { forecastRoute } from './forecast.ts';

/** All that is looked at to say what rigs do and need. */
export interface RigsAsked {
  /** batches in work */
  batches: readonly Batch[];
  /** pieces of those that are in a rig, wait for one or are being glued for one */
  pieces: readonly Piece[];
  /** how warm each room has been lately */
  temperatures: ReadonlyMap<string, readonly TemperatureSample[]>;
  /** what came out of rigs since the day began */
  hours: readonly RigHour[];
  nowMs: number;
  /** working time around now */
  time: WorkingTime;
}

/** A batch for a rig: it waits at it, is being glued, or is next to be. */
export interface ForRig {
  batchId: string;
  /** pieces that are in no rig yet */
  pieces: number;
  state: 'waits' | 'being glued' | 'to be glued';
  /** when it came to where it is */
  sinceMs: number;
  dueMs: number | null;
  /** so many of them fit now */
  fits: number;
}

/** The next load of what is closed over all, where what is there does not fill it. */
export interface NextLoad {
  /** pieces that are there now: in it while it is open, or waiting at it */
  pieces: number;
  /** since when the first of them */
  sinceMs: number | null;
  /** when to close it: at once, or after some of those who come, the least waiting first */
  closings: readonly Closing[];
}

/** A rig, what is in it, and what it needs. */
export interface RigAhead {
  rig: RigCarrier;
  loads: readonly LoadIn[];
  /** places with nothing in them; none while it is closed over all */
  free: number;
  /** by when it must be closed, before the glue in it skins over; null where it is closed, or nobody says */
  closeByMs: number | null;
  /** what could go in, the nearest first, then the earliest due */
  waiting: readonly ForRig[];
  /** what is being glued for it or will be within three days, and when it comes */
  coming: readonly Coming[];
  /** null where it has timers for its places, another of its kind is filled first, or nothing is there or comes */
  nextLoad: NextLoad | null;
  /** what what is in it brings to the next bench */
  brings: readonly Brings[];
  /** how long a piece is usually under pressure in it: the longest of what is made now; null where nothing uses it */
  usualMinutes: number | null;
  /** the most it gives in an hour, tended by one person; null where nothing uses it */
  ceilingAnHour: number | null;
  /** pieces that came out since the day began, and the most that could have */
  outToday: number;
  couldToday: number | null;
}

/** What comes later than this keeps no load waiting. */
const COMING_MS = 3 * DAY_MS;
/** A rig further off than so many steps is not looked for. */
const STEPS_AHEAD = 4;

const NEAREST: Readonly<Record<ForRig['state'], number>> = { waits: 0, 'being glued': 1, 'to be glued': 2 };

/** Every rig in use: what is in it, what could go in, and what it waits for. */
export function rigsAhead(asked: RigsAsked, factory: Factory): RigAhead[] {
  const { pieces, nowMs } = asked;
  const byBatch = new Map(asked.batches.map((b) => [b.id, b]));
  const there = pieces.flatMap(pieceInRig);
  const heading = headingForRigs(asked, factory);
  const day = dayOf(asked);
  const all = factory.rigs.map((rig): RigAhead => {
    const inIt = there.filter((p) => p.stay.rigId === rig.id);
    const loads = loadsIn(inIt, nowMs, asked.temperatures.get(rig.zoneId) ?? []);
    const free = isClosed(loads) ? 0 : rig.places - inIt.length;
    const own = heading.filter(({ step, batch }) => step.rig && suits(rig, step.rig, batch.modelId));
    const waiting = own
      .flatMap(({ batch, count, state }): ForRig[] =>
        state === 'comes'
          ? []
          : [{ batchId: batch.id, pieces: count, state, sinceMs: batch.arrivedMs, dueMs: batch.dueMs, fits: Math.min(count, free) }],
      )
      .sort((a, b) => NEAREST[a.state] - NEAREST[b.state] || (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
    const coming = own
      .flatMap(({ batch, count, atMs, state }) => (state === 'waits' ? [] : [{ batchId: batch.id, pieces: count, atMs }]))
      .sort((a, b) => a.atMs - b.atMs);
    const usualMinutes = usualMinutesOf(rig, factory, nowMs);
    const { cycle, handsMinutes } = rig.rig;
    const ceilingAnHour =
      usualMinutes === null
        ? null
        : ceilingOf({ cycle, places: rig.places, tables: 1, dwellMinutes: usualMinutes, handsMinutes }).piecesAnHour;
    const counts = new Map<string, number>();
    for (const { batchId } of inIt) counts.set(batchId, (counts.get(batchId) ?? 0) + 1);
    const held = [...counts].flatMap(([id, count]) => {
      const batch = byBatch.get(id);
      return batch ? [{ batch, pieces: count }] : [];
    });
    return {
      rig,
      loads,
      free,
      closeByMs: closeBy(inIt),
      waiting,
      coming,
      nextLoad: null,
      brings: bringsOf(held, factory, day.ms),
      usualMinutes,
      ceilingAnHour,
      outToday: asked.hours.reduce((sum, h) => sum + (h.rigId === rig.id ? h.pieces : 0), 0),
      couldToday: ceilingAnHour === null ? null : (ceilingAnHour * day.goneMs) / HOUR_MS,
    };
  });
  const filled = filledFirst(all, nowMs);
  return all.map((ahead) => (filled.has(ahead.rig.id) ? { ...ahead, nextLoad: nextLoadOf(ahead, nowMs) } : ahead));
}

const isClosed = (loads: readonly LoadIn[]) => loads.some((l) => l.place === null && l.closedMs !== null);

/** When it can be filled, or filled further. */
const freeFrom = ({ loads }: Pick<RigAhead, 'loads'>, nowMs: number): number =>
  isClosed(loads) ? Math.max(nowMs, ...loads.map((l) => l.pressed?.freeMs ?? Infinity)) : nowMs;

/** Of rigs that are alike, the one that is filled next: one that is open, or that is free first. */
function filledFirst(all: readonly RigAhead[], nowMs: number): Set<string> {
  const first = new Map<string, RigAhead>();
  const isBefore = (a: RigAhead, b: RigAhead) =>
    freeFrom(a, nowMs) < freeFrom(b, nowMs) || (freeFrom(a, nowMs) === freeFrom(b, nowMs) && openPieces(a) > openPieces(b));
  for (const ahead of all) {
    const { kind, outline, rig } = ahead.rig;
    if (rig.cycle !== TOGETHER) continue;
    const alike = `${kind} ${outline ?? ''} ${rig.stationCode}`;
    const known = first.get(alike);
    if (!known || isBefore(ahead, known)) first.set(alike, ahead);
  }
  return new Set([...first.values()].map((ahead) => ahead.rig.id));
}

const openPieces = ({ loads }: Pick<RigAhead, 'loads'>): number =>
  isClosed(loads) ? 0 : loads.reduce((sum, l) => sum + l.pieces.length, 0);

/** What lies open in it or waits at it, and who else comes, while what is there does not fill its places. */
function nextLoadOf(ahead: RigAhead, nowMs: number): NextLoad | null {
  const { rig, loads, waiting, coming, usualMinutes, closeByMs } = ahead;
  const atIt = waiting.filter((w) => w.state === 'waits');
  const pieces = openPieces(ahead) + atIt.reduce((sum, w) => sum + w.pieces, 0);
  if (usualMinutes === null || pieces >= rig.places || (pieces === 0 && coming.length === 0)) return null;
  const since = [...(isClosed(loads) ? [] : loads.map((l) => l.fromMs)), ...atIt.map((w) => w.sinceMs)];
  const load = { pieces, places: rig.places, dwellMinutes: usualMinutes, handsMinutes: rig.rig.handsMinutes, closeByMs };
  const freeMs = freeFrom(ahead, nowMs);
  return {
    pieces,
    sinceMs: since.length === 0 ? null : Math.min(...since),
    closings: freeMs === Infinity ? [] : closingsOf(load, coming, freeMs),
  };
}

interface Heading {
  batch: Batch;
  /** where it is pressed */
  step: Operation;
  count: number;
  state: ForRig['state'] | 'comes';
  /** when it comes to its rig, if nothing holds it up */
  atMs: number;
}

/** Every batch that is pressed next: at its rig, at the step before, or on its way to that within days. */
function headingForRigs({ batches, pieces, nowMs, time }: RigsAsked, factory: Factory): Heading[] {
  return batches.flatMap((batch): Heading[] => {
    if (batch.status === 'held' || batch.status === 'done') return [];
    const route = factory.routeOf(batch);
    const operation = factory.operationAt(batch);
    const path = pathFrom(route, operation.id).slice(0, STEPS_AHEAD + 1);
    const at = path.findIndex((o) => o.rig !== undefined);
    const step = path[at];
    if (!step) return [];
    const goesIn = rigStepOf(route, operation, batch) !== null;
    const own = goesIn ? livePieces(pieces.filter((p) => p.batchId === batch.id)) : [];
    const count = goesIn ? own.filter((p) => p.inRig === null && stayFor(p.stay, step.id) === null).length : batch.quantity;
    if (count === 0 || (at === 0 && !goesIn)) return [];
    if (at === 0) return [{ batch, step, count, state: 'waits', atMs: nowMs }];
    const atMs = forecastRoute(route, batch, nowMs, time, factory).find((f) => f.operation.id === step.id)?.arriveMs ?? Infinity;
    if (atMs > nowMs + COMING_MS) return [];
    return [{ batch, step, count, state: goesIn ? 'being glued' : at === 1 && batch.status === 'queued' ? 'to be glued' : 'comes', atMs }];
  });
}

/** The longest that anything made now is pressed in it. */
function usualMinutesOf(rig: RigCarrier, factory: Factory, atMs: number): number | null {
  const minutes = [...factory.setUp.models.keys()].flatMap((modelId) =>
    (factory.routeInForce(modelId, atMs)?.operations ?? []).flatMap((o) => {
      if (!o.rig || !suits(rig, o.rig, modelId)) return [];
      return o.gate.flatMap((rule) => (rule.kind === 'pressed' ? (factory.lawsOf(rule)?.out ?? []) : [])).map((law) => law.minutes);
    }),
  );
  return minutes.length === 0 ? null : Math.max(...minutes);
}

/** An ordinary day's working time, and how much of today's has gone. */
function dayOf({ time, nowMs }: RigsAsked): { ms: number; goneMs: number } {
  const today = time.windows.filter((w) => w.fromMs <= nowMs && w.fromMs > nowMs - DAY_MS);
  const lengths = time.windows.map((w) => w.toMs - w.fromMs);
  return {
    ms: Math.max(0, ...lengths),
    goneMs: today.reduce((sum, w) => sum + Math.min(nowMs, w.toMs) - w.fromMs, 0),
  };
}
