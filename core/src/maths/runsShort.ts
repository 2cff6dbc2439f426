/** So much comes, or is taken, at a time. */
export interface Dated {
  amount: number;
  atMs: number;
}

/**
 * When what there is and what comes no longer covers what is taken, and how much is lacking in the end. What comes at an
 * instant can be taken at it.
 *
 * @param untilMs what comes or is taken later is not looked at
 */
export function runsShort(
  comes: readonly Dated[],
  taken: readonly Dated[],
  untilMs = Infinity,
): { shortMs: number | null; lacking: number } {
  const events = [...comes, ...taken.map(({ amount, atMs }) => ({ amount: -amount, atMs }))]
    .filter((e) => e.atMs <= untilMs)
    .sort((a, b) => a.atMs - b.atMs || b.amount - a.amount);
  let left = 0;
  let shortMs: number | null = null;
  for (const event of events) {
    left += event.amount;
    if (left < -1e-9 && shortMs === null) shortMs = event.atMs;
  }
  return { shortMs, lacking: Math.max(0, -left) };
}
