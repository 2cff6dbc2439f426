import { mean, squaredDeviations, standardDeviation, studentQuantile } from '../../maths/index.ts';
import type { Tolerance } from './capability.ts';

/** Where one value stood: how far the cutter, or the run, had come. */
export interface Along {
  /** minutes cut, or parts made */
  x: number;
  value: number;
}

/** How a characteristic moves with wear. */
export interface Drift {
  /** change of the value for one of x, with its 95 % interval */
  slope: number;
  slopeFrom: number;
  slopeTo: number;
  /** deviation of a value around the line */
  scatter: number;
  /** where the line is at the last x */
  now: number;
  /** how much further until the line meets the edge it moves to; null where it moves to an open side, 0 where it is past it */
  left: { x: number; from: number; to: number; edge: 'low' | 'high' } | null;
}

/** Fewer values than these tell no drift. */
export const LEAST_FOR_DRIFT = 8;
/** Many charts are looked at every morning: at one in twenty some would always drift by chance. */
const SURE_OF_DRIFT = 0.999;

/**
 * Whether a characteristic drifts, by a straight line; and how much further it goes until the line leaves the tolerance.
 *
 * @param sure how sure it must be that there is a slope at all; its intervals are 95 %
 * @returns null where nothing can be told: too few values, or a slope that may as well be none
 * @source least squares; the crossing by Fieller, "Some problems in interval estimation", JRSS B 16(2), 1954
 */
export function driftOf(points: readonly Along[], { low, high }: Tolerance, sure = SURE_OF_DRIFT): Drift | null {
  const n = points.length;
  const xs = points.map((p) => p.x);
  const values = points.map((p) => p.value);
  const spread = squaredDeviations(xs);
  if (n < LEAST_FOR_DRIFT || spread === 0 || standardDeviation(values) === 0) return null;
  const [middleX, middle] = [mean(xs), mean(values)];
  const slope = points.reduce((sum, p) => sum + (p.x - middleX) * (p.value - middle), 0) / spread;
  const residual = points.reduce((sum, p) => sum + (p.value - middle - slope * (p.x - middleX)) ** 2, 0);
  const scatter = Math.sqrt(residual / (n - 2));
  const t = studentQuantile(0.975, n - 2);
  const half = (t * scatter) / Math.sqrt(spread);
  if (Math.abs(slope) <= (half * studentQuantile((1 + sure) / 2, n - 2)) / t) return null;
  const last = Math.max(...xs);
  const line = { slope, slopeFrom: slope - half, slopeTo: slope + half, scatter, now: middle + slope * (last - middleX) };
  const edge = slope > 0 ? 'high' : 'low';
  const limit = edge === 'high' ? high : low;
  if (limit === undefined) return { ...line, left: null };
  // Fieller: (edge − mean − slope·u)² ≤ t²s²(1/n + u²/spread), u counted from the middle of x.
  const off = limit - middle;
  const g = slope ** 2 - (t * scatter) ** 2 / spread;
  const root = t * scatter * Math.sqrt(off ** 2 / spread + g / n);
  const [a, b] = [(slope * off - root) / g, (slope * off + root) / g];
  const after = (u: number) => Math.max(0, u + middleX - last);
  return { ...line, left: { x: after(off / slope), from: after(Math.min(a, b)), to: after(Math.max(a, b)), edge } };
}
