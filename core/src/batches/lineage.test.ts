import { describe, expect, test } from '@jest/globals';
import { Coat, LogCoat } from '../finishing/index.ts';
import { Measure, TakeMeasures } from '../quality/index.ts';
import { TestHouse } from '../test/house.ts';
import { changed, SHORT_ROUTE } from '../test/routes.ts';
import { MINUTE_MS } from '../units/index.ts';
import { Job, Piece, Visit } from './index.ts';

const ROUTE = changed(
  SHORT_ROUTE,
  [
    'cut',
    {
      coat: { materialId: 'oil', volumeSolids: 0.5, coats: 2, wetUm: 50, flashMinutes: 30, recoatMaxMinutes: 240 },
      characteristics: [{ id: 'width', name: 'Width', unit: 'mm', low: 1, target: 2, high: 3 }],
    },
  ],
  ['rest', { gate: [{ kind: 'window', minimumMinutes: 30, maximumMinutes: 240, afterwards: 'Scuff sand' }] }],
);
/** Measured, not coated. */
const GATED = changed(ROUTE, ['cut', { coat: undefined }]);
const begun = (...counts: number[]) => {
  const house = new TestHouse(new Map([[ROUTE.id, ROUTE]]));
  const ids = counts.map((n) => house.start('body', n));
  return { house, ids };
};
const coat = (house: TestHouse, batchId: string) => house.give(LogCoat, { batchId, wetUm: 50 });
const measured = (house: TestHouse, batchId: string) =>
  house.give(TakeMeasures, {
    batchId,
    measures: house.live(batchId).map(({ id }) => ({ pieceId: id, characteristicId: 'width', value: 2 })),
  });
const start = (house: TestHouse, id: string) => house.command(id, { command: 'start work', personId: 'ann' });
const finish = (house: TestHouse, id: string) =>
  house.command(id, { command: 'finish work', good: house.live(id).length, rework: 0, scrap: 0, outcomes: [] });
const told = (decision: ReturnType<TestHouse['give']>) =>
  decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => f.sentence);
const minutes = (n: number) => n * MINUTE_MS;

describe('what pieces have on them stays with them', () => {
  test('those that go on before the rest keep their coats, their measures and their minutes; so do those that stay', () => {
    const { house, ids } = begun(4);
    const [id = ''] = ids;
    start(house, id);
    house.pass(minutes(10));
    coat(house, id);
    house.pass(minutes(40));
    expect(told(coat(house, id))).toEqual(['coat.logged']);
    measured(house, id);
    house.pass(minutes(10));
    expect(told(house.command(id, { command: 'finish some', pieceIds: [`${id}-01`] }))).toEqual(['work.partFinished', 'batch.moved']);
    house.pass(minutes(30));
    // The rest has both coats and its measures, and nothing to make up for.
    expect(told(finish(house, id))).toEqual(['work.finished', 'batch.moved']);
    expect(house.rows.get(Visit, 'B2/cut/1').touchMs).toBe(minutes(60) / 4);
    expect(house.rows.get(Visit, 'B1/cut/1').touchMs).toBe((minutes(60) * 3) / 4 + minutes(30));
    expect(house.rows.all(Job).map((job) => [(job.toMs ?? 0) - job.fromMs, job.shares.map((s) => s.pieceIds.length)])).toEqual([
      [minutes(90), [4, 3]],
    ]);
    expect(house.rows.get(Piece, `${id}-01`).lastCoat).toEqual({ visitId: 'B1/cut/1', coats: 2, atMs: house.nowMs - minutes(40) });
    // The gate of the next step looks at the coats that were laid before they were parted.
    house.pass(minutes(210));
    expect(told(house.command('B2', { command: 'move batch', accepted: true }))).toEqual(['Recoat window closed 10 min ago']);
  });
  test('a recoat window counts from the newest coat and to the oldest, whichever batch they were laid in', () => {
    const { house, ids } = begun(2, 2);
    const [one = '', two = ''] = ids;
    const coated = (id: string) => {
      start(house, id);
      for (let i = 0; i < 2; i++) {
        coat(house, id);
        house.pass(minutes(30));
      }
      measured(house, id);
      finish(house, id);
    };
    coated(one);
    house.pass(minutes(100));
    start(house, two);
    coat(house, two);
    house.pass(minutes(30));
    coat(house, two);
    measured(house, two);
    finish(house, two);
    expect(told(house.command(two, { command: 'merge batches', fromBatchId: one }))).toEqual(['batch.merged']);
    const moves = () => told(house.command(two, { command: 'move batch', accepted: true }));
    house.pass(minutes(10));
    expect(moves()).toEqual(['Flashed 10 min of 30 min']);
    house.pass(minutes(80));
    expect(moves()).toEqual(['Recoat window closed 10 min ago on 2 of 4 pieces']);
    expect(house.rows.get(Visit, `${two}/rest/1`).continues).toEqual([`${one}/rest/1`]);
  });
  test('measures taken before two batches became one need not be taken again', () => {
    const house = new TestHouse(new Map([[GATED.id, GATED]]));
    const [one, two] = [house.start('body', 2, { route: GATED }), house.start('body', 2, { route: GATED })];
    measured(house, one);
    house.pass(minutes(10));
    expect(told(house.command(one, { command: 'split batch', pieceIds: [`${one}-01`] }))).toEqual(['batch.split']);
    house.command(two, { command: 'merge batches', fromBatchId: 'B3' });
    house.command(two, { command: 'merge batches', fromBatchId: one });
    start(house, two);
    expect(told(finish(house, two))).toEqual([`Not measured yet: ${two}-01, ${two}-02`]);
    measured(house, two);
    expect(told(finish(house, two))).toContain('work.finished');
  });
});

describe('what must be done again', () => {
  const ALONE = changed(SHORT_ROUTE, ['cut', { reworkAlone: true }]);
  const count = (house: TestHouse, id: string, again: readonly string[], scrapped: readonly string[] = []) => {
    start(house, id);
    house.pass(minutes(10));
    const outcome = (kind: 'rework' | 'scrap') => (pieceId: string) => ({
      pieceId,
      outcome: kind,
      defect: 'crack',
      originOperationId: 'cut',
      note: '',
    });
    const redo = house.batch(id).redo;
    const inPass = house.live(id).filter((p) => !redo || p.state === 'rework').length;
    return told(
      house.command(id, {
        command: 'finish work',
        good: inPass - again.length - scrapped.length,
        rework: again.length,
        scrap: scrapped.length,
        outcomes: [...again.map(outcome('rework')), ...scrapped.map(outcome('scrap'))],
      }),
    );
  };

  test('goes back alone while the rest goes on, through any number of levels, and comes together again', () => {
    const house = new TestHouse(new Map([[ALONE.id, ALONE]]));
    const id = house.start('body', 6);
    const [one, two, , four] = house.live(id).map((p) => p.id);
    expect(count(house, id, [one ?? '', two ?? ''], [four ?? ''])).toEqual(['work.finished', 'batch.moved']);
    expect(house.batch(id)).toMatchObject({ operationId: 'rest', quantity: 3, redo: false });
    expect(house.batch('B2')).toMatchObject({ operationId: 'cut', quantity: 2, redo: true, pass: 2, status: 'queued', parentId: id });
    expect(house.rows.get(Visit, `${id}/cut/1`)).toMatchObject({ quantity: 6, good: 3, rework: 2, scrap: 1, touchMs: minutes(10) });
    expect(count(house, 'B2', [two ?? ''])).toEqual(['work.finished', 'batch.moved']);
    expect(house.batch('B3')).toMatchObject({ operationId: 'cut', quantity: 1, pass: 3 });
    // The last of them has nothing that could go on without it.
    expect(count(house, 'B3', [two ?? ''])).toEqual(['work.finished']);
    expect(house.batch('B3')).toMatchObject({ pass: 4, redo: true, status: 'queued' });
    expect(count(house, 'B3', [])).toEqual(['work.finished', 'batch.moved']);
    for (const from of ['B2', 'B3'])
      expect(told(house.command(id, { command: 'merge batches', fromBatchId: from }))).toEqual(['batch.merged']);
    expect(house.live(id).map((p) => [p.id, p.state])).toEqual(house.live(id).map((p) => [p.id, 'good']));
    expect(house.batch(id).quantity).toBe(5);
    const worked = house.rows.all(Visit).reduce((sum, v) => sum + v.touchMs, 0);
    expect(worked).toBe(minutes(40));
  });
  test('waits for nobody once it is parted from what is good; and cannot be taken back when it has gone', () => {
    const house = new TestHouse();
    const id = house.start('body', 3);
    expect(count(house, id, [`${id}-02`])).toEqual(['work.finished']);
    expect(house.batch(id)).toMatchObject({ redo: true, status: 'queued', quantity: 3 });
    expect(told(house.command(id, { command: 'split batch', pieceIds: [`${id}-02`] }))).toEqual(['batch.split']);
    expect(house.batch(id)).toMatchObject({ redo: false, status: 'finished', quantity: 2 });
    expect(house.batch('B2')).toMatchObject({ redo: true, status: 'queued', quantity: 1 });
    expect(told(house.command(id, { command: 'move batch', accepted: true }))).toEqual(['batch.moved']);

    const other = new TestHouse(new Map([[ALONE.id, ALONE]]));
    const batch = other.start('body', 3);
    count(other, batch, [`${batch}-01`]);
    const last = other.recorder.entries.filter((e) => e.batchId === batch && e.kind === 'work.finished').at(-1)?.id ?? 0;
    expect(told(other.command(batch, { command: 'undo entry', entryId: last, reason: 'Wrong' }))[0]).toMatch(
      /something else has been logged/,
    );
  });
});

describe('a load', () => {
  test('of three batches is one job; each leaves it when it is counted, and no minute is lost', () => {
    const { house, ids } = begun(6, 3, 1);
    const [one = '', two = '', three = ''] = ids;
    expect(told(house.command(one, { command: 'start work', personId: 'ann', withBatchIds: [two, three] }))).toEqual([
      'work.started',
      'work.started',
      'work.started',
    ]);
    const [job] = house.rows.all(Job);
    expect(house.rows.all(Job)).toHaveLength(1);
    expect(ids.map((id) => house.batch(id).jobId)).toEqual(ids.map(() => job?.id));
    for (const id of ids) {
      house.pass(minutes(1));
      coat(house, id);
      measured(house, id);
    }
    house.pass(minutes(37));
    for (const id of ids) coat(house, id);
    house.pass(minutes(20));
    expect(told(finish(house, one))).toEqual(['work.finished', 'batch.moved']);
    house.pass(minutes(20));
    for (const id of [three, two]) expect(told(finish(house, id))).toEqual(['work.finished', 'batch.moved']);
    const touch = ids.map((id) => house.rows.get(Visit, `${id}/cut/1`).touchMs);
    expect(touch).toEqual([minutes(36), minutes(18 + 15), minutes(6 + 5)]);
    expect(house.rows.all(Job)[0]).toMatchObject({ toMs: house.nowMs, fromMs: house.nowMs - minutes(80) });
    expect(house.rows.all(Coat).map((c) => [c.batchId, c.pieceIds.length, c.jobId])).toEqual(
      [one, two, three, one, two, three].map((id) => [id, house.live(id).length, job?.id]),
    );
    expect(house.rows.all(Measure)).toHaveLength(10);
  });
  test('is not begun with one that is elsewhere, held, named twice, or changed since', () => {
    const { house, ids } = begun(2, 2);
    const [one = '', two = ''] = ids;
    const together = (...withBatchIds: string[]) => told(house.command(one, { command: 'start work', personId: 'ann', withBatchIds }));
    expect(together(two, two)).toEqual(['A batch is named twice']);
    expect(together(one)).toEqual(['A batch is named twice']);
    const neck = house.start('neck', 2);
    expect(together(neck)).toEqual([`Batch ${neck} is at another station`]);
    house.command(two, { command: 'hold batch', reason: 'In doubt' });
    expect(together(two)).toEqual([`Batch ${two} is held: In doubt`]);
    expect(house.rows.all(Job)).toEqual([]);
  });
  test('a batch that was begun with others by mistake is taken out again, until one of them is done', () => {
    const { house, ids } = begun(2, 2);
    const [one = '', two = ''] = ids;
    house.command(one, { command: 'start work', personId: 'ann', withBatchIds: [two] });
    const last = (id: string) => house.recorder.entries.filter((e) => e.batchId === id).at(-1)?.id ?? 0;
    const undo = (id: string) => told(house.command(id, { command: 'undo entry', entryId: last(id), reason: 'Wrong one' }));
    house.pass(minutes(10));
    expect(undo(one)).toEqual(['entry.undone']);
    expect(house.batch(one)).toMatchObject({ status: 'queued', jobId: null });
    expect(house.batch(two).status).toBe('running');
    house.command(two, { command: 'pause work', cause: 'break' });
    expect(house.rows.get(Visit, `${two}/cut/1`).touchMs).toBe(minutes(10));
    house.command(one, { command: 'start work', personId: 'ann' });
    expect(house.batch(one).jobId).not.toBe(house.rows.all(Job)[0]?.id);
  });
});
