/** A rectangle on a board: x along the grain from the left end, y across it from the lower edge, mm. */
export interface Rect {
  xMm: number;
  yMm: number;
  lengthMm: number;
  widthMm: number;
}

/** A board as it was measured. Its lower edge is straight, the upper runs from one width to the other. */
export interface Board {
  id: string;
  lengthMm: number;
  /** at the left end */
  widthMm: number;
  /** at the right end */
  widthEndMm: number;
  thicknessMm: number;
  /** knots, checks, sap, wane: what no blank may hold */
  faults: readonly Rect[];
}

/** A blank that is wanted, as it leaves the rough mill. */
export interface WantedBlank {
  id: string;
  /** along the grain */
  lengthMm: number;
  widthMm: number;
  /** of the blank, or of one leaf where it is resawn */
  thicknessMm: number;
  count: number;
  /** worth of one, in whatever the factory reckons in */
  value: number;
  /** may lie across the board's grain, as a brace or a core may */
  anyGrain: boolean;
  /** consecutive leaves resawn for one piece, as two for a book-matched top; 0 where nothing is resawn */
  leavesEach: number;
}

/** What every cut costs. */
export interface CuttingSettings {
  /** width of the cross-cut and rip saw's cut */
  kerfMm: number;
  /** taken off each long edge before anything else */
  edgingMm: number;
  /** taken off each end, where drying checks sit */
  endTrimMm: number;
  /** planed off a blank or leaf, both faces together */
  planingMm: number;
  /** width of the resaw's cut */
  resawKerfMm: number;
}

/** Defaults a factory edits: a table saw's kerf, a clean edge, an end free of checks, a band resaw. */
export const DEFAULT_CUTTING: CuttingSettings = { kerfMm: 4, edgingMm: 5, endTrimMm: 30, planingMm: 3, resawKerfMm: 2 };

/** A blank laid on a board. */
export interface PlacedBlank extends Rect {
  blankId: string;
  /** how many come of it: more than one where a billet is resawn; they stay a matched set */
  pieces: number;
}

/**
 * How many of a blank lie above each other in a board's thickness: none when it is too thin, more than one only where
 * leaves are resawn.
 */
export function piecesOf(
  board: Pick<Board, 'thicknessMm'>,
  blank: Pick<WantedBlank, 'thicknessMm' | 'leavesEach'>,
  { planingMm, resawKerfMm }: Pick<CuttingSettings, 'planingMm' | 'resawKerfMm'>,
): number {
  const each = blank.thicknessMm + planingMm;
  if (board.thicknessMm < each - 1e-9) return 0;
  if (blank.leavesEach === 0) return 1;
  const leaves = Math.floor((board.thicknessMm + resawKerfMm + 1e-9) / (each + resawKerfMm));
  return Math.floor(leaves / blank.leavesEach);
}

/** Width of a board at a distance from its left end. */
export const widthAt = ({ widthMm, widthEndMm, lengthMm }: Board, xMm: number): number =>
  widthMm + ((widthEndMm - widthMm) * xMm) / lengthMm;

/** Volume of a board, m³. */
export const boardVolumeM3 = (board: Pick<Board, 'lengthMm' | 'widthMm' | 'widthEndMm' | 'thicknessMm'>): number =>
  (board.lengthMm * ((board.widthMm + board.widthEndMm) / 2) * board.thicknessMm) / 1e9;

/** Do two rectangles overlap, or lie closer than a saw's cut? */
export function tooNear(a: Rect, b: Rect, kerfMm = 0): boolean {
  const gap = kerfMm - 1e-6;
  return (
    a.xMm < b.xMm + b.lengthMm + gap &&
    b.xMm < a.xMm + a.lengthMm + gap &&
    a.yMm < b.yMm + b.widthMm + gap &&
    b.yMm < a.yMm + a.widthMm + gap
  );
}

/** Why a rectangle may not be cut from a board, or nothing. */
export function objectionTo(board: Board, rect: Rect, { edgingMm, endTrimMm }: CuttingSettings): string | null {
  const farMm = rect.xMm + rect.lengthMm;
  if (rect.xMm < endTrimMm - 1e-6 || farMm > board.lengthMm - endTrimMm + 1e-6) return 'It reaches into the end trim';
  const top = rect.yMm + rect.widthMm;
  const room = Math.min(widthAt(board, rect.xMm), widthAt(board, farMm)) - edgingMm;
  if (rect.yMm < edgingMm - 1e-6 || top > room + 1e-6) return 'It reaches over the edge';
  if (board.faults.some((fault) => tooNear(rect, fault))) return 'A fault lies in it';
  return null;
}
