import { arrive, Batch, goneOn, Instrument, newBatch, Piece, sameOrder } from '../batches/index.ts';
import { entryKind } from '../ledger/index.ts';
import { onward, operationOf, type Routes } from '../routing/index.ts';
import type { PairChoice } from './pairing.ts';
import { SerialCount } from './serialCount.ts';

export interface Fitted {
  number: number;
  bodyBatchId: string;
  neckBatchId: string | null;
  pairs: (PairChoice & { serial: string; clearanceMm: number | null })[];
  /** the stretch of the sequence the serials are of, and how many it had given before; not told by the oldest entries */
  serials?: SerialCount;
}

export const InstrumentsFitted = entryKind('instruments.fitted')<Fitted, Routes>({
  apply(rows, entry, routes) {
    const { number, bodyBatchId, neckBatchId, pairs, serials } = entry.payload;
    const body = rows.get(Batch, bodyBatchId);
    const neck = neckBatchId === null ? null : rows.get(Batch, neckBatchId);
    const route = routes.routeOf(body);
    const id = `B${number}`;
    if (serials) rows.put(SerialCount, { ...serials, given: serials.given + pairs.length });
    pairs.forEach((pair, i) => {
      const bodyPiece = rows.change(Piece, pair.bodyId, { state: 'fitted', serial: pair.serial });
      if (pair.neckId !== null) rows.change(Piece, pair.neckId, { state: 'fitted', serial: pair.serial });
      rows.put(Piece, {
        id: pair.serial,
        batchId: id,
        component: 'instrument',
        modelId: body.modelId,
        ordinal: i + 1,
        state: 'good',
        lotId: bodyPiece.lotId,
        blankId: bodyPiece.blankId,
        serial: pair.serial,
        intoId: null,
        setId: null,
        grit: bodyPiece.grit,
        coats: bodyPiece.coats,
        lastCoat: bodyPiece.lastCoat,
        inRig: null,
        stay: null,
        bareMs: bodyPiece.bareMs,
        wipedMs: null,
        trail: [{ batchId: id, fromMs: entry.atMs }],
        bodyFromMs: bodyPiece.bodyFromMs,
        outMs: null,
      });
      rows.put(Instrument, {
        serial: pair.serial,
        modelId: body.modelId,
        orderId: body.orderId,
        batchId: id,
        bodyId: pair.bodyId,
        neckId: pair.neckId,
        clearanceMm: pair.clearanceMm,
        state: 'in work',
        startedMs: Math.min(body.startedMs, neck?.startedMs ?? body.startedMs),
        fittedMs: entry.atMs,
        shippedMs: null,
        consignee: null,
        shipper: null,
        version: 1,
      });
    });
    const after = operationOf(route, onward(route, operationOf(route, body.operationId)) ?? body.operationId);
    arrive(
      rows,
      newBatch({ id, number, component: 'instrument', quantity: pairs.length, startedMs: entry.atMs, ...sameOrder(body) }),
      after,
      entry.atMs,
    );
    for (const batch of [body, neck]) if (batch) goneOn(rows, batch.id, pairs.length, entry.atMs);
  },
  sentence: ({ payload }) =>
    `Fitted: ${payload.pairs.map((p) => `${p.bodyId}${p.neckId === null ? '' : ` + ${p.neckId}`} = ${p.serial}`).join(', ')}`,
});
