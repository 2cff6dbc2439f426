import { objectionTo, type Board, type CuttingSettings, type PlacedBlank } from './board.ts';
import { crowded, guillotineCuts } from './guillotine.ts';

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
