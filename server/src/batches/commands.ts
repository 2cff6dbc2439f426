import { piecesInPass, Batch, type CarrierUse, type Operation, placementsOf, type Measure } from '@ample-crane/core';
import type { UnitOfWork } from '../logbook/logbook.service.ts';
import { notFound, stale } from '../platform/problems/problems.ts';
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
  measures: readonly Measure[],
): string[] {
  const wanted = operation.characteristics ?? [];
  return piecesInPass(batch, pieces)
    .filter(
      (piece) =>
        !wanted.every((c) => measures.some((m) => m.pieceId === piece.id && m.characteristicId === c.id && m.atMs >= batch.arrivedMs)),
    )
    .map((piece) => piece.id);
}
