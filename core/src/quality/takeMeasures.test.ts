import { describe, expect, test } from '@jest/globals';
import { Batch } from '../batches/index.ts';
import type { Decision, Written } from '../ledger/index.ts';
import type { Characteristic, Operation, Route } from '../routing/index.ts';
import { TestHouse } from '../test/house.ts';
import { step, wait } from '../test/parts.ts';
import { Dimension, dimensionIdOf, LIMITS_FROM, Measure, SettleSignal, TakeMeasures } from './index.ts';

const WIDTH: Characteristic = { id: 'width', name: 'Pocket width', unit: 'mm', low: 55.9, target: 56, high: 56.1, holds: true };
const route = (over: Partial<Characteristic> = {}, gate: Operation['gate'] = []): Route => ({
  id: 'short@1',
  modelId: 'short',
  version: 1,
  operations: [
    step('pocket', 'body', ['rest'], { characteristics: [{ ...WIDTH, ...over }], gate }),
    wait('rest', 'body', ['fit'], 1),
    step('neck', 'neck', ['fit']),
    step('fit', 'instrument', ['ship'], { kind: 'fit' }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
});
const ID = dimensionIdOf('short', 'pocket', 'width');
const USUAL = Array.from({ length: LIMITS_FROM }, (_, i) => 56 + (i % 2 === 0 ? 0.01 : -0.01));

class Mill extends TestHouse {
  private readonly route: Route;
  constructor(made: Route) {
    super(new Map([[made.id, made]]));
    this.route = made;
  }
  bodies = (quantity: number, trial = false) => this.start('body', quantity, { route: this.route, workClass: trial ? 'trial' : 'order' });
  measure(id: string, values: readonly number[]): Decision<Written> {
    this.pass();
    const pieces = this.live(id);
    const measures = values.map((value, i) => ({ pieceId: pieces[i]?.id ?? '', characteristicId: 'width', value }));
    return this.give(TakeMeasures, { batchId: id, measures });
  }
  /** Enough values for limits, in a batch of their own. */
  usual(): this {
    this.measure(this.bodies(LIMITS_FROM), USUAL);
    return this;
  }
  get dimension() {
    return this.rows.find(Dimension, ID);
  }
}
const kinds = (decision: Decision<Written>) =>
  decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => f.sentence);

describe('a chart that holds', () => {
  test('stops the batch at whose measure a rule fires, and pauses its work', () => {
    const mill = new Mill(route()).usual();
    const id = mill.bodies(2);
    mill.command(id, { command: 'start work', personId: 'ann' });
    expect(kinds(mill.measure(id, [56.005]))).toEqual(['measures.taken']);
    expect(kinds(mill.measure(id, [56.005, 56.08]))).toEqual(['measures.taken', 'work.paused', 'batch.held']);
    expect(mill.batch(id)).toMatchObject({
      status: 'held',
      heldStatus: 'paused',
      holdReason: 'Pocket width: one value above the upper limit; a lead decides',
    });
    // While it is open it is not told twice.
    const other = mill.bodies(1);
    expect(kinds(mill.measure(other, [56.09]))).toEqual(['measures.taken']);
  });
  test('stops all that runs in one load with it, and nothing that has left it', () => {
    const mill = new Mill(route()).usual();
    const [one, two, three] = [mill.bodies(1), mill.bodies(2), mill.bodies(1)];
    mill.command(one, { command: 'start work', personId: 'ann', withBatchIds: [two, three] });
    mill.command(three, { command: 'pause work', cause: 'instruction' });
    const entries = mill.measure(one, [56.08]);
    expect(entries.kind === 'accept' && entries.entries.map((e) => `${e.kind} ${e.batchId ?? ''}`)).toEqual([
      `measures.taken ${one}`,
      `work.paused ${one}`,
      `batch.held ${one}`,
      `work.paused ${two}`,
      `batch.held ${two}`,
    ]);
    expect([one, two, three].map((id) => mill.batch(id).status)).toEqual(['held', 'held', 'paused']);
  });
  test('what waits is held where it is; a chart that does not hold only tells', () => {
    const mill = new Mill(route()).usual();
    expect(kinds(mill.measure(mill.bodies(1), [56.08]))).toEqual(['measures.taken', 'batch.held']);
    const telling = new Mill(route({ holds: false })).usual();
    expect(kinds(telling.measure(telling.bodies(1), [56.08]))).toEqual(['measures.taken']);
    expect(telling.dimension?.signal).toMatchObject({ rule: 'beyond' });
  });
  test('trials and what came back are measured, and not on the chart', () => {
    const mill = new Mill(route()).usual();
    const trial = mill.bodies(1, true);
    expect(kinds(mill.measure(trial, [57]))).toEqual(['measures.taken']);
    const id = mill.bodies(1);
    mill.rows.amend(Batch, mill.batch(id), {});
    expect(mill.dimension?.count).toBe(LIMITS_FROM);
    expect(
      mill.rows
        .all(Measure)
        .filter((m) => m.batchId === trial)
        .map((m) => m.dimensionId),
    ).toEqual([null]);
  });
  test('that has moved on is not measured for the step it was at', () => {
    const mill = new Mill(route({ holds: false }));
    const id = mill.bodies(1);
    mill.measure(id, [56]);
    mill.work(id);
    mill.pass();
    expect(kinds(mill.measure(id, [56]))).toEqual(['rest does not measure width']);
  });
});

describe('a signal is settled', () => {
  const settle = (mill: Mill, over: object = {}) => {
    mill.pass();
    return mill.give(SettleSignal, { dimensionId: ID, note: 'Cutter changed', anew: false, ...over });
  };
  test('with what was found; its values make no run any more', () => {
    const mill = new Mill(route()).usual();
    mill.measure(mill.bodies(1), [56.08]);
    expect(kinds(settle(mill, { note: ' ' }))).toEqual(['Say what was found']);
    expect(kinds(settle(mill))).toEqual(['signal.settled']);
    expect(mill.dimension).toMatchObject({ signal: null, limits: { centre: 56 } });
    expect(kinds(settle(mill))).toEqual(['Pocket width: no rule has fired']);
    expect(kinds(mill.measure(mill.bodies(1), [56.08]))).toEqual(['measures.taken', 'batch.held']);
  });
  test('and begins anew where something that lasts was changed', () => {
    const mill = new Mill(route()).usual();
    expect(kinds(settle(mill, { anew: true }))).toEqual(['signal.settled']);
    expect(mill.dimension).toMatchObject({ limits: null, latest: [], count: LIMITS_FROM });
    mill.measure(
      mill.bodies(LIMITS_FROM),
      USUAL.map((v) => v + 0.05),
    );
    expect(mill.dimension?.limits?.centre).toBeCloseTo(56.05, 9);
  });
  test('by whoever decides', () => {
    const mill = new Mill(route({ decidingSkill: 'metrology' })).usual();
    mill.measure(mill.bodies(1), [56.08]);
    expect(mill.batch('B2').holdReason).toMatch(/; metrology decides$/);
    expect(kinds(settle(mill))).toEqual(['Whoever decides on pocket width is signed off for metrology']);
  });
});

describe('the gate rule', () => {
  const gate: Operation['gate'] = [{ kind: 'inControl', what: 'Pocket width', characteristic: 'width' }];
  const findings = (mill: Mill, id: string) => {
    mill.pass();
    const moved = mill.command(id, { command: 'move batch' });
    return kinds(moved);
  };
  test('waits for a chart, passes in control, stops at a signal', () => {
    const mill = new Mill(route({ holds: false }, gate));
    const first = mill.bodies(2);
    mill.command(first, { command: 'start work', personId: 'ann' });
    mill.measure(first, [56, 56.01]);
    mill.command(first, { command: 'finish work', good: 2, rework: 0, scrap: 0, outcomes: [] });
    expect(findings(mill, first)).toEqual(['Pocket width: 2 of 20 values that a chart needs']);
    mill.usual();
    expect(mill.dimension?.signal).toBeNull();
    mill.measure(mill.bodies(1), [56.2]);
    expect(findings(mill, first)).toEqual(['Pocket width is out of control: one value above the upper limit']);
    mill.pass();
    mill.give(SettleSignal, { dimensionId: ID, note: 'Chip in the fixture', anew: false });
    expect(findings(mill, first)).toContain('batch.moved');
  });
});

describe('a sample', () => {
  test('is as many of the pieces as the step says, and finishes it', () => {
    const mill = new Mill(route({ holds: false, sample: { measured: 1, of: 5 } }));
    const id = mill.bodies(6);
    mill.command(id, { command: 'start work', personId: 'ann' });
    mill.measure(id, [56]);
    mill.pass();
    const finish = { command: 'finish work', good: 6, rework: 0, scrap: 0, outcomes: [] } as const;
    expect(kinds(mill.command(id, finish))).toEqual(['Not measured yet: Pocket width: 1 of 2']);
    mill.measure(id, [56, 56.01]);
    expect(kinds(mill.command(id, finish))).toContain('work.finished');
  });
});
