import { describe, expect, test } from '@jest/globals';
import { Batch, FinishWork, MoveBatch, Piece, RigHour, StartWork, UndoEntry } from '../batches/index.ts';
import { EACH_PLACE, TOGETHER, type Carrier } from '../carriers/index.ts';
import { rigsAhead } from '../planning/index.ts';
import { OverrideRecord, type Operation, type Route } from '../routing/index.ts';
import { step, wait } from '../test/parts.ts';
import { TestHouse } from '../test/house.ts';
import { HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { CloseRig, PutInRig, TakeOut } from './index.ts';

const rig = (id: string, kind: Carrier['kind'], places: number, cycle: typeof EACH_PLACE | typeof TOGETHER): Carrier => ({
  id,
  name: id,
  kind,
  places,
  zoneId: 'bench',
  outline: null,
  rig: { stationCode: `S-${id}`, cycle, handsMinutes: 5 },
});
const CARRIERS = [rig('RACK', 'clamp rack', 4, EACH_PLACE), rig('PRESS', 'press', 6, TOGETHER)];
const clamped = (id: string, next: string[], over: Partial<Operation> = {}) =>
  wait(id, 'body', next, 0, { rig: { kind: 'clamp rack' }, gate: [{ kind: 'pressed', what: 'Clamped', adhesiveId: 'pva' }], ...over });
const ROUTE: Route = {
  id: 'g@1',
  modelId: 'g',
  version: 1,
  operations: [
    step('glue', 'body', ['clamp']),
    clamped('clamp', ['set']),
    wait('set', 'body', ['lay'], 0, { gate: [{ kind: 'glueSet', what: 'Glue set', adhesiveId: 'pva' }] }),
    step('lay', 'body', ['press']),
    clamped('press', ['saw'], { rig: { kind: 'press' }, gate: [{ kind: 'pressed', what: 'Pressed', adhesiveId: 'epoxy' }] }),
    step('saw', 'body', ['ship']),
    step('ship', 'body', [], { kind: 'dispatch' }),
  ],
};

const house = () => new TestHouse(new Map([[ROUTE.id, ROUTE]]), CARRIERS);
const ann = { personId: 'ann' };
const sentences = (decision: { kind: string; because?: readonly { sentence: string }[] }) =>
  decision.because?.map((f) => f.sentence).join('; ') ?? decision.kind;

/** A batch that has been glued and waits at its rig. */
function glued(h: TestHouse, pieces: number): string {
  const id = h.start('body', pieces, { route: ROUTE });
  h.work(id);
  return id;
}
/** A batch that waits at the press. */
function laid(h: TestHouse, pieces: number): string {
  const id = glued(h, pieces);
  for (let left = pieces; left > 0; left -= 4) {
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    h.pass(HOUR_MS);
    h.give(TakeOut, { batchId: id, rigId: 'RACK', ...ann });
  }
  h.pass(30 * HOUR_MS);
  h.give(MoveBatch, { batchId: id });
  h.work(id);
  return id;
}
const ids = (h: TestHouse, batchId: string) => h.live(batchId).map((p) => p.id);

describe('a rack with a timer for each place', () => {
  test('takes as many as fit; each is free when its own time is over; the whole batch then goes on by itself', () => {
    const h = house();
    const id = glued(h, 3);
    expect(h.batch(id)).toMatchObject({ operationId: 'clamp', status: 'dwelling' });
    expect(sentences(h.give(MoveBatch, { batchId: id }))).toBe('Clamped: not in a rig yet');
    expect(h.give(PutInRig, { batchId: id, rigId: 'RACK', pieceIds: ids(h, id).slice(0, 2), ...ann }).kind).toBe('accept');
    h.pass(20 * MINUTE_MS);
    expect(h.give(PutInRig, { batchId: id, rigId: 'RACK', places: [4], ...ann }).kind).toBe('accept');
    expect(ids(h, id).map((p) => h.rows.get(Piece, p).stay?.place)).toEqual([1, 2, 4]);
    h.pass(25 * MINUTE_MS);
    // 21 °C: 45 minutes take 42 of them.
    expect(sentences(h.give(MoveBatch, { batchId: id }))).toMatch(/^Clamped 2\d min of 45 min at 20\u00A0°C$/);
    expect(h.give(TakeOut, { batchId: id, rigId: 'RACK', ...ann }).kind).toBe('accept');
    expect(ids(h, id).filter((p) => h.rows.get(Piece, p).inRig !== null)).toHaveLength(1);
    expect(h.batch(id).operationId).toBe('clamp');
    expect(sentences(h.give(TakeOut, { batchId: id, rigId: 'RACK', ...ann }))).toMatch(/^in RACK for 2\d min of 45 min at 20\u00A0°C$/);
    h.pass(20 * MINUTE_MS);
    expect(sentences(h.give(MoveBatch, { batchId: id }))).toBe('Clamped 45 min: take it out of RACK');
    expect(h.give(TakeOut, { batchId: id, rigId: 'RACK', ...ann }).kind).toBe('accept');
    expect(h.batch(id)).toMatchObject({ operationId: 'set', status: 'dwelling' });
    const out = h.rows.all(RigHour).filter((r) => r.rigId === 'RACK');
    expect(out.reduce((sum, r) => sum + r.pieces, 0)).toBe(3);
    expect(out.reduce((sum, r) => sum + r.placeSeconds, 0)).toBe((2 * 45 + 45) * 60);
  });
  test('says who is there when it is full, where a place is not free, and what fits in it', () => {
    const h = house();
    const [one, two] = [glued(h, 3), glued(h, 3)];
    h.give(PutInRig, { batchId: one, rigId: 'RACK', ...ann });
    const put = (said: object) => sentences(h.give(PutInRig, { batchId: two, rigId: 'RACK', ...ann, ...said }));
    expect(put({ pieceIds: ids(h, two) })).toBe('1 of 4 places free in RACK; 3 pieces would go in');
    expect(put({ places: [1] })).toBe('Place 1 of RACK is not free');
    expect(put({ rigId: 'PRESS' })).toBe('clamp needs a clamp rack; PRESS is none for this model');
    expect(put({ rigId: 'nowhere' })).toBe('There is no rig nowhere');
    expect(put({ pieceIds: [ids(h, one)[0]] })).toMatch(/is not one of/);
    expect(put({})).toBe('accept');
    expect(put({})).toBe(`All 4 places of RACK are taken: ${one} (3), ${two} (1)`);
    expect(sentences(h.give(PutInRig, { batchId: one, rigId: 'RACK', ...ann }))).toBe(`Every piece of ${one} has been in a rig for clamp`);
  });
  test('takes pieces one by one while the rest is still glued, and their time counts', () => {
    const h = house();
    const id = h.start('body', 2, { route: ROUTE });
    h.give(StartWork, { batchId: id, ...ann });
    expect(h.give(PutInRig, { batchId: id, rigId: 'RACK', pieceIds: ids(h, id).slice(0, 1), ...ann }).kind).toBe('accept');
    h.pass(HOUR_MS);
    expect(h.give(TakeOut, { batchId: id, rigId: 'RACK', ...ann }).kind).toBe('accept');
    expect(h.batch(id).operationId).toBe('glue');
    h.give(FinishWork, { batchId: id, good: 2, rework: 0, scrap: 0, outcomes: [] });
    expect(h.batch(id).operationId).toBe('clamp');
    expect(sentences(h.give(MoveBatch, { batchId: id }))).toBe('Clamped: 1 of 2 not in a rig yet; of the others, clamped 45 min');
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    h.pass(HOUR_MS);
    h.give(TakeOut, { batchId: id, rigId: 'RACK', ...ann });
    expect(h.batch(id).operationId).toBe('set');
  });
  test('what is out goes ahead where it is told to: what never went in follows as a batch of its own, sets whole', () => {
    const h = house();
    const id = h.start('body', 6, { route: ROUTE, setIds: ['a', 'b', 'c', 'd', 'e', 'e'] });
    h.work(id);
    const all = ids(h, id);
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    expect(all.filter((p) => h.rows.get(Piece, p).inRig !== null)).toEqual(all.slice(0, 4));
    h.pass(HOUR_MS);
    expect(h.give(TakeOut, { batchId: id, rigId: 'RACK', ahead: true, ...ann }).kind).toBe('accept');
    expect(h.batch(id)).toMatchObject({ operationId: 'set', quantity: 4 });
    const rest = h.rows.get(Piece, all[4] ?? '').batchId;
    expect(rest).not.toBe(id);
    expect(h.batch(rest)).toMatchObject({ operationId: 'clamp', quantity: 2, parentId: id });
  });
  test('a set is not parted by it', () => {
    const h = house();
    const id = h.start('body', 5, { route: ROUTE, setIds: ['a', 'b', 'c', 'd', 'd'] });
    h.work(id);
    // The fourth stays out: its other would not fit.
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    expect(
      h
        .live(id)
        .filter((p) => p.inRig !== null)
        .map((p) => p.setId),
    ).toEqual(['a', 'b', 'c']);
    h.give(PutInRig, { batchId: id, rigId: 'RACK', pieceIds: ids(h, id).slice(3, 4), ...ann });
    h.pass(HOUR_MS);
    expect(sentences(h.give(TakeOut, { batchId: id, rigId: 'RACK', ahead: true, ...ann }))).toBe(
      'Set d would be parted: it stays together',
    );
  });
  test('is taken out early by a lead with a reason, which stays on the record; what was put in by mistake goes in again', () => {
    const h = house();
    const id = glued(h, 1);
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    expect(h.give(TakeOut, { batchId: id, rigId: 'RACK', back: true, ...ann }).kind).toBe('accept');
    expect(h.rows.get(Piece, ids(h, id)[0] ?? '')).toMatchObject({ inRig: null, stay: null });
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    h.pass(10 * MINUTE_MS);
    const early = (overrideReason: string) => h.give(TakeOut, { batchId: id, rigId: 'RACK', overrideReason, ...ann });
    expect(sentences(early(' no '))).toMatch(/needs a reason/);
    expect(early('Squeezed off its line').kind).toBe('accept');
    expect(h.rows.all(OverrideRecord).map((o) => o.reason)).toEqual(['Squeezed off its line']);
    expect(h.batch(id).operationId).toBe('set');
  });
  test('what has to be glued again comes out and is pressed again; what was good with it stays in', () => {
    const h = house();
    const id = h.start('body', 2, { route: ROUTE });
    const [good = '', bad = ''] = ids(h, id);
    h.give(StartWork, { batchId: id, ...ann });
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    const outcomes = [{ pieceId: bad, outcome: 'rework', defect: 'tear-out', originOperationId: 'glue', note: '' }];
    expect(h.give(FinishWork, { batchId: id, good: 1, rework: 1, scrap: 0, outcomes }).kind).toBe('accept');
    expect(h.rows.get(Piece, bad)).toMatchObject({ inRig: null, stay: { left: true } });
    expect(h.rows.get(Piece, good)).toMatchObject({ inRig: 'RACK', stay: { left: false } });
    h.work(id);
    expect(h.batch(id)).toMatchObject({ operationId: 'clamp' });
    h.pass(HOUR_MS);
    expect(sentences(h.give(MoveBatch, { batchId: id }))).toMatch(/^Clamped: 1 of 2 not in a rig yet/);
  });
});

describe('a press that is closed over all', () => {
  test('takes several batches, is closed once, opened once, and as long as the slowest asks', () => {
    const h = house();
    const [one, two] = [laid(h, 2), laid(h, 3)];
    expect(h.give(PutInRig, { batchId: one, rigId: 'PRESS', ...ann }).kind).toBe('accept');
    h.pass(30 * MINUTE_MS);
    expect(sentences(h.give(MoveBatch, { batchId: one }))).toBe('Pressed: 2 of 2 in PRESS, which is still open');
    expect(sentences(h.give(TakeOut, { batchId: one, rigId: 'PRESS', ...ann }))).toBe(
      'It was not closed: put them back, or close it first',
    );
    expect(h.give(PutInRig, { batchId: two, rigId: 'PRESS', ...ann }).kind).toBe('accept');
    const closed = h.give(CloseRig, { batchId: two, rigId: 'PRESS', ...ann });
    expect(closed.kind === 'accept' && closed.entries.map((e) => e.batchId)).toEqual([one, two]);
    const loads = new Set(
      h.rows.all(Piece).flatMap((p) => (p.inRig === 'PRESS' ? [`${p.stay?.loadId ?? ''} ${p.stay?.closedMs ?? ''}`] : [])),
    );
    expect(loads.size).toBe(1);
    // Nothing joins a load under pressure.
    const three = laid(h, 1);
    expect(sentences(h.give(PutInRig, { batchId: three, rigId: 'PRESS', ...ann }))).toMatch(
      new RegExp(`PRESS is closed over ${one} \\(2\\), ${two} \\(3\\): nothing goes in`),
    );
    expect(sentences(h.give(CloseRig, { batchId: one, rigId: 'PRESS', ...ann }))).toBe('PRESS is closed already');
    // Twelve hours at 20\u00A0°C, a little less at 21: over by now.
    expect(h.give(TakeOut, { batchId: one, rigId: 'PRESS', ...ann }).kind).toBe('accept');
    expect(h.batch(one).operationId).toBe('saw');
    expect(h.rows.all(Piece).filter((p) => p.inRig === 'PRESS')).toEqual([]);
    expect(h.batch(two).operationId).toBe('press');
    expect(h.give(MoveBatch, { batchId: two }).kind).toBe('accept');
    expect(h.give(PutInRig, { batchId: three, rigId: 'PRESS', ...ann }).kind).toBe('accept');
  });
  test('is opened early for all that is in it, or for none', () => {
    const h = house();
    const [one, two] = [laid(h, 2), laid(h, 2)];
    for (const id of [one, two]) h.give(PutInRig, { batchId: id, rigId: 'PRESS', ...ann });
    h.give(CloseRig, { batchId: one, rigId: 'PRESS', ...ann });
    h.pass(HOUR_MS);
    expect(sentences(h.give(TakeOut, { batchId: one, rigId: 'PRESS', ...ann }))).toMatch(/^in PRESS for 1 h .* of 12 h at 20\u00A0°C$/);
    expect(sentences(h.give(TakeOut, { batchId: one, rigId: 'PRESS', pieceIds: ids(h, one).slice(0, 1), ...ann }))).toBe(
      'What is closed over all comes out together',
    );
    expect(sentences(h.give(TakeOut, { batchId: one, rigId: 'PRESS', back: true, ...ann }))).toBe(
      'What is closed over all is opened for all, early with a reason',
    );
    const opened = h.give(TakeOut, { batchId: one, rigId: 'PRESS', overrideReason: 'The caul slipped', ...ann });
    expect(opened.kind === 'accept' && opened.entries.filter((e) => e.kind === 'rig.emptied').map((e) => e.batchId)).toEqual([one, two]);
    expect(h.rows.all(OverrideRecord)).toHaveLength(2);
  });
  test('moved on against its gate a batch leaves the rig; taken back, its time counts again', () => {
    const h = house();
    const id = glued(h, 2);
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    expect(h.give(MoveBatch, { batchId: id, overrideReason: 'Wanted at once' }).kind).toBe('accept');
    expect(h.live(id).map((p) => [p.inRig, p.stay?.left])).toEqual([
      [null, true],
      [null, true],
    ]);
    expect(h.give(UndoEntry, { batchId: id, entryId: h.recorder.entries.at(-1)?.id, reason: 'By mistake' }).kind).toBe('accept');
    expect(h.batch(id).operationId).toBe('clamp');
    expect(h.live(id).every((p) => p.stay?.left === false)).toBe(true);
  });
});

describe('glue that has to set', () => {
  test('is counted from when the clamps were closed, and never passes for what was in none', () => {
    const h = house();
    const id = glued(h, 1);
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    h.pass(HOUR_MS);
    h.give(TakeOut, { batchId: id, rigId: 'RACK', ...ann });
    expect(sentences(h.give(MoveBatch, { batchId: id }))).toBe('Glue set 1 h 5 min of 1 d at 20\u00A0°C');
    h.pass(23 * HOUR_MS);
    expect(h.give(MoveBatch, { batchId: id }).kind).toBe('accept');
    const other = glued(h, 1);
    h.give(MoveBatch, { batchId: other, overrideReason: 'Held by hand' });
    h.pass(48 * HOUR_MS);
    expect(sentences(h.give(MoveBatch, { batchId: other }))).toBe('Glue set: 1 of 1 were never closed in a rig');
  });
});

describe('what rigs need', () => {
  const ahead = (h: TestHouse) => {
    const batches = h.rows.all(Batch).filter((b) => b.status !== 'done');
    const time = h.factory.workingTime({ fromMs: h.nowMs - 24 * HOUR_MS, toMs: h.nowMs + 10 * 24 * HOUR_MS });
    const temperatures = new Map([['bench', Array.from({ length: 400 }, (_, i) => ({ atMs: h.nowMs - (400 - i) * HOUR_MS, tempC: 20 }))]]);
    const found = rigsAhead(
      { batches, pieces: h.rows.all(Piece), temperatures, hours: h.rows.all(RigHour), nowMs: h.nowMs, time },
      h.factory,
    );
    return { rack: found.find((r) => r.rig.id === 'RACK'), press: found.find((r) => r.rig.id === 'PRESS') };
  };
  test('what is in it, what could go in, what comes, and what it is good for', () => {
    const h = house();
    const waits = glued(h, 3);
    const soon = h.start('body', 2, { route: ROUTE });
    h.give(PutInRig, { batchId: waits, rigId: 'RACK', pieceIds: ids(h, waits).slice(0, 1), ...ann });
    const { rack, press } = ahead(h);
    expect(rack).toMatchObject({ free: 3, usualMinutes: 45, nextLoad: null });
    expect(rack?.coming).toMatchObject([{ batchId: soon, pieces: 2 }]);
    expect(rack?.waiting).toMatchObject([
      { batchId: waits, pieces: 2, fits: 2, state: 'waits' },
      { batchId: soon, pieces: 2, fits: 2, state: 'to be glued' },
    ]);
    expect(rack?.loads).toHaveLength(1);
    // 45 minutes and 5 for the hands: four in 50 minutes.
    expect(rack?.ceilingAnHour).toBeCloseTo((4 * 60) / 50, 9);
    // The work on it is that of the bench after it.
    expect(rack?.brings).toMatchObject([{ stationCode: 'S-lay', pieces: 1, minutes: 15 }]);
    expect(press).toMatchObject({ free: 6, loads: [], waiting: [], usualMinutes: 720, nextLoad: null });
  });
  test('a load that is not full says what there is for it, and whether to wait', () => {
    const h = house();
    const id = laid(h, 2);
    h.give(PutInRig, { batchId: id, rigId: 'PRESS', ...ann });
    expect(ahead(h).press).toMatchObject({ free: 4, nextLoad: { pieces: 2, closings: [{ closeMs: h.nowMs, pieces: 2, emptyPlaces: 4 }] } });
    h.give(CloseRig, { batchId: id, rigId: 'PRESS', ...ann });
    expect(ahead(h).press).toMatchObject({ free: 0, nextLoad: null });
    // One more has been laid: it is for the load after.
    const other = laid(h, 1);
    expect(ahead(h).press?.nextLoad).toMatchObject({ pieces: 1, closings: [{ emptyPlaces: 5 }] });
    expect(ahead(h).press?.waiting).toMatchObject([{ batchId: other, state: 'waits', fits: 0 }]);
  });
});
