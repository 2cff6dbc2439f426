import { widthAt, type Board, type CuttingSettings, type PlacedBlank } from '@ample-crane/core';

const near = (value: number, lines: readonly number[], withinMm: number): number => {
  const [best] = [...lines].sort((a, b) => Math.abs(a - value) - Math.abs(b - value));
  return best !== undefined && Math.abs(best - value) <= withinMm ? best : value;
};

/** Lays a blank on the nearest line that fits, where one is near: the trim, a fault's edge, a saw cut beside a neighbour. */
export function snapped(
  blank: PlacedBlank,
  board: Board,
  others: readonly PlacedBlank[],
  { kerfMm, edgingMm, endTrimMm }: CuttingSettings,
  withinMm: number,
): PlacedBlank {
  const { lengthMm, widthMm } = blank;
  const xs = [
    endTrimMm,
    board.lengthMm - endTrimMm - lengthMm,
    ...board.faults.flatMap((f) => [f.xMm + f.lengthMm, f.xMm - lengthMm]),
    ...others.flatMap((o) => [o.xMm, o.xMm + o.lengthMm + kerfMm, o.xMm - kerfMm - lengthMm, o.xMm + o.lengthMm - lengthMm]),
  ];
  const xMm = Math.round(Math.max(0, Math.min(board.lengthMm - lengthMm, near(blank.xMm, xs, withinMm))));
  const top = Math.min(widthAt(board, xMm), widthAt(board, xMm + lengthMm)) - edgingMm;
  const ys = [
    edgingMm,
    Math.floor(top - widthMm),
    ...board.faults.flatMap((f) => [f.yMm + f.widthMm, f.yMm - widthMm]),
    ...others.flatMap((o) => [o.yMm, o.yMm + o.widthMm + kerfMm, o.yMm - kerfMm - widthMm]),
  ];
  const across = Math.max(board.widthMm, board.widthEndMm);
  return { ...blank, xMm, yMm: Math.round(Math.max(0, Math.min(across - widthMm, near(blank.yMm, ys, withinMm)))) };
}
