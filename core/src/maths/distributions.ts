import jstat from 'jstat';

/** The value that a share p of a normal distribution of deviation 1 lies below. */
export const normalQuantile = (p: number): number => jstat.normal.inv(p, 0, 1);

/** The value that a share p of a chi-square distribution lies below. */
export const chiSquareQuantile = (p: number, freedom: number): number => jstat.chisquare.inv(p, freedom);

/** The value that a share p of Student's distribution lies below. */
export const studentQuantile = (p: number, freedom: number): number => jstat.studentt.inv(p, freedom);

/** How likely a ratio of variances as large as this or larger comes by chance alone. */
export const ratioByChance = (ratio: number, freedomAbove: number, freedomBelow: number): number =>
  1 - jstat.centralF.cdf(ratio, freedomAbove, freedomBelow);
