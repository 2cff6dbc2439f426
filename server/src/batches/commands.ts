import { piecesInPass, Batch, type CarrierUse, type Operation, placementsOf } from '@ample-crane/core';
import type { MeasureEntity } from '../quality/measure.entity.ts';
import type { UnitOfWork } from '../logbook/logbook.service.ts';
import type { WhenDto } from '../platform/http/version.dto.ts';
import { badInput, notFound, stale } from '../platform/problems/problems.ts';
import type { Shop } from '../factory/shop.service.ts';

/** Least role that may pass a gate against its findings. */
export const OVERRIDE_ROLE = 'lead';
/** Least role that may write down work as another's; the logbook names both. */
export const NAMING_ROLE = 'lead';

/** The batch as it is now; a problem if it has moved on since the person looked. */
export function current(unit: UnitOfWork, batchId: string, version: number): Batch {
  const batch = unit.rows.find(Batch, batchId);
  if (!batch) throw notFound('batch', batchId);
  if (batch.version !== version) throw stale(`Batch ${batchId}`, batch);
  return batch;
}

/** How far a device's clock may be out, either way, before what it says is doubted. */
const SKEW_MS = 2 * 60_000;

/** When something happened that is written down now: not later than now, nor before what it rests on. */
export function happenedAt({ atMs }: WhenDto, nowMs: number, { notBeforeMs, because }: { notBeforeMs: number; because: string }): number {
  if (atMs === undefined) return nowMs;
  if (atMs > nowMs + SKEW_MS) throw badInput('atMs', 'That lies in the future');
  if (atMs < notBeforeMs - SKEW_MS) throw badInput('atMs', because);
  return Math.min(Math.max(atMs, notBeforeMs), nowMs);
}

/** The next free number, one command at a time. */
export async function nextNumber(unit: UnitOfWork, table: 'batch' | 'lot' | 'customer_order'): Promise<number> {
  await unit.manager.query('select pg_advisory_xact_lock(hashtext($1))', [`number of ${table}`]);
  const rows: { next: number }[] = await unit.manager.query(`select coalesce(max(number), 0) + 1 as next from ${table}`);
  return rows[0]?.next ?? 1;
}

/** Every carrier in use, and how full it is now. */
export async function carrierUses(unit: UnitOfWork, shop: Shop, batchId: string): Promise<CarrierUse[]> {
  const rows: { id: string; taken: number }[] = await unit.manager.query('select id, taken from carrier where active order by id');
  const own = new Map(placementsOf(unit.rows, batchId).map((p) => [p.carrierId, p.pieces]));
  return rows.flatMap(({ id, taken }) => {
    const carrier = shop.carriers.get(id);
    return carrier ? [{ carrier, taken, own: own.get(id) ?? 0 }] : [];
  });
}

/** Pieces of the pass that lack a measure this step asks for, taken since the batch came to it. */
export function unmeasuredPieces(
  batch: Batch,
  operation: Operation,
  pieces: Parameters<typeof piecesInPass>[1],
  measures: readonly MeasureEntity[],
): string[] {
  const wanted = operation.characteristics ?? [];
  return piecesInPass(batch, pieces)
    .filter(
      (piece) =>
        !wanted.every((c) => measures.some((m) => m.pieceId === piece.id && m.characteristicId === c.id && m.atMs >= batch.arrivedMs)),
    )
    .map((piece) => piece.id);
}
