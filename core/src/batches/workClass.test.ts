import { describe, expect, test } from '@jest/globals';
import { SHORT_ROUTE } from '../test/routes.ts';
import { TestHouse } from '../test/house.ts';
import { BatchStarted } from './entries/batchStarted.ts';
import { BodyHour, ClassHour, JudgeTrial, StationHour, StepTimes, type WorkClass } from './index.ts';

// What is not made for orders and stock has hours of its own, and a trial ends with a verdict.

const house = () => new TestHouse(new Map([[SHORT_ROUTE.id, SHORT_ROUTE]]));
const start = (h: TestHouse, workClass: WorkClass) => h.start('body', 2, { route: SHORT_ROUTE, workClass });

describe('hours of a class of work', () => {
  test.each(['order', 'special', 'trial', 'tooling'] as const)('of %s', (workClass) => {
    const h = house();
    const id = start(h, workClass);
    const { stationCode } = h.batch(id);
    h.work(id);
    const hours = h.rows.all(ClassHour);
    expect(hours.map((c) => [c.stationCode, c.workClass, c.pieces, c.touchS > 0])).toEqual(
      workClass === 'order' ? [] : [[stationCode, workClass, 2, true]],
    );
    // Trials and tooling tell nothing of how the house works; a place was busy with them all the same.
    const counts = workClass === 'order' || workClass === 'special';
    expect(h.rows.all(StepTimes).length > 0).toBe(counts);
    expect(h.rows.all(BodyHour).some((b) => b.entered > 0)).toBe(counts);
    expect(h.rows.all(StationHour).some((s) => s.busyFirstMs + s.busySecondMs + s.busyThirdMs + s.busyLastMs > 0)).toBe(true);
  });
  test('a batch that was written down as a trial before there were classes is one', () => {
    const kind = BatchStarted;
    const older = { number: 1, trial: true };
    expect(kind.readers[2]?.(older as never)).toEqual({ number: 1, workClass: 'trial' });
    expect(kind.readers[2]?.({ number: 1 } as never)).toEqual({ number: 1 });
  });
});

describe('the verdict on a trial', () => {
  const judge = (h: TestHouse, batchId: string, said: object = {}) => {
    h.pass();
    const decision = h.give(JudgeTrial, { batchId, verdict: 'drop it', words: 'The roasted neck moved as much as before', ...said });
    return decision.kind === 'accept' ? 'kept' : decision.because.map((f) => f.sentence).join();
  };
  test('is of trials alone, says what was found, and the last one holds', () => {
    const h = house();
    expect(judge(h, start(h, 'special'))).toMatch(/is no trial$/);
    const id = start(h, 'trial');
    expect(h.batch(id).judged).toBeNull();
    expect(judge(h, id, { words: ' no. ' })).toMatch(/^Say what was found/);
    expect(judge(h, id)).toBe('kept');
    expect(judge(h, id, { verdict: 'take it up', words: ' Two weeks later it had not moved ' })).toBe('kept');
    expect(h.batch(id).judged).toEqual({
      verdict: 'take it up',
      words: 'Two weeks later it had not moved',
      personId: 'ann',
      atMs: h.nowMs,
    });
  });
  test('may be given while it is held, and when it is done', () => {
    const h = house();
    const id = start(h, 'trial');
    h.command(id, { command: 'hold batch', reason: 'In doubt' });
    expect(judge(h, id)).toBe('kept');
    h.command(id, { command: 'release batch' });
    h.pass();
    const pieces = h.live(id).map((p) => ({ pieceId: p.id, defect: 'tear-out', originOperationId: h.batch(id).operationId }));
    expect(h.command(id, { command: 'scrap pieces', pieces, note: '' } as never).kind).toBe('accept');
    expect(h.batch(id).status).toBe('done');
    expect(judge(h, id)).toBe('kept');
  });
});
