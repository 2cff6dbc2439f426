import { describe, expect, test } from '@jest/globals';
import { Batch, Defect, Visit } from '../batches/index.ts';
import { placementsOf, takenOn } from '../carriers/index.ts';
import { HOUR_MS } from '../units/index.ts';
import { changed, WIDE_ROUTE } from '../test/routes.ts';
import type { TestHouse } from '../test/house.ts';
import { said, wideHouse, bodies, at, toBinding, toFitting } from '../test/wideHouse.ts';

describe('split, merge, part-finish', () => {
  test('what is split off is as far as the rest, on its share of the places', () => {
    const house = wideHouse();
    const id = bodies(house);
    house.work(id);
    house.command(id, { command: 'split batch', pieceIds: [`${id}-03`] });
    const off = house.rows.all(Batch).at(-1);
    expect(off).toMatchObject({ operationId: 'cool', status: 'dwelling', quantity: 1, arrivedMs: house.batch(id).arrivedMs });
    expect([takenOn(house.rows, 'F1'), placementsOf(house.rows, off?.id ?? '')[0]?.pieces]).toEqual([3, 1]);
    expect(said(house.command(off?.id ?? '', { command: 'split batch', pieceIds: [`${id}-03`] }))).toEqual([
      'That is all of it: nothing would stay behind',
    ]);
  });
  test('merged batches wait from the later arrival', () => {
    const house = wideHouse();
    const first = bodies(house, 2);
    house.work(first);
    house.pass(HOUR_MS);
    const second = bodies(house, 2);
    house.work(second);
    expect(said(house.command(first, { command: 'merge batches', fromBatchId: second }))).toEqual(['batch.merged']);
    expect(house.batch(first)).toMatchObject({ quantity: 4, arrivedMs: house.nowMs });
    expect(house.batch(second)).toMatchObject({ quantity: 0, status: 'done' });
    house.pass(HOUR_MS);
    expect(said(house.command(first, { command: 'move batch' }))).toEqual(['Waited 1 h of 2 h']);
    const third = bodies(house, 2);
    expect(said(house.command(third, { command: 'merge batches', fromBatchId: first }))[0]).toMatch(/is at another step/);
  });
  test('pieces that are ready go on while the rest is worked on', () => {
    const house = wideHouse();
    const id = bodies(house);
    toBinding(house, id);
    house.command(id, { command: 'start work', personId: 'ann' });
    house.pass();
    expect(said(house.command(id, { command: 'finish some', pieceIds: [`${id}-02`] }))).toEqual(['work.partFinished', 'batch.moved']);
    const ready = house.rows.all(Batch).at(-1);
    expect(ready).toMatchObject({ operationId: 'bindset', status: 'dwelling', quantity: 1, parentId: id });
    expect(house.batch(id)).toMatchObject({ status: 'running', quantity: 2 });
  });
});

describe('merged', () => {
  test('batches share places, count what is done together, and began with the first', () => {
    const house = wideHouse();
    const first = bodies(house, 2);
    house.pass(HOUR_MS);
    const second = bodies(house, 1);
    house.command(first, { command: 'place batch', placements: [{ carrierId: 'R1', pieces: 2 }] });
    house.command(second, { command: 'place batch', placements: [{ carrierId: 'R1', pieces: 1 }] });
    house.pass(HOUR_MS);
    const { startedMs, sinceMs } = house.batch(first);
    const later = house.batch(second).sinceMs;
    expect(later).toBeGreaterThan(sinceMs);
    house.command(first, { command: 'merge batches', fromBatchId: second });
    expect(house.batch(first)).toMatchObject({ startedMs, sinceMs: later, quantity: 3 });
    expect(placementsOf(house.rows, first).map((p) => [p.carrierId, p.pieces])).toEqual([['R1', 3]]);
    expect([placementsOf(house.rows, second), takenOn(house.rows, 'R1')]).toEqual([[], 3]);
  });
  test('what was finished of each adds up', () => {
    const house = wideHouse();
    const [first, second] = [bodies(house, 2), bodies(house, 3)];
    for (const id of [first, second]) {
      toBinding(house, id);
      house.command(id, { command: 'start work', personId: 'ann' });
      house.command(id, { command: 'finish work', good: house.live(id).length, rework: 0, scrap: 0, outcomes: [] });
    }
    house.pass(15 * HOUR_MS);
    const visits = [first, second].map((id) => house.rows.get(Visit, house.batch(id).visitId));
    house.command(first, { command: 'merge batches', fromBatchId: second });
    expect(house.rows.get(Visit, visits[0]?.id ?? '')).toMatchObject({ quantity: 5, leftMs: null });
    expect(house.rows.get(Visit, visits[1]?.id ?? '')).toMatchObject({ quantity: 0, good: 0, leftMs: house.nowMs });
  });
});

describe('taking back', () => {
  const undo = (house: TestHouse, id: string) =>
    house.command(id, {
      command: 'undo entry',
      entryId: house.recorder.entries.filter((e) => e.batchId === id && e.kind !== 'entry.undone').at(-1)?.id ?? 0,
      reason: 'Wrong card',
    });
  test('a start leaves the batch queued, without touch time, its place free', () => {
    const house = wideHouse();
    const id = bodies(house);
    house.command(id, { command: 'start work', personId: 'ann' });
    house.pass();
    expect(said(undo(house, id))).toEqual(['entry.undone', 'batch.placed']);
    expect(house.batch(id)).toMatchObject({ status: 'queued', jobId: null });
    expect(house.rows.get(Visit, house.batch(id).visitId)).toMatchObject({ startedMs: null, touchMs: 0 });
    expect(takenOn(house.rows, 'F1')).toBe(0);
  });
  test('a move, then the finish before it, with scrap and defects', () => {
    const house = wideHouse();
    const id = bodies(house);
    toBinding(house, id);
    house.work(id, { scrap: [`${id}-01`] });
    expect(at(house, id)).toEqual(['bindset', 'dwelling']);
    expect(said(undo(house, id))).toEqual(['entry.undone']);
    expect([...at(house, id), house.batch(id).passes['bindset']]).toEqual(['bind', 'finished', 0]);
    const finish = house.recorder.entries.filter((e) => e.batchId === id && e.kind === 'work.finished').at(-1);
    house.command(id, { command: 'undo entry', entryId: finish?.id ?? 0, reason: 'Not scrap after all' });
    expect(house.batch(id)).toMatchObject({ status: 'paused', quantity: 3 });
    expect(house.rows.all(Defect)).toEqual([]);
    house.command(id, { command: 'resume work', personId: 'ann' });
    house.command(id, { command: 'finish work', good: 3, rework: 0, scrap: 0, outcomes: [] });
    expect([...at(house, id), house.batch(id).pass, house.batch(id).quantity]).toEqual(['bindset', 'dwelling', 1, 3]);
  });
  test('of a finished sanding leaves the grit that came to it; the round of a loop is not counted', () => {
    const house = wideHouse(changed(WIDE_ROUTE, ['press', { grit: 80 }]));
    const id = bodies(house, 1);
    toBinding(house, id);
    for (let face = 1; face <= 2; face++) {
      house.work(id);
      house.pass(14 * HOUR_MS);
      house.command(id, { command: 'move batch' });
      const counted = house.batch(id).rounds;
      undo(house, id);
      expect([...at(house, id), house.batch(id).rounds['bindset'] ?? 0]).toEqual(['bindset', 'dwelling', face - 1]);
      house.command(id, { command: 'move batch' });
      expect(house.batch(id).rounds).toEqual(counted);
    }
    house.command(id, { command: 'accept batch' });
    house.work(id);
    expect([...at(house, id), house.live(id)[0]?.grit]).toEqual(['stock', 'stocked', 120]);
    undo(house, id);
    expect(at(house, id)).toEqual(['sand', 'finished']);
    const finish = house.recorder.entries.filter((e) => e.batchId === id && e.kind === 'work.finished').at(-1);
    house.command(id, { command: 'undo entry', entryId: finish?.id ?? 0, reason: 'Not sanded' });
    expect([house.batch(id).status, house.live(id)[0]?.grit]).toEqual(['paused', 80]);
  });
  test('of a call out of a buffer leaves it in the buffer, since it came there', () => {
    const house = wideHouse();
    const id = bodies(house, 1);
    toFitting(house, id);
    expect(at(house, id)[0]).toBe('fit');
    undo(house, id);
    expect(at(house, id)).toEqual(['stock', 'stocked']);
    expect(house.batch(id).sinceMs).toBe(house.batch(id).arrivedMs);
  });
  test('not once something rests on it', () => {
    const house = wideHouse();
    const id = bodies(house);
    house.command(id, { command: 'start work', personId: 'ann' });
    const started = house.recorder.entries.at(-1)?.id ?? 0;
    house.command(id, { command: 'pause work', cause: 'person' });
    expect(said(house.command(id, { command: 'undo entry', entryId: started, reason: 'x' }))[0]).toMatch(
      /something else has been logged since/,
    );
    expect(said(undo(house, id))[0]).toMatch(/cannot be taken back/);
  });
});

describe('another version', () => {
  test('work moves at its own step, and no way round a gate or a step', () => {
    const without = changed({ ...WIDE_ROUTE, id: 'wide@3', operations: WIDE_ROUTE.operations.filter((o) => o.id !== 'cool') }, [
      'bend',
      { next: ['press'], noWait: false },
    ]);
    const house = wideHouse(WIDE_ROUTE, 40, [without]);
    const id = bodies(house);
    house.work(id);
    expect(said(house.command(id, { command: 'reroute batch', routeId: 'wide@2', operationId: 'press', reason: 'New jig' }))).toEqual([
      `On that version batch ${id} stands at "cool"`,
    ]);
    expect(said(house.command(id, { command: 'reroute batch', routeId: 'wide@2', operationId: 'cool', reason: 'New jig' }))).toEqual([
      'batch.rerouted',
    ]);
    expect(house.batch(id)).toMatchObject({ routeId: 'wide@2', operationId: 'cool', status: 'dwelling' });
    expect(said(house.command(id, { command: 'reroute batch', routeId: without.id, operationId: 'press', reason: 'No rest' }))).toEqual([
      'Waited 0 min of 2 h',
    ]);
  });
});
