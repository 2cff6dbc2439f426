import type { RigLaws } from '../../carriers/index.ts';
import { Batch, changeBatch, Piece } from '../../batches/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { counted } from '../words.ts';
import { loadIdOf, RigCount } from '../rigCount.ts';

export interface Filled {
  rigId: string;
  /** the step it is for */
  operationId: string;
  /** each with the place it takes and the load it belongs to, by its number */
  pieces: readonly { pieceId: string; place: number | null; load: number }[];
  workerId: string;
  /** what they ask for */
  laws: RigLaws;
  /** its time begins at once, and not when the rig is closed over all */
  begins: boolean;
}

/** Pieces of a batch go into a rig. */
export const RigFilled = entryKind('rig.filled')<Filled>({
  apply(rows, { batchId, atMs, payload: { rigId, operationId, pieces, laws, begins } }) {
    const highest = Math.max(rows.find(RigCount, rigId)?.loads ?? 0, ...pieces.map((p) => p.load));
    rows.put(RigCount, { id: rigId, loads: highest });
    for (const { pieceId, place, load } of pieces)
      rows.change(Piece, pieceId, {
        inRig: rigId,
        wipedMs: null,
        stay: {
          rigId,
          loadId: loadIdOf(rigId, load),
          place,
          operationId,
          inMs: atMs,
          closedMs: begins ? atMs : null,
          laws,
          outMs: null,
          early: false,
          left: false,
        },
      });
    changeBatch(rows, rows.get(Batch, batchId).id, {});
  },
  sentence: ({ payload: { rigId, pieces, workerId, begins } }, nameOf) =>
    `${counted(pieces.length)} put in ${nameOf('carrier', rigId)} by ${nameOf('person', workerId)}${begins ? '' : '; its time begins when it is closed'}`,
});
