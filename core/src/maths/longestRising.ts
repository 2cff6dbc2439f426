/**
 * Which of a row of values belong to its longest strictly rising run of values, others left out: those that were written
 * in order. Of equal runs the one that ends lowest, of equal values the first.
 *
 * @param values numbers, or null where there is none
 * @returns their places
 * @source patience sorting; Fredman, Discrete Mathematics 11, 1975
 */
export function longestRising(values: readonly (number | null)[]): Set<number> {
  /** the place of the lowest value that ends a run of each length */
  const ends: number[] = [];
  const before: (number | undefined)[] = [];
  values.forEach((value, place) => {
    if (value === null) return;
    let low = 0;
    let high = ends.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((values[ends[middle] ?? 0] ?? Infinity) < value) low = middle + 1;
      else high = middle;
    }
    if (values[ends[low] ?? -1] === value) return;
    before[place] = ends[low - 1];
    ends[low] = place;
  });
  const run = new Set<number>();
  for (let place = ends.at(-1); place !== undefined; place = before[place]) run.add(place);
  return run;
}
