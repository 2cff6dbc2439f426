import { describe, expect, test } from '@jest/globals';
import type { PlacedBlank } from '@ample-crane/core';
import { aBlank, aBoard, aLot, aLotCard } from '../test/lot.ts';
import { render, wordsOf } from '../test/render.tsx';
import { BoardDrawing } from './BoardDrawing.tsx';
import { boardScale } from './boardScale.ts';
import { LotTree } from './LotTree.tsx';
import { NewPlan } from './NewPlan.tsx';
import { PlanDesk } from './PlanDesk.tsx';
import { laidOn, sent } from './useCarry.ts';

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
  const ACTS = { onChange: () => undefined, onCarry: () => undefined, onLetGo: () => undefined, onSend: () => undefined };
  const draw = (placed: PlacedBlank[], acts?: typeof ACTS) =>
    render(<BoardDrawing board={aBoard()} placed={placed} settings={SETTINGS} acts={acts} />);
  test('says what lies on it, and why it cannot be cut so', () => {
    expect(wordsOf(draw([]))).toMatch(/2300 × 210\/205 × 55 mm · grade A · nothing laid on it/);
    expect(wordsOf(draw([at(30), at(1084)]))).not.toMatch(/room for the saw|end trim/);
    expect(wordsOf(draw([at(30), at(1082)]))).toMatch(/no room for the saw/);
    expect(wordsOf(draw([at(10)]))).toMatch(/end trim/);
  });
  test('names each blank for those who cannot see it, and lets only those move them who may', () => {
    expect(draw([at(30)], ACTS)).toMatch(/role="button" aria-label="Weirstone body O7 at 30, 5 mm"/);
    expect(draw([at(10)])).toMatch(/role="img" aria-label="Weirstone body O7 at 10, 5 mm, not as it lies"/);
  });
});

describe('a blank carried to another board', () => {
  const boards = [aBoard(), aBoard({ id: 'L118-2' }), aBoard({ id: 'L118-3', thicknessMm: 20 })];
  const WANT = {
    id: 'Weirstone body O7',
    lengthMm: 520,
    widthMm: 195,
    thicknessMm: 45,
    count: 4,
    value: 1,
    anyGrain: false,
    leavesEach: 0,
  };
  const plans = [
    { boardId: 'L118-1', placed: [at(30), at(1084)] },
    { boardId: 'L118-2', placed: [at(30)] },
  ];
  const desk = { boards, plans, wanted: [WANT], settings: SETTINGS };
  const carried = (toId: string, over: Partial<PlacedBlank> = {}) => ({ fromId: 'L118-1', index: 1, toId, at: { ...at(1084), ...over } });
  test('lies there where it was let go, drawn to the nearest line that fits', () => {
    expect(laidOn(desk, carried('L118-2', { xMm: 1079 }), 20)).toMatchObject({ xMm: 1084, yMm: 5, pieces: 1 });
    expect(laidOn(desk, carried('L118-2', { xMm: 1170 }), 20)).toMatchObject({ xMm: 1170 });
  });
  test('is not taken where the board is too thin, or there is no such board', () => {
    expect(laidOn(desk, carried('L118-3'))).toBeNull();
    expect(laidOn(desk, carried('L118-9'))).toBeNull();
  });
  test('is on one board only, and no other blank moves', () => {
    const after = sent(plans, carried('L118-2'));
    expect(after.find((p) => p.boardId === 'L118-1')?.placed).toEqual([at(30)]);
    expect(after.find((p) => p.boardId === 'L118-2')?.placed).toEqual([at(30), at(1084)]);
    expect(sent(plans, carried('L118-3')).find((p) => p.boardId === 'L118-3')?.placed).toEqual([at(1084)]);
  });
  test('a point of the screen is the same place of the board at any size of the drawing', () => {
    const { x, y, width, height, mmAt } = boardScale(aBoard());
    for (const drawn of [350, width, 1600]) {
      const times = drawn / width;
      const point = { clientX: 40 + x(700) * times, clientY: 90 + y(60) * times };
      const { xMm, yMm } = mmAt({ left: 40, top: 90, width: drawn }, point);
      expect(xMm).toBeCloseTo(700, 6);
      expect(yMm).toBeCloseTo(60, 6);
    }
    expect(y(0)).toBeLessThan(height);
  });
  test('held over a board too thin for it, it is shown as not to be cut so', () => {
    const held = (fits: boolean) => render(<BoardDrawing board={aBoard()} placed={[]} settings={SETTINGS} held={{ at: at(30), fits }} />);
    expect(held(true)).toMatch(/Weirstone body O7 at 30, 5 mm"/);
    expect(held(false)).toMatch(/Weirstone body O7 at 30, 5 mm, not as it lies"/);
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
