import { describe, expect, test } from '@jest/globals';
import { mean, seededRandom, standardDeviation } from '../maths/index.ts';
import { always, exponential, FIRST_COME, FloorRun, modelStep, newUnit, NO_SURPRISES, type Chance, type FloorModel } from './index.ts';

// The engine against the theory of queues: mean waits and counts of lines whose exact values are known.
// Erlang (1909, 1917); Pollaczek–Khinchine (1930); Jackson (1957), Burke (1956).

const RUNS = 30;
const SERVED = 20_000;
const WARM_UP = 3_000;
/** Student's t, 29 degrees of freedom, 99 % on both sides. */
const T_99 = 2.756;

/** Stations one after the other that each take 1 on average, fed without memory at a rate. */
function line(places: readonly number[], touch: Chance): FloorModel {
  return {
    steps: places.map((_, i) =>
      modelStep(`s${i}`, { station: i, pieceMs: 1, next: i + 1 < places.length ? [{ step: i + 1, as: 'body' }] : [] }),
    ),
    stations: places.map((n, i) => ({ code: `S${i}`, places: n })),
    people: null,
    time: null,
    chances: { ...NO_SURPRISES, touch },
    policy: FIRST_COME,
  };
}

/** The mean wait before each station in one run, and the mean time a unit spends in all of them. */
function oneRun(model: FloorModel, rate: number, seed: number): { waits: number[]; through: number } {
  const waited = model.stations.map(() => 0);
  const begun = model.stations.map(() => 0);
  let through = 0;
  let left = 0;
  const run = new FloorRun(model, seededRandom(seed), 0, {
    began: (_, station, waitedMs) => {
      begun[station] = (begun[station] ?? 0) + 1;
      if ((begun[station] ?? 0) > WARM_UP) waited[station] = (waited[station] ?? 0) + waitedMs;
    },
    left: ({ dueMs }, atMs) => {
      left += 1;
      if (left > WARM_UP) through += atMs - dueMs;
    },
  });
  // When it came in stands where its due date would.
  run.feed({ betweenMs: exponential(1 / rate), unit: (atMs) => newUnit({ step: 0, pieces: 1, dueMs: atMs }) });
  run.run((WARM_UP + SERVED) / rate);
  return { waits: waited.map((sum, i) => sum / ((begun[i] ?? 0) - WARM_UP)), through: through / (left - WARM_UP) };
}

function interval(values: readonly number[]): [low: number, high: number] {
  const half = (T_99 * standardDeviation(values)) / Math.sqrt(values.length);
  return [mean(values) - half, mean(values) + half];
}

/** Erlang's C: the share that must wait. */
function erlangC(servers: number, offered: number): number {
  let term = 1;
  let sum = 0;
  for (let k = 0; k < servers; k++) {
    sum += term;
    term *= offered / (k + 1);
  }
  const waiting = (term * servers) / (servers - offered);
  return waiting / (sum + waiting);
}

test('Erlang’s C itself: with one place the share that waits is the load; three at 80 % is 0.6472', () => {
  expect(erlangC(1, 0.8)).toBeCloseTo(0.8, 12);
  expect(erlangC(3, 2.4)).toBeCloseTo(0.6472, 4);
});

describe.each([
  ['M/M/1', [1], exponential(1), 0.8, [0.8 / (1 - 0.8)]],
  ['M/D/1', [1], always(1), 0.8, [0.8 / (2 * (1 - 0.8))]],
  ['M/M/3', [3], exponential(1), 2.4, [erlangC(3, 2.4) / (3 - 2.4)]],
  ['a tandem of M/M/1 and M/M/2', [1, 2], exponential(1), 0.7, [0.7 / (1 - 0.7), erlangC(2, 0.7) / (2 - 0.7)]],
] as const)('%s', (_, places, touch, rate, waits) => {
  const runs = Array.from({ length: RUNS }, (__, i) => oneRun(line(places, touch), rate, 4711 + i));
  test.each(waits.map((wait, station) => [station, wait] as const))('the mean wait before station %d is %d', (station, wait) => {
    const [low, high] = interval(runs.map((r) => r.waits[station] ?? 0));
    expect(low).toBeLessThanOrEqual(wait);
    expect(high).toBeGreaterThanOrEqual(wait);
    expect(high - low).toBeLessThan(wait / 2);
  });
  test('the mean time in all is waits and work', () => {
    const [low, high] = interval(runs.map((r) => r.through));
    const through = waits.reduce((sum, wait) => sum + wait, 0) + places.length;
    expect(low).toBeLessThanOrEqual(through);
    expect(high).toBeGreaterThanOrEqual(through);
  });
});
