/**
 * The assignment of rows to columns with the least total cost, leaving out pairs whose cost is Infinity:
 * first as many pairs as possible, then the least sum.
 *
 * Shortest augmenting paths with potentials, O(n²·m).
 *
 * @param cost cost[row][column], finite or Infinity for "may not"
 * @returns for each row its column, or −1
 * @source Kuhn 1955; Jonker & Volgenant 1987
 */
export function assign(cost: readonly (readonly number[])[]): number[] {
  const rows = cost.length;
  const columns = cost[0]?.length ?? 0;
  if (rows === 0 || columns === 0) return cost.map(() => -1);
  const finite = cost.flat().filter(Number.isFinite);
  const size = Math.max(rows, columns);
  // A forbidden pair costs more than any full assignment of allowed ones, so it is used only when it must be.
  const forbidden = (finite.reduce((worst, c) => Math.max(worst, Math.abs(c)), 0) + 1) * (2 * size + 1);
  // Square, and flat: it is looked at n²·m times.
  const padded = new Float64Array(size * size).fill(forbidden);
  cost.forEach((row, i) => row.forEach((c, j) => Number.isFinite(c) && (padded[i * size + j] = c)));
  const u = new Float64Array(size + 1);
  const v = new Float64Array(size + 1);
  const rowOf = new Int32Array(size + 1);
  const way = new Int32Array(size + 1);
  for (let i = 1; i <= size; i++) {
    rowOf[0] = i;
    let j0 = 0;
    const least = new Float64Array(size + 1).fill(Infinity);
    const used = new Uint8Array(size + 1);
    do {
      used[j0] = 1;
      const i0 = rowOf[j0] ?? 0;
      let delta = Infinity;
      let j1 = 0;
      const row = (i0 - 1) * size - 1;
      const before = u[i0] ?? 0;
      for (let j = 1; j <= size; j++) {
        if (used[j]) continue;
        const reduced = (padded[row + j] ?? forbidden) - before - (v[j] ?? 0);
        if (reduced < (least[j] ?? Infinity)) {
          least[j] = reduced;
          way[j] = j0;
        }
        if ((least[j] ?? Infinity) < delta) {
          delta = least[j] ?? Infinity;
          j1 = j;
        }
      }
      for (let j = 0; j <= size; j++) {
        if (used[j]) {
          const r = rowOf[j] ?? 0;
          u[r] = (u[r] ?? 0) + delta;
          v[j] = (v[j] ?? 0) - delta;
        } else least[j] = (least[j] ?? Infinity) - delta;
      }
      j0 = j1;
    } while (rowOf[j0] !== 0);
    do {
      const j1 = way[j0] ?? 0;
      rowOf[j0] = rowOf[j1] ?? 0;
      j0 = j1;
    } while (j0 !== 0);
  }
  const columnOf = cost.map(() => -1);
  for (let j = 1; j <= columns; j++) {
    const i = (rowOf[j] ?? 0) - 1;
    if (i >= 0 && i < rows && Number.isFinite(cost[i]?.[j - 1] ?? Infinity)) columnOf[i] = j - 1;
  }
  return columnOf;
}
