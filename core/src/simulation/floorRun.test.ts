import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom, WorkingTime } from '../maths/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import {
  always,
  EARLIEST_DUE,
  Engine,
  EventQueue,
  exponential,
  FIRST_COME,
  FloorRun,
  howMany,
  Line,
  lognormal,
  modelStep,
  newUnit,
  NO_SURPRISES,
  type FloorModel,
  type Unit,
} from './index.ts';

const floor = (over: Partial<FloorModel>): FloorModel => ({
  steps: [],
  stations: [{ code: 'A', places: 1 }],
  people: null,
  time: null,
  chances: NO_SURPRISES,
  policy: FIRST_COME,
  ...over,
});
const work = (id: string, over = {}) => modelStep(id, { station: 0, setupMs: 10, pieceMs: 5, ...over });

/** Runs a model and tells what happened, in order. */
function told(model: FloorModel, units: readonly (Parameters<typeof newUnit>[0] & { atMs?: number })[], untilMs = 1e9, seed = 1): string[] {
  const lines: string[] = [];
  const name = (unit: Unit) => unit.orderId ?? '?';
  const run = new FloorRun(model, seededRandom(seed), 0, {
    began: (unit, station, waitedMs, atMs) => lines.push(`${atMs} ${name(unit)} begins at ${station} after ${waitedMs}`),
    ended: (unit, station, workMs, atMs) => lines.push(`${atMs} ${name(unit)} ends at ${station} after ${workMs}`),
    left: (unit, atMs) => lines.push(`${atMs} ${name(unit)} left with ${unit.pieces}`),
  });
  for (const { atMs = 0, ...unit } of units) run.enter(newUnit(unit), atMs);
  run.run(untilMs);
  return lines;
}

describe('events', () => {
  test('come in the order of their times, those of one time in the order they were planned', () => {
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 20 })), (times) => {
        const queue = new EventQueue<number>();
        times.forEach((atMs, i) => queue.add(atMs, i));
        const came = times.map(() => queue.next()?.event ?? -1);
        const expected = times.map((_, i) => i).sort((a, b) => (times[a] ?? 0) - (times[b] ?? 0) || a - b);
        expect(came).toEqual(expected);
        expect(queue.nextMs).toBe(Infinity);
      }),
    );
  });
  test('happen until the time asked for, what they lead to included, and go on later', () => {
    const engine = new Engine<number>(0);
    const seen: string[] = [];
    const happen = (n: number, atMs: number) => {
      seen.push(`${n}@${atMs}`);
      if (n < 4) engine.plan(atMs + 10, n + 1);
    };
    engine.plan(5, 1);
    engine.plan(Infinity, 99);
    engine.run(15, happen);
    expect([seen, engine.nowMs, engine.happened]).toEqual([['1@5', '2@15'], 15, 2]);
    engine.run(100, happen);
    expect([seen.slice(2), engine.nowMs]).toEqual([['3@25', '4@35'], 100]);
    expect(() => engine.plan(99, 1)).toThrow(RangeError);
  });
});

test('a line keeps the order of its policy, whoever cannot be taken stays', () => {
  const line = new Line<Unit>(EARLIEST_DUE);
  const unit = (dueMs: number, cameMs: number) => newUnit({ step: 0, pieces: 1, dueMs, cameMs });
  for (const each of [unit(30, 1), unit(10, 2), unit(30, 0), unit(20, 3)]) line.add(each);
  expect(line.take(({ dueMs }) => dueMs > 10)?.dueMs).toBe(20);
  expect([1, 2, 3].map(() => line.take(() => true)?.cameMs)).toEqual([2, 0, 1]);
  expect([line.take(() => true), line.length]).toEqual([undefined, 0]);
});

describe('chances', () => {
  test.each([
    ['exponential', exponential(3), 3, 3],
    ['lognormal', lognormal(3, 0.5), 3, 1.5],
    ['always', always(3), 3, 0],
  ])('%s has its mean and its spread', (_, chance, mean, spread) => {
    const random = seededRandom(5);
    const drawn = Array.from({ length: 40_000 }, () => chance(random));
    const m = drawn.reduce((a, b) => a + b, 0) / drawn.length;
    expect(m).toBeCloseTo(mean, 1);
    expect(Math.sqrt(drawn.reduce((sum, x) => sum + (x - m) ** 2, 0) / drawn.length)).toBeCloseTo(spread, 1);
  });
  test('how many of so many', () => {
    const random = seededRandom(6);
    const drawn = Array.from({ length: 5000 }, () => howMany(10, 0.2, random));
    expect(drawn.reduce((a, b) => a + b, 0) / 5000).toBeCloseTo(2, 1);
    expect([howMany(9, 0, random), howMany(9, 1, random)]).toEqual([0, 9]);
  });
});

describe('a run', () => {
  test('works by set-up and piece, one after the other where there is one place', () => {
    const model = floor({ steps: [work('cut')] });
    expect(
      told(model, [
        { step: 0, pieces: 4, orderId: 'a' },
        { step: 0, pieces: 2, orderId: 'b', atMs: 7 },
      ]),
    ).toEqual([
      '0 a begins at 0 after 0',
      '30 a ends at 0 after 30',
      '30 a left with 4',
      '30 b begins at 0 after 23',
      '50 b ends at 0 after 20',
      '50 b left with 2',
    ]);
  });
  test('waits, and goes on; what must rest after it was worked on does', () => {
    const model = floor({ steps: [work('glue', { waitMs: 100, next: [{ step: 1, as: 'body' }] }), modelStep('rest', { waitMs: 50 })] });
    expect(told(model, [{ step: 0, pieces: 1, orderId: 'a' }]).at(-1)).toBe('165 a left with 1');
  });
  test('goes round a loop as often as asked', () => {
    const model = floor({ steps: [work('coat', { loop: { backTo: 0, rounds: always(3) } })] });
    expect(told(model, [{ step: 0, pieces: 1, orderId: 'a' }]).at(-1)).toBe('45 a left with 1');
  });
  test('body and neck meet, and what has no counterpart waits', () => {
    const model = floor({
      steps: [work('fit', { meets: ['body', 'neck'], next: [{ step: 1, as: 'instrument' }] }), modelStep('ship')],
    });
    const lines = told(model, [
      { step: 0, pieces: 5, orderId: 'a', component: 'body' },
      { step: 0, pieces: 3, orderId: 'a', component: 'neck', atMs: 100 },
      { step: 0, pieces: 4, orderId: 'x', component: 'neck', group: 'another model' },
    ]);
    expect(lines).toEqual(['100 a begins at 0 after 100', '125 a ends at 0 after 25', '125 a left with 3']);
  });
  test('taken apart, each half goes its way, and they meet again', () => {
    const model = floor({
      stations: [{ code: 'A', places: 9 }],
      steps: [
        work('part', {
          next: [
            { step: 1, as: 'body' },
            { step: 2, as: 'neck' },
          ],
        }),
        modelStep('oil', { waitMs: 100, next: [{ step: 3, as: 'body' }] }),
        modelStep('spray', { waitMs: 300, next: [{ step: 3, as: 'neck' }] }),
        work('refit', { meets: ['body', 'neck'] }),
      ],
    });
    expect(told(model, [{ step: 0, pieces: 2, component: 'instrument', orderId: 'a' }]).at(-1)).toBe('340 a left with 2');
  });
  test('work stops for the night, and what comes at night is begun in the morning', () => {
    const time = new WorkingTime([0, 1, 2].map((d) => ({ fromMs: d * DAY_MS + 8 * HOUR_MS, toMs: d * DAY_MS + 16 * HOUR_MS })));
    const model = floor({ time, steps: [work('cut', { setupMs: 6 * HOUR_MS, pieceMs: 0 })] });
    const h = (hours: number) => hours * HOUR_MS;
    expect(
      told(model, [
        { step: 0, pieces: 1, orderId: 'a', atMs: h(12) },
        { step: 0, pieces: 1, orderId: 'b', atMs: h(20) },
      ]),
    ).toEqual([
      `${h(12)} a begins at 0 after 0`,
      `${h(34)} a ends at 0 after ${h(6)}`,
      `${h(34)} a left with 1`,
      `${h(34)} b begins at 0 after ${h(14)}`,
      `${h(40)} b ends at 0 after ${h(6)}`,
      `${h(40)} b left with 1`,
    ]);
  });
  test('one who can do two things does one at a time; who cannot, or is away, does none', () => {
    const people = [
      { id: 'away', levels: [3, 3], away: [{ fromMs: 0, toMs: 1e9 }] },
      { id: 'learner', levels: [1, 0], away: [] },
      { id: 'ann', levels: [2, 2], away: [] },
    ];
    const model = floor({
      people,
      stations: [
        { code: 'A', places: 5 },
        { code: 'B', places: 5 },
      ],
      steps: [work('carve', { skill: 0, level: 2 }), work('spray', { station: 1, skill: 1, level: 1 })],
    });
    const lines = told(model, [
      { step: 0, pieces: 1, orderId: 'a' },
      { step: 1, pieces: 1, orderId: 'b' },
    ]);
    expect(lines.filter((line) => line.includes('begins'))).toEqual(['0 a begins at 0 after 0', '15 b begins at 1 after 15']);
  });
  test('what must be done again holds the rest up, or goes alone', () => {
    const chances = { touch: always(1), rework: 0.5, scrap: 0 };
    const run = (reworkAlone: boolean) =>
      told(floor({ chances, steps: [work('sand', { reworkAlone })] }), [{ step: 0, pieces: 8, orderId: 'a' }], 1e9, 3);
    expect(run(false).filter((l) => l.includes('left'))).toHaveLength(1);
    expect(run(false).at(-1)).toMatch(/left with 8$/);
    const alone = run(true).flatMap((l) => l.match(/left with (\d+)/)?.[1] ?? []);
    expect(alone.length).toBeGreaterThan(1);
    expect(alone.reduce((sum, n) => sum + Number(n), 0)).toBe(8);
    expect(run(true).find((l) => l.includes('left'))).toMatch(/^50 /);
    // The rest must rest too.
    const glued = floor({ chances, steps: [work('glue', { reworkAlone: true, waitMs: 1000 })] });
    const left = told(glued, [{ step: 0, pieces: 8, orderId: 'a' }], 1e9, 3).filter((l) => l.includes('left'));
    expect(left.length).toBeGreaterThan(1);
    expect(left[0]).toMatch(/^1050 /);
  });
  test('no piece is lost but what is scrapped, whatever happens', () => {
    const step = (i: number, n: number) =>
      work(`s${i}`, {
        station: i % 2,
        reworkAlone: i % 3 === 0,
        waitMs: i % 2 === 0 ? 0 : 40,
        next: i + 1 < n ? [{ step: i + 1, as: 'body' as const }] : [],
      });
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 12 }),
        fc.nat(),
        fc.constantFrom(0, 0.1, 0.4),
        (batches, seed, rework) => {
          const model = floor({
            stations: [
              { code: 'A', places: 2 },
              { code: 'B', places: 1 },
            ],
            steps: [0, 1, 2, 3].map((i) => step(i, 4)),
            chances: { touch: lognormal(1, 0.3), rework, scrap: 0 },
          });
          const out = told(
            model,
            batches.map((pieces, i) => ({ step: 0, pieces, orderId: `o${i}`, atMs: i * 13 })),
            1e9,
            seed,
          ).flatMap((l) => l.match(/left with (\d+)/)?.[1] ?? []);
          expect(out.reduce((sum, n) => sum + Number(n), 0)).toBe(batches.reduce((a, b) => a + b, 0));
        },
      ),
    );
  });
  test('is the same for the same seed', () => {
    const model = floor({ steps: [work('cut')], chances: { touch: lognormal(1, 0.5), rework: 0.1, scrap: 0.1 } });
    const units = Array.from({ length: 20 }, (_, i) => ({ step: 0, pieces: 5, orderId: `${i}`, atMs: i * 20 }));
    expect(told(model, units, 1e9, 7)).toEqual(told(model, units, 1e9, 7));
    expect(told(model, units, 1e9, 8)).not.toEqual(told(model, units, 1e9, 7));
  });
});
