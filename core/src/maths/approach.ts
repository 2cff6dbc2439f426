/**
 * First-order approach to an equilibrium: `dM/dt = −k (M − Me)`, in closed form for a steady Me.
 * Wood towards its EMC and solvent out of a film both follow it.
 *
 * @param start value at the beginning
 * @param equilibrium the value it tends to
 * @param ratePerDay k, 1/day, ≥ 0
 * @param days elapsed time
 */
export function approach(start: number, equilibrium: number, ratePerDay: number, days: number): number {
  return equilibrium + (start - equilibrium) * Math.exp(-ratePerDay * days);
}

/**
 * Days until a first-order approach first reaches a value.
 *
 * @returns 0 when already there or past it, Infinity when the equilibrium lies short of it
 */
export function daysToReach(start: number, equilibrium: number, ratePerDay: number, value: number): number {
  const total = start - equilibrium;
  const left = value - equilibrium;
  if (total === 0) return start === value ? 0 : Infinity;
  const share = left / total;
  if (share >= 1) return 0;
  if (share <= 0 || ratePerDay <= 0) return Infinity;
  return -Math.log(share) / ratePerDay;
}
