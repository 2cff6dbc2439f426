import { minutesOfClass, type RunTimes, type Timed } from '../batches/index.ts';

/** What was observed of one thing that is timed. */
export interface Observed {
  count: number;
  medianMinutes: number;
  /** a quarter took less, and a quarter took more */
  lowMinutes: number;
  highMinutes: number;
}

/**
 * The middle and the spread of minutes that were counted by classes. Each is off by one hundredth at most, half the
 * width of a class.
 *
 * @returns null where nothing was timed
 */
export function observedOf(times: readonly Pick<RunTimes, 'minutesClass' | 'count'>[]): Observed | null {
  const known = times.filter((t) => t.count > 0).sort((a, b) => a.minutesClass - b.minutesClass);
  const count = known.reduce((sum, t) => sum + t.count, 0);
  if (count === 0) return null;
  const at = (share: number): number => {
    const rank = share * (count - 1);
    const [below, above] = [nth(known, Math.floor(rank)), nth(known, Math.ceil(rank))];
    return below + (above - below) * (rank - Math.floor(rank));
  };
  return { count, medianMinutes: at(0.5), lowMinutes: at(0.25), highMinutes: at(0.75) };
}

/** The minutes of the n-th of what was counted, from 0. */
function nth(times: readonly Pick<RunTimes, 'minutesClass' | 'count'>[], n: number): number {
  let passed = 0;
  for (const { minutesClass, count } of times) {
    passed += count;
    if (n < passed) return minutesOfClass(minutesClass);
  }
  return minutesOfClass(times.at(-1)?.minutesClass ?? 0);
}

/** So many batches tell what a load takes; fewer are told with their number, and offered for nothing. */
export const BATCHES_FOR_A_PLAN = 5;

/** What is known of a revision at one station. */
export interface TimeTruth {
  stationCode: string;
  load: Observed | null;
  setUp: Observed | null;
  quoted: Observed | null;
}

/** Planned minutes beside observed ones, by station. */
export function timeTruths(times: readonly RunTimes[]): TimeTruth[] {
  const codes = [...new Set(times.map((t) => t.stationCode))].sort();
  return codes.map((stationCode) => {
    const of = (timed: Timed) => observedOf(times.filter((t) => t.stationCode === stationCode && t.timed === timed));
    return { stationCode, load: of('load'), setUp: of('set-up'), quoted: of('quoted') };
  });
}
