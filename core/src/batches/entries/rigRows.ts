import type { RigStay } from '../../carriers/index.ts';
import type { Rows } from '../../ledger/index.ts';
import { Piece } from '../batch.ts';
import { hourOf } from '../flowTallies.ts';
import { RigHour } from '../rigHour.ts';

/** A piece comes out of the rig it is in. */
export function comeOut(rows: Rows, piece: Piece, atMs: number, how: Partial<Pick<RigStay, 'early' | 'left'>> = {}): void {
  const { stay } = piece;
  if (stay === null) return;
  if (stay.outMs === null && stay.closedMs !== null) {
    const hour = hourOf(atMs);
    const placeSeconds = Math.round((atMs - stay.inMs) / 1000);
    rows.add(RigHour, { id: `${stay.rigId} ${hour}`, rigId: stay.rigId, hour, pieces: 1, placeSeconds });
  }
  rows.amend(Piece, piece, { inRig: null, stay: { ...stay, outMs: stay.outMs ?? atMs, ...how } });
}

/** A piece's time in a rig for a step is over and done with: it has gone on from there, or back. */
export function doneInRig(rows: Rows, piece: Piece, atMs: number): void {
  if (piece.stay?.left === false) comeOut(rows, piece, atMs, { left: true });
}

/** What counted for a step counts for it again. */
export function backInStep(rows: Rows, piece: Piece, operationId: string): void {
  if (piece.stay?.left === true && piece.stay.operationId === operationId)
    rows.amend(Piece, piece, { stay: { ...piece.stay, left: false } });
}
