import { livePieces, pieceInRig, rigStepOf, stayFor, type Batch, type Piece, type RigHour } from '../batches/index.ts';
import { ceilingOf, suits } from '../carriers/index.ts';
import type { TemperatureSample } from '../climate/index.ts';
import type { Factory, RigCarrier } from '../factory/index.ts';
import type { WorkingTime } from '../maths/index.ts';
import { onward, operationOf, type Operation } from '../routing/index.ts';
import { bringsOf, closingsOf, loadsIn, type Brings, type Closing, type Coming, type LoadIn } from '../rigs/index.ts';
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

/** A batch of which pieces could go in now. */
export interface ForRig {
  batchId: string;
  pieces: number;
  /** it waits at the rig, or is being glued for it */
  isGlued: boolean;
  dueMs: number | null;
  /** so many of them fit now */
  fits: number;
}

/** A rig, what is in it, and what it needs. */
export interface RigAhead {
  rig: RigCarrier;
  loads: readonly LoadIn[];
  /** places with nothing in them; none while it is closed over all */
  free: number;
  /** what could go in now, the earliest due first */
  waiting: readonly ForRig[];
  /** what will come to it */
  coming: readonly Coming[];
  /** when to close what is open and not full, the best first; nothing where nothing is open */
  closings: readonly Closing[];
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

/** What comes later than this does not keep a load open. */
const COMING_MS = DAY_MS;

/** Every rig in use: what is in it, what could go in, and what it waits for. */
export function rigsAhead(asked: RigsAsked, factory: Factory): RigAhead[] {
  const { batches, pieces, nowMs } = asked;
  const byBatch = new Map(batches.map((b) => [b.id, b]));
  const there = pieces.flatMap(pieceInRig);
  const outside = outsideOf(batches, pieces, factory);
  const day = dayOf(asked);
  return factory.rigs.map((rig) => {
    const inIt = there.filter((p) => p.stay.rigId === rig.id);
    const loads = loadsIn(inIt, nowMs, asked.temperatures.get(rig.zoneId) ?? []);
    const closed = loads.some((l) => l.place === null && l.closedMs !== null);
    const free = closed ? 0 : rig.places - inIt.length;
    const waiting = outside
      .filter(({ step, batch }) => step.rig && suits(rig, step.rig, batch.modelId))
      .map(({ batch, count, isGlued }): ForRig => ({ batchId: batch.id, pieces: count, isGlued, dueMs: batch.dueMs, fits: Math.min(count, free) }))
      .sort((a, b) => Number(a.isGlued) - Number(b.isGlued) || (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
    const coming = comingTo(rig, asked, factory);
    const usualMinutes = usualMinutesOf(rig, factory, nowMs);
    const ceilingAnHour =
      usualMinutes === null
        ? null
        : ceilingOf({ cycle: rig.rig.cycle, places: rig.places, tables: 1, dwellMinutes: usualMinutes, handsMinutes: rig.rig.handsMinutes }).piecesAnHour;
    const open = loads.find((l) => l.place === null && l.closedMs === null);
    const counts = new Map<string, number>();
    for (const { batchId } of inIt) counts.set(batchId, (counts.get(batchId) ?? 0) + 1);
    return {
      rig,
      loads,
      free,
      waiting,
      coming,
      closings: open && usualMinutes !== null ? closingsFor(rig, open, coming, nowMs) : [],
      brings: bringsOf(
        [...counts].flatMap(([id, count]) => {
          const batch = byBatch.get(id);
          return batch ? [{ batch, pieces: count }] : [];
        }),
        factory,
        day.ms,
      ),
      usualMinutes,
      ceilingAnHour,
      outToday: asked.hours.reduce((sum, h) => sum + (h.rigId === rig.id ? h.pieces : 0), 0),
      couldToday: ceilingAnHour === null ? null : (ceilingAnHour * day.goneMs) / HOUR_MS,
    };
  });
}

function closingsFor(rig: RigCarrier, open: LoadIn, coming: readonly Coming[], nowMs: number): Closing[] {
  const laws = open.pieces.flatMap((p) => p.stay.laws?.out ?? []);
  const dwellMinutes = Math.max(0, ...laws.map((l) => l.minutes));
  return closingsOf({ pieces: open.pieces.length, places: rig.places, dwellMinutes, handsMinutes: rig.rig.handsMinutes }, coming, nowMs);
}

/** Pieces that are glued, or being glued, and in no rig yet. */
function outsideOf(batches: readonly Batch[], pieces: readonly Piece[], factory: Factory): { batch: Batch; step: Operation; count: number; isGlued: boolean }[] {
  return batches.flatMap((batch) => {
    const operation = factory.operationAt(batch);
    const step = rigStepOf(factory.routeOf(batch), operation, batch);
    if (!step) return [];
    const own = livePieces(pieces.filter((p) => p.batchId === batch.id));
    const count = own.filter((p) => p.inRig === null && stayFor(p.stay, step.id) === null).length;
    return count === 0 ? [] : [{ batch, step, count, isGlued: step.id !== operation.id }];
  });
}

/** What is a step before it and has not been begun, or is being glued: when it comes, if nothing holds it up. */
function comingTo(rig: RigCarrier, { batches, nowMs, time }: RigsAsked, factory: Factory): Coming[] {
  return batches
    .flatMap((batch): Coming[] => {
      if (batch.status === 'held' || batch.status === 'done') return [];
      const route = factory.routeOf(batch);
      const operation = factory.operationAt(batch);
      const next = onward(route, operation, batch.component);
      const step = next === undefined ? undefined : operationOf(route, next);
      if (operation.rig || !step?.rig || !suits(rig, step.rig, batch.modelId)) return [];
      const atMs = forecastRoute(route, batch, nowMs, time, factory).find((f) => f.operation.id === step.id)?.arriveMs;
      return atMs === undefined || atMs > nowMs + COMING_MS ? [] : [{ batchId: batch.id, pieces: batch.quantity, atMs }];
    })
    .sort((a, b) => a.atMs - b.atMs);
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
