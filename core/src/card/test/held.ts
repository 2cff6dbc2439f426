import { KitStock } from '../../assembly/index.ts';
import { Batch, CutterUse, Instrument, isWaiting, Job, Machine, Piece, pressedNext, Visit, waitsAheadAt } from '../../batches/index.ts';
import { PlacementRow, suits, takenOn } from '../../carriers/index.ts';
import { Cutter, Program, useIdOf } from '../../machining/index.ts';
import { Measure } from '../../quality/index.ts';
import { RigCount } from '../../rigs/index.ts';
import { programsIn, waysOf } from '../../routing/index.ts';
import type { TestHouse } from '../../test/house.ts';
import { HOUR_MS } from '../../units/index.ts';
import type { Held } from '../heldCard.ts';

/** What a card is told of a batch of a house. */
export function heldOf(house: TestHouse, batchId: string, nowMs = house.nowMs): Held {
  const { rows } = house;
  const batch = rows.get(Batch, batchId);
  const pieces = rows.where(Piece, 'batchId', batchId);
  const stationCodes = [batch.stationCode, ...waysOf(house.operation(batchId)).map((way) => way.stationCode)];
  const warmFromMs = batch.arrivedMs - 96 * HOUR_MS;
  const drawn = house.operation(batchId).draws?.map((d) => d.modelId) ?? [];
  const boxes = rows
    .all(Batch)
    .filter((b) => b.status === 'stocked' && drawn.includes(b.modelId))
    .sort((a, b) => a.arrivedMs - b.arrivedMs || a.number - b.number);
  const step = pressedNext(house.routes.routeOf(batch), house.operation(batchId), batch);
  const rigIds = house.factory.rigs.flatMap((r) => (step?.rig && suits(r, step.rig, batch.modelId) ? [r.id] : []));
  const pressed = rows.all(Piece).filter((p) => p.inRig !== null && rigIds.includes(p.inRig) && p.batchId !== batchId);
  const load = (batch.jobId === null ? [] : rows.get(Job, batch.jobId).shares).map((s) => s.batchId);
  const withIt = [...new Set([...pressed.map((p) => p.batchId), ...load])].filter((id) => id !== batchId);
  const programs = programsIn(house.operation(batchId).needs).map((n) => n.what);
  const cutters = rows.all(Cutter).filter((c) => stationCodes.some((code) => code === c.stationCode));
  return {
    atMs: nowMs,
    batchId,
    rows: {
      batch: [batch, ...boxes, ...withIt.map((id) => rows.get(Batch, id))],
      'rig count': rows.all(RigCount),
      piece: [...pieces, ...pressed, ...boxes.flatMap((b) => rows.where(Piece, 'batchId', b.id))],
      visit: [rows.get(Visit, batch.visitId), ...boxes.map((b) => rows.get(Visit, b.visitId))],
      job: rows.all(Job).filter((j) => j.id === batch.jobId || stationCodes.some((code) => code === j.openAt)),
      placement: [batch, ...boxes].flatMap((b) => rows.where(PlacementRow, 'batchId', b.id)),
      instrument: rows.all(Instrument).filter((i) => i.batchId === batchId),
      'kit stock': rows.all(KitStock),
      program: rows.all(Program).filter((p) => programs.includes(p.what)),
      cutter: cutters,
      'cutter use': cutters.flatMap((c) => rows.find(CutterUse, useIdOf(c)) ?? []),
      machine: rows.all(Machine).filter((m) => stationCodes.includes(m.stationCode)),
      measure: pieces.flatMap((p) => rows.where(Measure, 'pieceId', p.id)),
    },
    taken: Object.fromEntries(house.carriers.map((c) => [c.id, takenOn(rows, c.id)])),
    air: { atMs: nowMs, tempC: 21, relativeHumidity: 0.5 },
    temperatures: Array.from({ length: 1 + Math.ceil((nowMs - warmFromMs) / HOUR_MS) }, (_, i) => ({
      atMs: warmFromMs + i * HOUR_MS,
      tempC: 21,
    })).filter((t) => t.atMs <= nowMs),
    stationCodes,
    rigIds,
    programs,
    waiting: Object.fromEntries(
      waitsAheadAt(house.routes.routeOf(batch), batch).map((code) => [
        code,
        rows
          .all(Batch)
          .filter((b) => b.stationCode === code && isWaiting(b))
          .map((b) => ({ batchId: b.id, pieces: b.quantity })),
      ]),
    ),
    boxIds: boxes.map((b) => b.id),
  };
}
