/**
 * The assignment of rows to columns with the least total cost, leaving out pairs whose cost is Infinity:
 * first as many pairs as possible, then the least sum.
 *
 * Shortest augmenting paths with potentials, O(n²·m) for n of the fewer and m of the more.
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
  // The fewer are given to the more, one after the other.
  const turned = rows > columns;
  const [few, many] = turned ? [columns, rows] : [rows, columns];
  // A forbidden pair costs more than any full assignment of allowed ones, so it is used only when it must be.
  const forbidden = (finite.reduce((worst, c) => Math.max(worst, Math.abs(c)), 0) + 1) * (2 * many + 1);
  // Flat: it is looked at n²·m times.
  const flat = new Float64Array(few * many).fill(forbidden);
  cost.forEach((row, i) => row.forEach((c, j) => Number.isFinite(c) && (flat[turned ? j * many + i : i * many + j] = c)));
  const u = new Float64Array(few + 1);
  const v = new Float64Array(many + 1);
  const givenTo = new Int32Array(many + 1);
  const way = new Int32Array(many + 1);
  for (let i = 1; i <= few; i++) {
    givenTo[0] = i;
    let j0 = 0;
    const least = new Float64Array(many + 1).fill(Infinity);
    const used = new Uint8Array(many + 1);
    do {
      used[j0] = 1;
      const i0 = givenTo[j0] ?? 0;
      let delta = Infinity;
      let j1 = 0;
      const row = (i0 - 1) * many - 1;
      const before = u[i0] ?? 0;
      for (let j = 1; j <= many; j++) {
        if (used[j]) continue;
        const reduced = (flat[row + j] ?? forbidden) - before - (v[j] ?? 0);
        if (reduced < (least[j] ?? Infinity)) {
          least[j] = reduced;
          way[j] = j0;
        }
        if ((least[j] ?? Infinity) < delta) {
          delta = least[j] ?? Infinity;
          j1 = j;
        }
      }
      for (let j = 0; j <= many; j++) {
        if (used[j]) {
          const r = givenTo[j] ?? 0;
          u[r] = (u[r] ?? 0) + delta;
          v[j] = (v[j] ?? 0) - delta;
        } else least[j] = (least[j] ?? Infinity) - delta;
      }
      j0 = j1;
    } while (givenTo[j0] !== 0);
    do {
      const j1 = way[j0] ?? 0;
      givenTo[j0] = givenTo[j1] ?? 0;
      j0 = j1;
    } while (j0 !== 0);
  }
  const columnOf = cost.map(() => -1);
  givenTo.forEach((one, other) => {
    if (one === 0 || other === 0) return;
    const [i, j] = turned ? [other - 1, one - 1] : [one - 1, other - 1];
    if (Number.isFinite(cost[i]?.[j] ?? Infinity)) columnOf[i] = j;
  });
  return columnOf;
}
