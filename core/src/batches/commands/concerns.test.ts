import { expect, test } from '@jest/globals';
import { Answers, Rows, type AnyCommandKind, type Ask } from '../../ledger/index.ts';
import type { HouseFactory } from '../../ledger.ts';
import { piecesOf } from '../../test/parts.ts';
import { Instrument, Piece } from '../batch.ts';
import * as commands from './index.ts';

// What each act is about, kept still while it is judged, and what is read besides.

const told = (asks: readonly Ask[]) => asks.map(({ kind, field, values }) => `${kind.name} ${field} ${[...values].join()}`.trim());
function concerns(name: keyof typeof commands, said: object, known = new Rows()) {
  const kind = commands[name] as unknown as AnyCommandKind<HouseFactory>;
  const { about, reads } = kind.concerns({ batchId: 'B1', ...said }, new Answers());
  return [told(about), told(reads?.(known) ?? [])];
}

test.each<[keyof typeof commands, object, string[], string[]]>([
  ['PauseWork', {}, ['batch id B1'], []],
  ['JoinParts', { guestBatchIds: ['B2', 'B3'] }, ['batch id B1,B2,B3'], []],
  ['MergeBatches', { fromBatchId: 'B2' }, ['batch id B1,B2'], []],
  ['RefitInstruments', { neckBatchId: 'B2' }, ['batch id B1,B2'], ['instrument serial', 'piece id']],
  ['PartInstruments', {}, ['batch id B1'], ['instrument serial', 'piece id']],
  ['CallBatch', { orderId: null }, ['batch id B1'], ['customer_order id']],
  ['CallBatch', { orderId: 'O1' }, ['batch id B1'], ['customer_order id O1']],
  ['UndoEntry', {}, ['batch id B1'], ['visit batchId B1', 'defect batchId B1']],
])('%s %j', (name, said, about, reads) => {
  expect(concerns(name, said)).toEqual([
    about.map((a) => a.replace('customer_order', 'order')),
    reads.map((r) => r.replace('customer_order', 'order')),
  ]);
});

test('the halves of instruments are found by the serials of the pieces, and the pieces of the instruments that are known', () => {
  const rows = new Rows();
  for (const [i, piece] of piecesOf(2).entries()) rows.load(Piece, { ...piece, serial: i === 0 ? 'S1' : null });
  rows.load(Instrument, { serial: 'S1', bodyId: 'B1-01', neckId: 'B2-01' } as Instrument);
  rows.load(Instrument, { serial: 'S2', bodyId: 'B3-01', neckId: null } as Instrument);
  expect(concerns('PartInstruments', {}, rows)[1]).toEqual(['instrument serial S1', 'piece id S1,B1-01,B2-01,S2,B3-01']);
});
