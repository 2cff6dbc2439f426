import type { Board, CuttingSettings, WantedBlank } from './board.ts';
import { CutPlanner } from './planner.ts';
import type { CuttingPlan } from './tally.ts';

/** Cuts looked at for a plan that somebody waits for: about half a second. */
const WORK = 6e7;

/**
 * Which blanks to cut from which boards, for the greatest value of what is wanted, and of equal value from the least
 * wood, as far as {@link CutPlanner} finds it.
 *
 * @param seed of the shaken tries; the same seed gives the same plan
 * @param work cuts to look at in all, if the first plan leaves any of them
 */
export function planCutting(
  boards: readonly Board[],
  wanted: readonly WantedBlank[],
  settings: CuttingSettings,
  { seed = 1, work = WORK }: { seed?: number; work?: number } = {},
): CuttingPlan {
  const planner = new CutPlanner(boards, wanted, settings, seed);
  planner.improve(Math.max(0, work - planner.spent));
  return planner.plan;
}
