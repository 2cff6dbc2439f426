import { entryKind } from '../../ledger/index.ts';
import { onward, operationOf, type Component, type Routes } from '../../routing/index.ts';
import { Batch, Instrument, livePieces, Piece, piecesIn, batchIdOf } from '../batch.ts';
import { goneOn, sameOrder } from './goneOn.ts';
import { arrive, joinBatch, newBatch } from './rows.ts';

/** Bodies and necks go their own ways again; their serial stays with both. */
export const InstrumentsParted = entryKind('instruments.parted')<{ operationId: string; bodyNumber: number; neckNumber: number }, Routes>({
  apply(rows, entry, routes) {
    const batch = rows.get(Batch, entry.batchId);
    const route = routes.routeOf(batch);
    const operation = operationOf(route, entry.payload.operationId);
    const apart = livePieces(piecesIn(rows, batch.id));
    const half = (component: Component, number: number): Batch =>
      newBatch({ id: batchIdOf(number), number, component, quantity: apart.length, startedMs: batch.startedMs, ...sameOrder(batch) });
    const [bodies, necks] = [half('body', entry.payload.bodyNumber), half('neck', entry.payload.neckNumber)];
    for (const piece of apart) {
      const { bodyId, neckId } = rows.get(Instrument, piece.id);
      const [bodyPiece, neckPiece] = [rows.get(Piece, bodyId), rows.get(Piece, neckId)];
      rows.change(Piece, piece.id, { state: 'apart' });
      // Both have got what was sprayed on the whole, which began with the coats of its body.
      const { coats, lastCoat, bareMs } = piece;
      const film = { state: 'good', coats, lastCoat, bareMs } as const;
      joinBatch(rows, bodyPiece, bodies.id, entry.atMs, film);
      // What was sanded off to the wood as a whole has lost what each had before.
      const whole = coats - bodyPiece.coats;
      const own = { state: 'good', coats: neckPiece.coats + whole, lastCoat: whole > 0 ? lastCoat : neckPiece.lastCoat } as const;
      joinBatch(rows, neckPiece, necks.id, entry.atMs, bareMs === bodyPiece.bareMs ? own : film);
    }
    goneOn(rows, batch.id, apart.length, entry.atMs);
    for (const side of [bodies, necks]) {
      const to = onward(route, operation, side.component);
      if (to !== undefined) arrive(rows, side, operationOf(route, to), entry.atMs);
    }
  },
  sentence: ({ payload }) => `Taken apart: bodies ${batchIdOf(payload.bodyNumber)}, necks ${batchIdOf(payload.neckNumber)}`,
});
