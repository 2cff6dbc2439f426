import { describe, expect, test } from '@jest/globals';
import { judge, NOT_ANSWERED, Rows } from '../../ledger/index.ts';
import { LEDGER } from '../../ledger.ts';
import { testFactory } from '../../test/factory.ts';
import { Blank, Lot } from '../index.ts';
import { JoinBlanks } from './joinBlanks.ts';

const blank = (id: string, over: Partial<Blank> = {}): Blank => ({
  id,
  lotId: 'L1',
  boardId: 'L1-1',
  modelId: 'short',
  component: 'body',
  lengthMm: 520,
  widthMm: 178,
  thicknessMm: 45,
  setId: 'L1-1 body',
  look: 'clear',
  massG: 1900,
  moisturePct: 8,
  orderId: null,
  state: 'free',
  pieceId: null,
  version: 3,
  ...over,
});
const factory = testFactory(new Map(), []);
function joined(blanks: readonly Blank[], over: object = {}) {
  const rows = new Rows();
  for (const row of blanks) rows.load(Blank, row);
  rows.load(Lot, { id: 'L1', version: 1 } as Lot);
  const request = { blankIds: blanks.map((b) => b.id), jointMm: 2, ...over };
  const sight = { rows, factory, nowMs: 5, by: { personId: 'ann', role: 'operator' as const } };
  const decision = judge(JoinBlanks, request, sight, () => NOT_ANSWERED);
  return { rows, decision, said: decision.kind === 'accept' ? 'joined' : decision.because.map((f) => f.sentence).join() };
}

describe('blanks joined edge to edge', () => {
  test('are one blank as long as the shortest, as wide as both less the joint, to be weighed anew', () => {
    const { rows, decision } = joined([blank('L1-1.1'), blank('L1-1.2', { lengthMm: 515, look: 'solid', massG: 2000 })]);
    if (decision.kind === 'refuse') throw new Error('refused');
    for (const entry of decision.entries)
      LEDGER.apply(rows, { atMs: 5, personId: 'ann', batchId: null, serial: null, lotId: null, schemaVersion: 1, ...entry }, factory);
    expect(rows.get(Blank, 'L1-1.1J')).toMatchObject({
      lengthMm: 515,
      widthMm: 354,
      thicknessMm: 45,
      look: 'solid',
      massG: null,
      moisturePct: null,
      state: 'free',
      version: 1,
    });
    expect(['L1-1.1', 'L1-1.2'].map((id) => rows.get(Blank, id).state)).toEqual(['joined', 'joined']);
  });
  test.each<[string, Blank[], object, string]>([
    ['one alone', [blank('a')], {}, 'Two to 8 blanks are joined'],
    ['one twice', [blank('a')], { blankIds: ['a', 'a'] }, 'A blank is named twice'],
    ['what has become a piece', [blank('a'), blank('b', { state: 'started', pieceId: 'B7-01' })], {}, 'Blank b has become B7-01'],
    ['what is joined already', [blank('a'), blank('b', { state: 'joined' })], {}, 'Blank b has been joined to others'],
    ['what an order keeps', [blank('a'), blank('b', { orderId: 'O1' })], {}, 'Blank b is kept for O1'],
    ['what is of two lots', [blank('a'), blank('b', { lotId: 'L2' })], {}, 'Blank b is of lot L2, a of lot L1'],
    ['by a joint that eats them', [blank('a'), blank('b')], { jointMm: 178 }, 'Jointing takes more than it leaves'],
  ])('not %s', (_, blanks, over, said) => {
    expect(joined(blanks, over).said).toBe(said);
  });
});
