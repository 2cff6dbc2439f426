import { describe, expect, test } from '@jest/globals';
import type { PlacedBlank } from '@ample-crane/core';
import { aBlank, aBoard, aLot, aLotCard } from '../test/lot.ts';
import { render, wordsOf } from '../test/render.tsx';
import { BoardDrawing } from './BoardDrawing.tsx';
import { LotTree } from './LotTree.tsx';
import { NewPlan } from './NewPlan.tsx';
import { PlanDesk } from './PlanDesk.tsx';

const SETTINGS = { kerfMm: 4, edgingMm: 5, endTrimMm: 30, planingMm: 3, resawKerfMm: 2 };
const WANT = {
  id: 'Weirstone body O7',
  modelId: 'weirstone',
  component: 'body',
  orderId: 'O7',
  lengthMm: 1050,
  widthMm: 178,
  thicknessMm: 50,
  leavesEach: 0,
  count: 3,
  value: 9,
};
const at = (xMm: number): PlacedBlank => ({ blankId: WANT.id, xMm, yMm: 5, lengthMm: 1050, widthMm: 178, pieces: 1 });

describe('what became of a lot', () => {
  const tree = (card: Parameters<typeof aLotCard>[0]) => wordsOf(render(<LotTree card={aLotCard(card)} />));
  test('nothing yet', () => {
    expect(tree({})).toMatch(/No board has been measured and no batch cut/);
  });
  test('leads from board to blank to piece to instrument', () => {
    const said = tree({
      boards: [aBoard({ state: 'cut' }), aBoard({ id: 'L118-2', ordinal: 2 })],
      blanks: [aBlank({ state: 'started', pieceId: 'B40-01', serial: '26100WS001' }), aBlank({ id: 'L118-1.2', orderId: 'O9' })],
    });
    expect(said).toMatch(/1 board measured and whole: *plan a cut/);
    expect(said).toMatch(/L118-1 2300 × 210 × 55 mm.*L118-1\.1 body of Weirstone, 4900 g → B40-01 → 26100WS001/);
    expect(said).toMatch(/L118-1\.2 body of Weirstone, 4900 g · in stock, kept for O9/);
  });
  test('tells batches cut by volume apart from those of blanks', () => {
    const batch = (batchId: string) => ({ batchId, modelName: 'Weirstone', component: 'body', startedMs: 0 });
    const said = tree({
      batches: [batch('B40'), batch('B41')],
      boards: [aBoard({ state: 'cut' })],
      blanks: [aBlank({ state: 'started', pieceId: 'B40-01' })],
      serials: ['26100WS001'],
    });
    expect(said).toMatch(/Cut by volume: B41/);
    expect(said).not.toMatch(/Cut by volume: B40/);
    expect(said).toMatch(/In 1 instrument: 26100WS001/);
  });
});

describe('a board drawn', () => {
  const draw = (placed: PlacedBlank[], onChange?: () => void) =>
    render(<BoardDrawing board={aBoard()} placed={placed} settings={SETTINGS} nameOf={(id) => id} {...(onChange ? { onChange } : {})} />);
  test('says what lies on it, and why it cannot be cut so', () => {
    expect(wordsOf(draw([]))).toMatch(/2300 × 210\/205 × 55 mm · grade A · nothing laid on it/);
    expect(wordsOf(draw([at(30), at(1084)]))).not.toMatch(/room for the saw|end trim/);
    expect(wordsOf(draw([at(30), at(1082)]))).toMatch(/no room for the saw/);
    expect(wordsOf(draw([at(10)]))).toMatch(/end trim/);
  });
  test('names each blank for those who cannot see it, and lets only those move them who may', () => {
    expect(draw([at(30)], () => undefined)).toMatch(/role="button" aria-label="Weirstone body O7 at 30, 5 mm"/);
    expect(draw([at(10)])).toMatch(/role="img" aria-label="Weirstone body O7 at 10, 5 mm, not as it lies"/);
  });
});

describe('the plan desk', () => {
  const desk = (plans: { boardId: string; placed: PlacedBlank[] }[], role: 'viewer' | 'operator' = 'operator') =>
    wordsOf(render(<PlanDesk lotIds={['L118']} boards={[aBoard()]} settings={SETTINGS} wanted={[WANT]} plans={plans} />, { role }));
  test('begins with what is wanted and what there is', () => {
    expect(desk([])).toMatch(/1 board to choose from; 3 blanks are wanted.*Plan the cuts/);
  });
  test('counts what a plan gives, and its yield', () => {
    expect(desk([{ boardId: 'L118-1', placed: [at(30), at(1084)] }])).toMatch(/2 of 3 blanks from 1 board; yield 71 %.*Plan anew/);
  });
  test('tells what cannot be cut before it is kept', () => {
    expect(desk([{ boardId: 'L118-1', placed: [at(5)] }])).toMatch(/What lies on L118-1 cannot be cut so/);
  });
  test('is only looked at by a viewer', () => {
    expect(desk([], 'viewer')).not.toMatch(/Plan the cuts|Keep the plan/);
  });
});

describe('a new plan', () => {
  const view = { settings: SETTINGS, plans: [], needs: [], whole: [aBoard()] };
  const begin = (over: object = {}, lots = [aLot({ state: 'released' })]) =>
    wordsOf(render(<NewPlan view={{ ...view, ...over }} lots={lots} lotId={null} />, { role: 'operator' }));
  test('begins with the wood that has boards', () => {
    expect(begin()).toMatch(/No open order asks for blanks of mahogany for body; say how many to cut for stock.*L118, 1 board/);
    const need = { ...WANT, modelName: 'Weirstone', species: 'mahogany', use: 'body', dueMs: null };
    expect(begin({ needs: [need] })).toMatch(/Weirstone body O7.*1050 × 178 × 50/);
  });
  test('says what to do when no board was measured', () => {
    expect(begin({ whole: [] })).toMatch(/No released lot has measured boards/);
  });
});
