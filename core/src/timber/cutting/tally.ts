import { boardVolumeM3, type Board, type PlacedBlank, type WantedBlank } from './board.ts';

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
