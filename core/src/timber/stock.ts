import { rowKind, rowsOf, type Rows } from '../ledger/index.ts';
import { groupBy } from '../maths/index.ts';
import { Lot } from './lot.ts';
import type { Board, BoardPlan } from './cutting/index.ts';
import type { Look } from '../routing/index.ts';

/** A board of a lot, measured so that it can be planned. */
export interface StockBoard extends Board {
  lotId: string;
  ordinal: number;
  grade: string | null;
  massG: number | null;
  /** slices of one log share it */
  setId: string | null;
  state: 'whole' | 'cut';
}
export const StockBoard = rowKind<StockBoard>('board', { key: 'id', under: ({ lotId }) => [rowsOf(Lot, [lotId])] });

/** free · started: it has become a piece · joined: it is part of a wider blank */
export const BLANK_STATES = ['free', 'started', 'joined'] as const;
export type BlankState = (typeof BLANK_STATES)[number];

/** A blank cut from a board, until it becomes a piece. */
export interface Blank {
  id: string;
  lotId: string;
  boardId: string;
  modelId: string;
  component: string;
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  /** shared with what was sliced from the same billet */
  setId: string;
  look: Look;
  massG: number | null;
  /** when it was weighed */
  moisturePct: number | null;
  /** the order it is kept for */
  orderId: string | null;
  state: BlankState;
  /** what it became */
  pieceId: string | null;
  version: number;
}
export const Blank = rowKind<Blank>('blank', { key: 'id', under: ({ lotId }) => [rowsOf(Lot, [lotId])] });

/**
 * The blanks that come of boards cut by plan. What is sliced from one billet, and what lies one after another on a
 * board for the same part, shares a set.
 *
 * @param wanted what each blank of the plan is for
 * @param grade of the boards: the best may show under a clear finish
 */
export function blanksOf(
  plans: readonly BoardPlan[],
  wanted: readonly { id: string; modelId: string; component: string; thicknessMm: number }[],
  grade: string | null,
): Pick<Blank, 'id' | 'boardId' | 'modelId' | 'component' | 'lengthMm' | 'widthMm' | 'thicknessMm' | 'setId' | 'look'>[] {
  const kinds = new Map(wanted.map((w) => [w.id, w]));
  return plans.flatMap(({ boardId, placed }) => {
    let number = 0;
    return placed.flatMap(({ blankId, pieces, lengthMm, widthMm }) => {
      const kind = kinds.get(blankId);
      if (!kind) return [];
      return Array.from({ length: pieces }, () => ({
        id: `${boardId}.${++number}`,
        boardId,
        modelId: kind.modelId,
        component: kind.component,
        lengthMm,
        widthMm,
        thicknessMm: kind.thicknessMm,
        setId: `${boardId} ${kind.component}`,
        look: grade === 'A' ? ('clear' as const) : ('solid' as const),
      }));
    });
  });
}

/** Blanks by the lot they come from, the lots in order. */
export function lotsOfBlanks<B extends { id: string }>(rows: Rows, blanks: readonly B[]): Map<string, B[]> {
  const byLot = groupBy(blanks, (blank) => rows.get(Blank, blank.id).lotId);
  return new Map([...byLot].sort(([a], [b]) => (a < b ? -1 : 1)));
}
