import { rowKind, type Rows } from '../ledger/index.ts';
import type { Placement } from './carrier.ts';

/** So many pieces of a batch on a carrier. */
export interface PlacementRow {
  id: string;
  batchId: string;
  carrierId: string;
  pieces: number;
}
export const PlacementRow = rowKind<PlacementRow>('placement', { key: 'id', by: ['batchId', 'carrierId'] });

/** Where a batch sits, in the carriers' order. */
export const placementsOf = (rows: Rows, batchId: string): PlacementRow[] =>
  rows.where(PlacementRow, 'batchId', batchId).sort((a, b) => (a.carrierId < b.carrierId ? -1 : 1));

/** How many places of a carrier are taken by the batches known here. */
export function takenOn(rows: Rows, carrierId: string): number {
  let taken = 0;
  for (const { pieces } of rows.each(PlacementRow, 'carrierId', carrierId)) taken += pieces;
  return taken;
}

/** Where a batch sits from now on. */
export function place(rows: Rows, batchId: string, placements: readonly Placement[]): void {
  const wanted = new Map(placements.map((p) => [p.carrierId, p.pieces]));
  for (const row of placementsOf(rows, batchId)) if (!wanted.has(row.carrierId)) rows.drop(PlacementRow, row.id);
  for (const [carrierId, pieces] of wanted) {
    const id = `${batchId}@${carrierId}`;
    if (rows.find(PlacementRow, id)?.pieces !== pieces) rows.put(PlacementRow, { id, batchId, carrierId, pieces });
  }
}
