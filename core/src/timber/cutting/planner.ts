import { seededRandom, type Random } from '../../maths/index.ts';
import { boardVolumeM3, type Board, type CuttingSettings, type WantedBlank } from './board.ts';
import { chooseWays, withinLimits } from './chooseWays.ts';
import { CuttingGrid } from './grid.ts';
import { canCount, layOutByCounts } from './layoutByCounts.ts';
import { LayoutByWorth, Scratch, type Layout } from './layoutByWorth.ts';
import { tally, type CuttingPlan } from './tally.ts';
import { scoreBetter, WayPool, type Score } from './wayPool.ts';

/** Cuts looked at for a first plan: about a sixth of a second. */
const FIRST_WORK = 3e7;
const MOST_WORK_PER_BOARD = 5e5;
const MOST_TRIES = 12;
/** Many hasty tries of a pack find more than few thorough ones. */
const HASTY_TRIES = 2;
/** Boards taken up again in one try, and those lying by that may stand in for them. */
const MOST_FREED = 4;
const MOST_SPARE = 4;
/** Rounds of putting known ways together after each try. */
const ROUNDS = 40;
/** Tries that lead no further, before the search begins elsewhere. */
const MOST_IN_VAIN = 60;
/** How far a try strays from the board that gives most for its volume, on a log scale. */
const MOST_STRAY = 1;

interface Lying {
  board: Board;
  grid: CuttingGrid;
  volumeM3: number;
}

/** A board as it would be laid out next. */
interface Open extends Lying {
  layout: Layout;
  /** laid out without much thought for limits: enough to see which board comes first */
  rough: boolean;
}

/** What lies on the boards that are cut, and what that comes to. */
interface Standing extends Score {
  laid: ReadonlyMap<string, Layout>;
}

type Left = ReadonlyMap<string, number>;

/**
 * Which blanks to cut from which boards, for the greatest value of what is wanted and, of equal value, from the least
 * wood. A small pack is looked at in all its ways. Else the boards that give most for their volume come first, one after
 * another, which sees no further than one board; then a few of them are taken up again, with some that lie by, and laid
 * out anew for what they gave together, for as long as somebody waits for it.
 */
export class CutPlanner {
  readonly #boards: readonly Board[];
  readonly #wanted: readonly WantedBlank[];
  readonly #random: Random;
  readonly #scratch = new Scratch();
  readonly #pack: readonly Lying[];
  readonly #pool: WayPool;
  readonly #triesOn: (grid: CuttingGrid) => number;
  #best: Standing;
  /** from where the search goes on */
  #at: Standing;
  /** tries since the last that led further */
  #inVain = 0;
  #finished = false;

  /** @param seed of the shaken tries; the same seed gives the same plans */
  constructor(boards: readonly Board[], wanted: readonly WantedBlank[], settings: CuttingSettings, seed = 1) {
    this.#boards = boards;
    this.#wanted = wanted;
    this.#random = seededRandom(seed);
    const work = Math.min(MOST_WORK_PER_BOARD, FIRST_WORK / Math.max(1, boards.length));
    this.#triesOn = (grid) => Math.max(1, Math.min(MOST_TRIES, Math.floor(work / grid.size)));
    this.#pack = boards
      .map((board) => ({ board, grid: new CuttingGrid(board, wanted, settings, work), volumeM3: boardVolumeM3(board) }))
      .filter(({ grid }) => !grid.empty);
    this.#pool = new WayPool(wanted, new Map(this.#pack.map(({ board, volumeM3 }) => [board.id, volumeM3])), this.#random.fork('ways'));
    const all = chooseWays(this.#pack, wanted);
    this.#finished = all !== null || this.#pack.length === 0;
    this.#best = this.#at = this.#standing(all ?? this.#oneAfterAnother(this.#pack, this.#leftBeside(new Map()), 0));
  }

  /** The best plan so far. */
  get plan(): CuttingPlan {
    const plans = [...this.#best.laid].map(([boardId, { placed }]) => ({ boardId, placed }));
    return tally(plans, this.#boards, this.#wanted);
  }

  /** Whether there is nothing to go on for: all ways were looked at, or no blank fits. */
  get finished(): boolean {
    return this.#finished;
  }

  /** Cuts looked at so far. */
  get spent(): number {
    return this.#scratch.spent + this.#pool.spent;
  }

  /**
   * Goes on looking for a better plan.
   *
   * @param work cuts to look at, at least; a hundred million take about half a second
   * @returns whether one was found
   */
  improve(work: number): boolean {
    const before = this.#best;
    const until = this.spent + work;
    while (!this.#finished && this.spent < until) this.#try();
    return scoreBetter(this.#best, before);
  }

  /** Takes some boards up and lays them out anew, with others that lie by; or begins the pack anew where that leads no further. */
  #try(): void {
    const random = this.#random;
    const cut = this.#pack.filter(({ board }) => this.#at.laid.has(board.id));
    if (cut.length === 0 || this.#inVain >= MOST_IN_VAIN) {
      this.#inVain = 0;
      // From another beginning, or from the best there is.
      this.#at = random.chance(0.5)
        ? this.#best
        : this.#standing(this.#oneAfterAnother(this.#pack, this.#leftBeside(new Map()), random.next() * MOST_STRAY));
    } else {
      const freed = some(cut, random.integer(1, MOST_FREED), random);
      const by = this.#pack.filter(({ board }) => !this.#at.laid.has(board.id));
      const spare = some(by, random.integer(0, MOST_SPARE), random);
      const stays = new Map([...this.#at.laid].filter(([id]) => !freed.some(({ board }) => board.id === id)));
      const again = this.#oneAfterAnother([...freed, ...spare], this.#leftBeside(stays), random.next() * MOST_STRAY);
      const together = this.#pool.together(new Map([...stays, ...again]), ROUNDS);
      const found = this.#standing(withinLimits(together, this.#leftBeside(new Map())));
      this.#inVain = scoreBetter(found, this.#at) ? 0 : this.#inVain + 1;
      // What is as good by another way may lead on.
      if (!scoreBetter(this.#at, found)) this.#at = found;
    }
    if (scoreBetter(this.#at, this.#best)) this.#best = this.#at;
  }

  /** What is left to get beside what lies already. */
  #leftBeside(laid: ReadonlyMap<string, Layout>): Left {
    return lessWhatLies(new Map(this.#wanted.map((w) => [w.id, w.count])), laid.values());
  }

  #standing(laid: ReadonlyMap<string, Layout>): Standing {
    const left = this.#leftBeside(laid);
    const value = this.#wanted.reduce((sum, w) => sum + (w.count - (left.get(w.id) ?? 0)) * w.value, 0);
    const volumeM3 = this.#pack.reduce((sum, { board, volumeM3: m3 }) => sum + (laid.has(board.id) ? m3 : 0), 0);
    return { laid, value, volumeM3 };
  }

  /**
   * Boards that give most for their volume first; a board is laid out anew when it would give more of a blank than is
   * left to get.
   *
   * @param stray how far from the best of them the next may be, on a log scale
   */
  #oneAfterAnother(pack: readonly Lying[], wanted: Left, stray: number): ReadonlyMap<string, Layout> {
    let left = wanted;
    const laid = new Map<string, Layout>();
    const favour = new Map(pack.map(({ board }) => [board.id, Math.exp(stray * (2 * this.#random.next() - 1))]));
    let open: Open[] = pack.map((lying) => {
      const byWorth = new LayoutByWorth(lying.grid, this.#scratch);
      if (stray > 0 && this.#random.chance(0.5)) return { ...lying, layout: byWorth.shaken(left, this.#random, 1), rough: false };
      const { layout, keeps } = byWorth.freely(left);
      return { ...lying, layout, rough: !keeps };
    });
    const worth = ({ board, layout, volumeM3 }: Open) => (layout.value / volumeM3) * (favour.get(board.id) ?? 1);
    for (;;) {
      // A layout from when more was wanted is worth at least what it would be now: only the first in line is looked at anew.
      const [first] = (open = open.filter((o) => o.layout.value > 0).sort((a, b) => worth(b) - worth(a)));
      if (!first) return laid;
      if (first.rough || takesTooMany(first.layout, left)) {
        const again = {
          ...first,
          layout: this.#layOut(first.grid, left, stray > 0 ? HASTY_TRIES : this.#triesOn(first.grid)),
          rough: false,
        };
        open = [again, ...open.slice(1)];
        const second = open[1];
        if (again.layout.value <= 0 || (second && worth(second) > worth(again))) continue;
      }
      const [cut] = open;
      if (!cut) return laid;
      this.#pool.remember(cut.board.id, cut.layout);
      open = open.slice(1);
      laid.set(cut.board.id, cut.layout);
      left = lessWhatLies(left, [cut.layout]);
    }
  }

  /** One board's best within what is left to get: exactly while limits do not matter, then by counts or by tries. */
  #layOut(grid: CuttingGrid, left: Left, tries: number): Layout {
    const byWorth = new LayoutByWorth(grid, this.#scratch);
    const { layout, keeps } = byWorth.freely(left);
    if (keeps) return layout;
    const within = tries > HASTY_TRIES && canCount(grid) ? layOutByCounts(grid, left) : byWorth.shaken(left, this.#random, tries);
    return within.value > layout.value ? within : layout;
  }
}

function lessWhatLies(left: Left, layouts: Iterable<Layout>): Left {
  const now = new Map(left);
  for (const { placed } of layouts)
    for (const { blankId, pieces } of placed) now.set(blankId, Math.max(0, (now.get(blankId) ?? 0) - pieces));
  return now;
}

function takesTooMany({ placed }: Layout, left: Left): boolean {
  const counts = new Map<string, number>();
  for (const { blankId, pieces } of placed) counts.set(blankId, (counts.get(blankId) ?? 0) + pieces);
  return [...counts].some(([id, count]) => count > (left.get(id) ?? 0));
}

/** So many of the items, or all, each as likely. */
function some<T>(items: readonly T[], count: number, random: Random): T[] {
  const from = [...items];
  return Array.from({ length: Math.min(count, from.length) }, () => from.splice(random.integer(0, from.length - 1), 1)).flat();
}
