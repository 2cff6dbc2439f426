import { tooNear, type PlacedBlank, type Rect } from './board.ts';

/** A board, or part of one, as the saw takes it apart: every cut runs from edge to edge of what lies on the table. */
export type CutNode =
  { kind: 'across' | 'along'; atMm: number; first: CutNode; second: CutNode } | { kind: 'blank'; blank: PlacedBlank } | { kind: 'waste' };

/**
 * How placed blanks can be sawn apart by cuts from edge to edge; nothing when they cannot, as with a pinwheel.
 * Cross-cuts come before rips where either would do, as a long board is shortened first.
 */
export function guillotineCuts(blanks: readonly PlacedBlank[], kerfMm: number): CutNode | null {
  const [only, another] = blanks;
  if (!only) return { kind: 'waste' };
  if (!another) return { kind: 'blank', blank: only };
  return split(blanks, kerfMm, 'across') ?? split(blanks, kerfMm, 'along');
}

function split(blanks: readonly PlacedBlank[], kerfMm: number, kind: 'across' | 'along'): CutNode | null {
  const low = (r: Rect) => (kind === 'across' ? r.xMm : r.yMm);
  const high = (r: Rect) => (kind === 'across' ? r.xMm + r.lengthMm : r.yMm + r.widthMm);
  const sorted = [...blanks].sort((a, b) => low(a) - low(b));
  let reach = -Infinity;
  for (let i = 0; i < sorted.length; i++) {
    const blank = sorted[i];
    if (!blank) break;
    if (i > 0 && low(blank) >= reach + kerfMm - 1e-6) {
      const first = guillotineCuts(sorted.slice(0, i), kerfMm);
      const second = guillotineCuts(sorted.slice(i), kerfMm);
      // If one clean cut does not lead to the end, no other will: what it separates stays separable.
      return first && second ? { kind, atMm: reach, first, second } : null;
    }
    reach = Math.max(reach, high(blank));
  }
  return null;
}

/** One line of the sawyer's list. */
export interface CutStep {
  /** 1, 1.1, 1.2 …: which part it is made on */
  part: string;
  kind: 'across' | 'along';
  /** from the board's left end or lower edge */
  atMm: number;
}

/** The cuts in the order they are made. */
export function cutList(node: CutNode, part = '1'): CutStep[] {
  if (node.kind === 'blank' || node.kind === 'waste') return [];
  return [{ part, kind: node.kind, atMm: node.atMm }, ...cutList(node.first, `${part}.1`), ...cutList(node.second, `${part}.2`)];
}

/**
 * The sawyer's lines for one board, to be ticked one after the other: every cut by how far it lies from the board's left end
 * or lower edge, then each blank by where it lies along the board and across it.
 *
 * @param kerfMm what the saw takes
 */
export function cutLines(placed: readonly PlacedBlank[], kerfMm: number): string[] {
  const cuts = guillotineCuts(placed, kerfMm);
  const steps = cuts
    ? cutList(cuts).map(({ part, kind, atMm }) =>
        kind === 'across' ? `${part}  cross-cut ${mm(atMm)} from the left end` : `${part}  rip ${mm(atMm)} from the lower edge`,
      )
    : ['no order of straight cuts parts these: saw round each blank'];
  const blanks = [...placed]
    .sort((a, b) => a.xMm - b.xMm || a.yMm - b.yMm)
    .map(({ blankId, xMm, yMm, lengthMm, widthMm, pieces }) => {
      const resawn = pieces > 1 ? `, resaw ${pieces}` : '';
      return `${blankId}: ${mm(xMm)} to ${mm(xMm + lengthMm)} along, ${mm(yMm)} to ${mm(yMm + widthMm)} across${resawn}`;
    });
  return [...steps, ...blanks];
}

/** To the half millimetre: finer than a saw. */
const mm = (value: number): string => String(Math.round(value * 2) / 2);

/** Pairs of blanks that overlap or leave no room for the saw. */
export function crowded(blanks: readonly PlacedBlank[], kerfMm: number): [number, number][] {
  return blanks.flatMap((a, i) =>
    blanks.slice(i + 1).flatMap((b, j): [number, number][] => (tooNear(a, b, kerfMm) ? [[i, i + 1 + j]] : [])),
  );
}
