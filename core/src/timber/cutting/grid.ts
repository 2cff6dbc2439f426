import { piecesOf, objectionTo, type Board, type CuttingSettings, type PlacedBlank, type WantedBlank } from './board.ts';

/** A wanted blank as it may lie on one board. */
export interface Shape {
  blank: WantedBlank;
  lengthMm: number;
  widthMm: number;
  pieces: number;
}

/** An area of a board between lines: from one along it to another, and across it. */
export interface Area {
  fromX: number;
  toX: number;
  fromY: number;
  toY: number;
}

/** Lines are thinned no further than this, whatever the work. */
const FEWEST_LINES = { along: 12, across: 4 };

/** The lines along which a board may be cut, and what may lie at their crossings. */
export class CuttingGrid {
  readonly shapes: readonly Shape[];
  /** where areas may begin; a area ends a kerf before such a line */
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  private readonly legal: Uint8Array;
  private readonly board: Board;
  /** laid out from its wide end, so that whatever can be pushed against it stays on the board */
  private readonly turned: boolean;

  /** @param work cuts that may be looked at; lines are thinned until there are no more of them */
  constructor(
    board: Board,
    wanted: readonly WantedBlank[],
    private readonly settings: CuttingSettings,
    work: number,
  ) {
    this.turned = board.widthEndMm > board.widthMm;
    this.board = this.turned
      ? {
          ...board,
          widthMm: board.widthEndMm,
          widthEndMm: board.widthMm,
          faults: board.faults.map((f) => ({ ...f, xMm: board.lengthMm - f.xMm - f.lengthMm })),
        }
      : board;
    this.shapes = wanted.flatMap((blank) => {
      const pieces = piecesOf(board, blank, settings);
      const lying = { blank, lengthMm: blank.lengthMm, widthMm: blank.widthMm, pieces };
      const turned = { ...lying, lengthMm: blank.widthMm, widthMm: blank.lengthMm };
      return pieces === 0 ? [] : blank.anyGrain && blank.lengthMm !== blank.widthMm ? [lying, turned] : [lying];
    });
    const { endTrimMm, edgingMm, kerfMm } = settings;
    const { faults } = this.board;
    const allX = lines(
      endTrimMm,
      board.lengthMm - endTrimMm,
      kerfMm,
      this.shapes.map((s) => s.lengthMm),
      faults.map((f) => f.xMm + f.lengthMm),
    );
    const allY = lines(
      edgingMm,
      Math.max(board.widthMm, board.widthEndMm) - edgingMm,
      kerfMm,
      this.shapes.map((s) => s.widthMm),
      faults.map((f) => f.yMm + f.widthMm),
    );
    let [along, across] = [allX.length, allY.length];
    while (workOf(along, across) > work && (along > FEWEST_LINES.along || across > FEWEST_LINES.across)) {
      along = Math.max(FEWEST_LINES.along, Math.floor(along * 0.9));
      across = Math.max(FEWEST_LINES.across, Math.floor(across * 0.95));
    }
    this.xs = thin(allX, along);
    this.ys = thin(allY, across);
    this.legal = Uint8Array.from(
      this.xs.flatMap((xMm) =>
        this.ys.flatMap((yMm) =>
          this.shapes.map(({ lengthMm, widthMm }) =>
            objectionTo(this.board, { xMm, yMm, lengthMm, widthMm }, this.settings) === null ? 1 : 0,
          ),
        ),
      ),
    );
  }

  get empty(): boolean {
    return this.shapes.length === 0 || this.xs.length < 2 || this.ys.length < 2;
  }

  get whole(): Area {
    return { fromX: 0, toX: this.xs.length - 1, fromY: 0, toY: this.ys.length - 1 };
  }

  /** How many cuts there are to look at, over all areas. */
  get size(): number {
    return workOf(this.xs.length, this.ys.length);
  }

  lengthMm(fromX: number, toX: number): number {
    return (this.xs[toX] as number) - this.settings.kerfMm - (this.xs[fromX] as number);
  }

  widthMm(fromY: number, toY: number): number {
    return (this.ys[toY] as number) - this.settings.kerfMm - (this.ys[fromY] as number);
  }

  /** May a shape lie with its lower left corner on a crossing? */
  mayLie(shape: number, atX: number, atY: number): boolean {
    return this.legal[(atX * this.ys.length + atY) * this.shapes.length + shape] === 1;
  }

  /** A shape in the lower left corner of a area, on the board as it was measured. */
  place({ blank, lengthMm, widthMm, pieces }: Shape, { fromX, fromY }: Area): PlacedBlank {
    const xMm = this.xs[fromX] as number;
    return {
      blankId: blank.id,
      xMm: this.turned ? this.board.lengthMm - xMm - lengthMm : xMm,
      yMm: this.ys[fromY] as number,
      lengthMm,
      widthMm,
      pieces,
    };
  }

  /** Worth of what is placed, where pieces beyond what is left to get are worth nothing. */
  worth(placed: readonly PlacedBlank[], left: ReadonlyMap<string, number>): number {
    const counts = new Map<string, number>();
    for (const { blankId, pieces } of placed) counts.set(blankId, (counts.get(blankId) ?? 0) + pieces);
    const value = new Map(this.shapes.map((s) => [s.blank.id, s.blank.value]));
    return [...counts].reduce((sum, [id, count]) => sum + Math.min(count, left.get(id) ?? 0) * (value.get(id) ?? 0), 0);
  }
}

/**
 * Lines at which a area may begin: wherever sums of blank sizes and saw cuts lead from the start or from a fault's edge,
 * and the line beyond the end.
 */
function lines(start: number, end: number, kerfMm: number, sizes: readonly number[], edges: readonly number[]): number[] {
  const least = Math.min(...sizes);
  const found = new Set<number>();
  const spread = (from: number) => {
    if (found.has(from) || from + least > end + 1e-9) return;
    found.add(from);
    for (const size of sizes) spread(from + size + kerfMm);
  };
  spread(start);
  for (const edge of edges) spread(Math.max(start, edge));
  return [...found].sort((a, b) => a - b).concat(end + kerfMm);
}

/** Joins lines that lie close together, a step further apart each time, until few enough are left; the later one stays. */
function thin(sorted: readonly number[], most: number): readonly number[] {
  let kept = sorted;
  for (let grid = 2; kept.length > most; grid *= 1.3) {
    const later = new Map(sorted.map((line) => [Math.floor(line / grid), line]));
    kept = [...new Set([...sorted.slice(0, 1), ...later.values(), ...sorted.slice(-1)])].sort((a, b) => a - b);
  }
  return kept;
}

/** Cuts to look at over all areas between so many lines. */
export const workOf = (along: number, across: number) => (along * along * across * across * (along + across)) / 12;
