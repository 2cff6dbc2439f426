import { seededRandom, type Random } from '../../maths/index.ts';
import { boardVolumeM3, objectionTo, type Board, type CuttingSettings, type PlacedBlank, type WantedBlank } from './board.ts';
import { crowded, guillotineCuts } from './guillotine.ts';
import { CuttingGrid } from './grid.ts';
import { canCount, layOutByCounts } from './layoutByCounts.ts';
import { LayoutByWorth, Scratch, type Layout } from './layoutByWorth.ts';

export interface BoardPlan {
  boardId: string;
  placed: PlacedBlank[];
}

export interface CuttingPlan {
  boards: BoardPlan[];
  /** blanks by kind: how many the plan gives, up to what is wanted */
  got: Map<string, number>;
  /** worth of what is wanted and got */
  value: number;
  /** volume of blanks as they leave the mill over that of the boards cut */
  yield: number;
}

/** Work spent on a pack, in cuts looked at: about half a second. */
const WORK = 1e8;
/** Shares of it: a board's first layout, and those when what is wanted runs out. */
const FIRST_SHARE = 0.3;
const MOST_WORK_PER_BOARD = 2e6;
const MOST_TRIES = 60;

interface Open {
  board: Board;
  grid: CuttingGrid;
  layout: Layout;
  /** laid out without much thought for limits: enough to see which board comes first */
  rough: boolean;
}

/**
 * Which blanks to cut from which boards, for the greatest value of what is wanted. Boards that give most for their
 * volume are cut first; a board is laid out anew when it would give more of a blank than is left to get.
 *
 * @param seed of the shaken tries; the same seed gives the same plan
 */
export function planCutting(boards: readonly Board[], wanted: readonly WantedBlank[], settings: CuttingSettings, seed = 1): CuttingPlan {
  const random = seededRandom(seed);
  const left = new Map(wanted.map((w) => [w.id, w.count]));
  const scratch = new Scratch();
  const work = Math.min(MOST_WORK_PER_BOARD, (WORK * FIRST_SHARE) / Math.max(1, boards.length));
  const tries = (grid: CuttingGrid) => Math.max(1, Math.min(MOST_TRIES, Math.floor(work / grid.size)));
  let open: Open[] = boards
    .map((board) => ({ board, grid: new CuttingGrid(board, wanted, settings, work) }))
    .filter(({ grid }) => !grid.empty)
    .map(({ board, grid }) => {
      const { layout, keeps } = new LayoutByWorth(grid, scratch).freely(left);
      return { board, grid, layout, rough: !keeps };
    });
  const result: BoardPlan[] = [];
  const worth = ({ board, layout }: Open) => layout.value / boardVolumeM3(board);
  for (;;) {
    // A layout from when more was wanted is worth at least what it would be now: only the first in line is looked at anew.
    const [first] = (open = open.filter((o) => o.layout.value > 0).sort((a, b) => worth(b) - worth(a)));
    if (!first) break;
    if (first.rough || takesTooMany(first.layout, left)) {
      const layout = layOut(first.grid, left, scratch, random.fork(first.board.id), tries(first.grid));
      const again = { ...first, layout, rough: false };
      open = [again, ...open.slice(1)];
      const second = open[1];
      if (layout.value <= 0 || (second && worth(second) > worth(again))) continue;
    }
    const [cut] = open;
    if (!cut) break;
    open = open.slice(1);
    result.push({ boardId: cut.board.id, placed: cut.layout.placed });
    for (const { blankId, pieces } of cut.layout.placed) left.set(blankId, Math.max(0, (left.get(blankId) ?? 0) - pieces));
  }
  return tally(result, boards, wanted);
}

/** One board's best within what is left to get: exactly while limits do not matter, then by counts or by tries. */
function layOut(grid: CuttingGrid, left: ReadonlyMap<string, number>, scratch: Scratch, random: Random, tries: number): Layout {
  const byWorth = new LayoutByWorth(grid, scratch);
  const { layout, keeps } = byWorth.freely(left);
  if (keeps) return layout;
  const within = canCount(grid) ? layOutByCounts(grid, left) : byWorth.shaken(left, random, tries);
  return within.value > layout.value ? within : layout;
}

function takesTooMany({ placed }: Layout, left: ReadonlyMap<string, number>): boolean {
  const counts = new Map<string, number>();
  for (const { blankId, pieces } of placed) counts.set(blankId, (counts.get(blankId) ?? 0) + pieces);
  return [...counts].some(([id, count]) => count > (left.get(id) ?? 0));
}

/** What a plan gives, however it was made. */
export function tally(plans: readonly BoardPlan[], boards: readonly Board[], wanted: readonly WantedBlank[]): CuttingPlan {
  const kinds = new Map(wanted.map((w) => [w.id, w]));
  const got = new Map<string, number>();
  let blankM3 = 0;
  for (const { placed } of plans)
    for (const { blankId, pieces, lengthMm, widthMm } of placed) {
      got.set(blankId, (got.get(blankId) ?? 0) + pieces);
      const kind = kinds.get(blankId);
      blankM3 += (lengthMm * widthMm * (kind?.thicknessMm ?? 0) * Math.max(1, kind?.leavesEach ?? 1) * pieces) / 1e9;
    }
  const cut = new Set(plans.filter((p) => p.placed.length > 0).map((p) => p.boardId));
  const boardM3 = boards.filter((b) => cut.has(b.id)).reduce((sum, b) => sum + boardVolumeM3(b), 0);
  return {
    boards: [...plans],
    got,
    value: wanted.reduce((sum, w) => sum + Math.min(w.count, got.get(w.id) ?? 0) * w.value, 0),
    yield: boardM3 > 0 ? blankM3 / boardM3 : 0,
  };
}

/** What keeps a board's blanks from being cut as they lie, by position of the blank; empty when nothing does. */
export function objectionsTo(
  board: Board,
  placed: readonly PlacedBlank[],
  settings: CuttingSettings,
): { index: number; because: string }[] {
  const found = placed.flatMap((blank, index) => {
    const because = objectionTo(board, blank, settings);
    return because === null ? [] : [{ index, because }];
  });
  for (const [a, b] of crowded(placed, settings.kerfMm))
    for (const index of [a, b]) found.push({ index, because: 'It leaves no room for the saw beside its neighbour' });
  if (found.length === 0 && guillotineCuts(placed, settings.kerfMm) === null)
    found.push({ index: placed.length - 1, because: 'The saw cannot take these apart: every cut must run from edge to edge' });
  return found;
}
