import { Batch, Order, Piece } from '@ample-crane/core';
import { describe, expect, test } from '@jest/globals';
import { topicsOf } from './topics.ts';

const rows = (count: number, name: string) => Array.from({ length: count }, (_, i) => ({ id: `${name}${i + 1}` }));
const touched = (kind: object, many: readonly object[], gone: string[] = []) => ({ kind: kind as never, rows: many, gone });

describe('what a command is told to have changed', () => {
  test('kinds of row with their keys, those that are gone among them', () => {
    const told = topicsOf([touched(Batch, rows(2, 'B')), touched(Order, []), touched(Piece, [], ['B1-01'])], [{ kind: 'batch.moved' }]);
    expect(told).toEqual({ batch: ['B1', 'B2'], piece: ['B1-01'] });
  });
  test('of many, the kind alone', () => {
    expect(topicsOf([touched(Piece, rows(40, 'P')), touched(Batch, rows(1, 'B'))], [])).toEqual({ piece: null, batch: ['B1'] });
  });
  test('never more than a notification holds, however long keys are', () => {
    const long = rows(12, 'x'.repeat(300));
    expect(topicsOf([touched(Piece, long), touched(Batch, rows(1, 'B'))], [])).toEqual({ piece: null, batch: null });
  });
  test('a change of the set-up, which keeps no rows, by its room', () => {
    expect(topicsOf([], [{ kind: 'setup.changed' }])).toEqual({ factory: null });
  });
});
