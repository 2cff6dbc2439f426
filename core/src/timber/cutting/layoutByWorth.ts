import type { Random } from '../../maths/index.ts';
import type { PlacedBlank, WantedBlank } from './board.ts';
import { workOf, type Area, type CuttingGrid, type Shape } from './grid.ts';

export interface Layout {
  placed: PlacedBlank[];
  value: number;
}

/** Tables of the dynamic program, shared by the boards of a pack: they are large, and wanted one board at a time. */
export class Scratch {
  /** cuts looked at so far */
  spent = 0;
  best = new Float64Array(0);
  choice = new Int32Array(0);

  ensure(cells: number): void {
    if (this.best.length >= cells) return;
    this.best = new Float64Array(cells);
    this.choice = new Int32Array(cells);
  }
}

/** How a area is cut is kept as one number: which shape lies in it from 1 up, or the line of the cut below these. */
const ACROSS = 0;
const ALONG = -10_000;

/** How far tries stray from what blanks are worth, on a log scale. */
const SHAKE = 1;

/**
 * Lays out one board for the greatest value, by dynamic programming over every sequence of cuts from edge to edge along
 * the grid's lines. Where the board cannot hold more of a blank than is wanted, the layout is the best there is on those
 * lines; else it is the best of tries with shaken prices, each area laid out anew whose blank was got already.
 */
export class LayoutByWorth {
  /** areas across the board between two lines along it */
  private readonly pairs: number;

  constructor(
    private readonly grid: CuttingGrid,
    private readonly scratch: Scratch,
  ) {
    const lines = grid.ys.length;
    this.pairs = (lines * (lines - 1)) / 2;
  }

  /** The layout that is best without limits, and whether it keeps them. */
  freely(left: ReadonlyMap<string, number>): { layout: Layout; keeps: boolean } {
    const { placed, surplus } = this.layOut(left, (blank) => blank.value);
    return { layout: { placed, value: this.grid.worth(placed, left) }, keeps: !surplus };
  }

  /** The best of many tries within the limits. */
  shaken(left: ReadonlyMap<string, number>, random: Random, tries: number): Layout {
    let found: Layout = { placed: [], value: 0 };
    for (let i = 0; i < tries; i++) {
      const price = new Map(this.grid.shapes.map((s) => [s.blank.id, s.blank.value * Math.exp(SHAKE * (2 * random.next() - 1))]));
      const { placed } = this.layOut(left, (blank) => price.get(blank.id) ?? 0);
      const value = this.grid.worth(placed, left);
      if (value > found.value + 1e-9) found = { placed, value };
    }
    return found;
  }

  /** Works out the best of a area of the board, and of all areas within it, when one of each blank is worth this much. */
  private solve({ fromX, toX, fromY, toY }: Area, worth: (blank: WantedBlank) => number): void {
    const { grid } = this;
    this.scratch.spent += workOf(toX - fromX + 1, toY - fromY + 1);
    const shapes = grid.shapes.map((s) => ({ ...s, value: Math.max(0, worth(s.blank)) * s.pieces }));
    const shortest = Math.min(...shapes.map((s) => s.lengthMm));
    for (let span = 1; span <= toX - fromX; span++)
      for (let a = fromX; a + span <= toX; a++) {
        const b = a + span;
        const at = this.pair(a, b);
        this.scratch.best.fill(0, at, at + this.pairs);
        const lengthMm = grid.lengthMm(a, b);
        if (lengthMm < shortest) continue;
        shapes.forEach((shape, k) => {
          if (shape.value > 0 && shape.lengthMm <= lengthMm) this.layIn(at, a, { fromY, toY }, k, shape);
        });
        // Beyond the nearest line, a cut that leaves too little for any blank gains nothing.
        for (let k = a + 1; k < b; k++)
          if (k === b - 1 || k === a + 1 || (grid.lengthMm(a, k) >= shortest && grid.lengthMm(k, b) >= shortest))
            this.cutAcross(at, a, k, b);
        this.cutAlong(at, fromY, toY);
      }
  }

  /** A shape in the lower left corner of areas from line a on that are wide enough for it. */
  private layIn(at: number, a: number, { fromY, toY }: Pick<Area, 'fromY' | 'toY'>, k: number, shape: Shape & { value: number }): void {
    const { best, choice } = this.scratch;
    for (let c = fromY; c < toY; c++) {
      if (!this.grid.mayLie(k, a, c)) continue;
      for (let d = toY; d > c && this.grid.widthMm(c, d) >= shape.widthMm; d--) {
        const cell = at + this.rows(c) + d;
        if (shape.value <= (best[cell] as number)) continue;
        best[cell] = shape.value;
        choice[cell] = k + 1;
      }
    }
  }

  /** Every area between lines a and b, cut at line k. */
  private cutAcross(at: number, a: number, k: number, b: number): void {
    const { best, choice } = this.scratch;
    const [left, right] = [this.pair(a, k), this.pair(k, b)];
    for (let i = 0; i < this.pairs; i++) {
      const value = (best[left + i] as number) + (best[right + i] as number);
      if (value <= (best[at + i] as number)) continue;
      best[at + i] = value;
      choice[at + i] = ACROSS - k;
    }
  }

  /** Every area between two lines, ripped where that gains most; narrow ones first, since wide ones are made of them. */
  private cutAlong(at: number, fromY: number, toY: number): void {
    const { best, choice } = this.scratch;
    for (let height = 2; height <= toY - fromY; height++)
      for (let c = fromY; c + height <= toY; c++) {
        const d = c + height;
        const cell = at + this.rows(c) + d;
        for (let k = c + 1; k < d; k++) {
          const value = (best[at + this.rows(c) + k] as number) + (best[at + this.rows(k) + d] as number);
          if (value <= (best[cell] as number)) continue;
          best[cell] = value;
          choice[cell] = ALONG - k;
        }
      }
  }

  /** Where the areas between two lines along the board begin in the tables. */
  private pair(a: number, b: number): number {
    return (a * this.grid.xs.length + b) * this.pairs;
  }

  /** Added to a line d, where the area from line c to d across the board lies among its kind. */
  private rows(c: number): number {
    const lines = this.grid.ys.length;
    return c * (lines - 1) - (c * (c - 1)) / 2 - c - 1;
  }

  /** The areas that the best cuts leave with a blank each, smallest first. */
  private laidIn(area: Area): { shape: Shape; area: Area }[] {
    const found: { shape: Shape; area: Area }[] = [];
    const walk = (at: Area): void => {
      const cell = this.pair(at.fromX, at.toX) + this.rows(at.fromY) + at.toY;
      const how = this.scratch.choice[cell] as number;
      if ((this.scratch.best[cell] as number) <= 0) return;
      const shape = this.grid.shapes[how - 1];
      if (how > 0 && shape) {
        found.push({ shape, area: at });
      } else if (how <= ALONG) {
        walk({ ...at, toY: ALONG - how });
        walk({ ...at, fromY: ALONG - how });
      } else {
        walk({ ...at, toX: ACROSS - how });
        walk({ ...at, fromX: ACROSS - how });
      }
    };
    walk(area);
    const size = ({ fromX, toX, fromY, toY }: Area) => this.grid.lengthMm(fromX, toX) * this.grid.widthMm(fromY, toY);
    return found.sort((a, b) => size(a.area) - size(b.area));
  }

  /** Lays the board out for these worths; a area whose blank is not wanted any more is laid out anew with what is. */
  private layOut(left: ReadonlyMap<string, number>, worth: (blank: WantedBlank) => number): { placed: PlacedBlank[]; surplus: boolean } {
    this.scratch.ensure(this.grid.xs.length ** 2 * this.pairs);
    let surplus = false;
    const open = new Map(left);
    const placed: PlacedBlank[] = [];
    const areas: Area[] = [this.grid.whole];
    for (let area = areas.pop(); area; area = areas.pop()) {
      this.solve(area, (blank) => ((open.get(blank.id) ?? 0) > 0 ? worth(blank) : 0));
      for (const { shape, area: held } of this.laidIn(area)) {
        const wanted = open.get(shape.blank.id) ?? 0;
        if (wanted <= 0) {
          surplus = true;
          areas.push(held);
          continue;
        }
        open.set(shape.blank.id, wanted - shape.pieces);
        placed.push(this.grid.place(shape, held));
      }
    }
    return { placed, surplus };
  }
}
