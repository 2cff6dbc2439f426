import { entryKind } from '../../ledger/index.ts';
import { onward, operationOf, type Routes } from '../../routing/index.ts';
import { Batch, Instrument, Piece, batchIdOf } from '../batch.ts';
import { goneOn, sameOrder } from './goneOn.ts';
import { arrive, joinBatch, newBatch } from './rows.ts';

export interface Refitted {
  operationId: string;
  number: number;
  bodyBatchId: string;
  neckBatchId: string;
  serials: readonly string[];
}

/** Each body and its own neck are an instrument again. */
export const InstrumentsRefitted = entryKind('instruments.refitted')<Refitted, Routes>({
  apply(rows, entry, routes) {
    const { operationId, number, bodyBatchId, neckBatchId, serials } = entry.payload;
    const body = rows.get(Batch, bodyBatchId);
    const route = routes.routeOf(body);
    const id = batchIdOf(number);
    for (const serial of serials) {
      const instrument = rows.change(Instrument, serial, { batchId: id });
      const { coats, lastCoat, bareMs } = rows.change(Piece, instrument.bodyId, { state: 'fitted' });
      rows.change(Piece, instrument.neckId, { state: 'fitted' });
      joinBatch(rows, rows.get(Piece, serial), id, entry.atMs, { state: 'good', coats, lastCoat, bareMs });
    }
    for (const batchId of [bodyBatchId, neckBatchId]) goneOn(rows, batchId, serials.length, entry.atMs);
    const next = onward(route, operationOf(route, operationId));
    const made = newBatch({ id, number, component: 'instrument', quantity: serials.length, startedMs: body.startedMs, ...sameOrder(body) });
    if (next !== undefined) arrive(rows, made, operationOf(route, next), entry.atMs);
  },
  sentence: ({ payload }) => `Fitted again: ${payload.serials.join(', ')}`,
});
