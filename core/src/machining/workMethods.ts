const HOUR_MINUTES = 60;

/** What a way to the same end costs: the time it takes, and the tool it wears. */
export interface WorkMethod {
  setUpMinutes: number;
  minutesEach: number;
  /** what a new or sharpened tool costs, and how many pieces it lasts for */
  toolPrice: number;
  toolPieces: number;
}

/** What so many pieces cost one way, in the money of the prices. */
export const methodCost = ({ setUpMinutes, minutesEach, toolPrice, toolPieces }: WorkMethod, pieces: number, anHour: number): number =>
  ((setUpMinutes + minutesEach * pieces) * anHour) / HOUR_MINUTES + (toolPrice * pieces) / toolPieces;

/**
 * From how many pieces in one go on one way is cheaper than another.
 *
 * @returns the least whole number of pieces; 1 where it always is, null where it never is
 */
export function cheaperFrom(method: WorkMethod, other: WorkMethod, anHour: number): number | null {
  const each = (m: WorkMethod) => methodCost(m, 1, anHour) - methodCost(m, 0, anHour);
  const saved = each(other) - each(method);
  const before = methodCost(method, 0, anHour) - methodCost(other, 0, anHour);
  if (saved <= 0) return saved === 0 && before < 0 ? 1 : null;
  return Math.max(1, Math.floor(before / saved) + 1);
}
