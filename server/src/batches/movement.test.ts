import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { advanceTo, card, openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const act = async (id: string, what: string, body: object = {}) => {
  const { batch } = await card(manager, id);
  return manager.post(`/batches/${id}/${what}`, { version: batch.version, ...body });
};
const sentences = (answer: { body: { findings?: { sentence: string }[] } }) => answer.body.findings?.map((f) => f.sentence);
const taken = async (carrierId: string) =>
  (await factory.database.query('select taken from carrier where id = $1', [carrierId]))[0].taken as number;

describe('places', () => {
  test('are counted by the database, given back, and never over-filled', async () => {
    const id = await startedBatch(factory, manager, 'body', 4);
    expect((await act(id, 'place', { placements: [{ carrierId: 'R01', pieces: 4 }] })).status).toBe(200);
    expect([await taken('R01'), (await card(manager, id)).batch.placements]).toEqual([
      4,
      [{ carrierId: 'R01', carrierName: 'Rack 1', pieces: 4 }],
    ]);
    expect(sentences(await act(id, 'place', { placements: [{ carrierId: 'R02', pieces: 3 }] }))).toEqual([
      '3 pieces are placed; the batch has 4',
    ]);
    await expect(
      factory.database.query(`insert into placement (id, batch_id, carrier_id, pieces) values ('x', $1, 'R02', 13)`, [id]),
    ).rejects.toThrow(/carrier_not_over_filled/);
    await act(id, 'place', { placements: [] });
    expect(await taken('R01')).toBe(0);
  });
  test('two who take the last ones at once: one of them is told', async () => {
    const ids = [await startedBatch(factory, manager, 'body', 7), await startedBatch(factory, manager, 'body', 7)];
    const answers = await Promise.all(ids.map((id) => act(id, 'place', { placements: [{ carrierId: 'R03', pieces: 7 }] })));
    expect(answers.map((a) => a.status).sort()).toEqual([200, expect.any(Number)]);
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    expect(answers.find((a) => a.status !== 200)?.body.detail).toMatch(/taken these places|places free/);
    expect(await taken('R03')).toBe(7);
  });
  test('where waiting is the step are no more than its station has, whoever comes at once', async () => {
    const clamps = (await manager.get('/setup')).body.stations.find((s: { code: string }) => s.code === 'RM3');
    const give = (places: number, version: number) => manager.put('/stations/RM3', { version, name: clamps.name, places });
    expect((await give(4, clamps.version)).status).toBe(200);
    const ids = [await startedBatch(factory, manager, 'body', 5), await startedBatch(factory, manager, 'body', 5)];
    for (const id of ids) {
      await advanceTo(factory, manager, id, 'b-glue');
      const { workers } = await card(manager, id);
      expect((await act(id, 'start', { personId: workers[0].id })).status).toBe(200);
      expect((await act(id, 'finish', { good: 5, rework: 0, scrap: 0, outcomes: [] })).status).toBe(200);
      // No place yet: it stays where it was worked on, and says what it waits for.
      expect((await card(manager, id)).batch).toMatchObject({ operationId: 'b-glue', status: 'finished' });
    }
    expect(sentences(await act(ids[0] ?? '', 'move'))).toEqual(['4 of 4 places free at Blank clamps; 5 are needed']);
    expect((await give(8, clamps.version + 1)).status).toBe(200);
    const answers = await Promise.all(ids.map((id) => act(id, 'move')));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 422]);
    const there = ids[answers.findIndex((a) => a.status === 200)] ?? '';
    expect(answers.flatMap((a) => sentences(a) ?? [])).toEqual([`3 of 8 places free at Blank clamps; 5 are needed: ${there} (5) is there`]);
    expect((await give(clamps.places, clamps.version + 2)).status).toBe(200);
  });
});

describe('hand-over and correction', () => {
  test('sanding asks to take over; refused pieces go back with their defect and their history', async () => {
    const id = await startedBatch(factory, manager, 'body', 3);
    await advanceTo(factory, manager, id, 'b-sand');
    const before = await card(manager, id);
    expect(before.batch).toMatchObject({ handOver: true, accepted: false });
    expect(sentences(await act(id, 'start', { personId: 'joss' }))).toEqual([`Batch ${id} has not been taken over yet`]);
    const fault = { pieceId: `${id}-02`, defect: 'binding gap', originOperationId: 'b-bind', note: '', disposition: 'rework' };
    expect((await act(id, 'refuse', { pieces: [{ ...fault, toOperationId: 'b-bind' }] })).status).toBe(200);
    const now = await card(manager, id);
    expect(now.batch.quantity).toBe(2);
    const [back] = (await manager.get('/batches?size=200')).body.rows.filter((b: { parentId: string | null }) => b.parentId === id);
    expect(back).toMatchObject({ operationId: 'b-bind', redo: true, quantity: 1, pass: 2 });
    const { pieces, defects, log } = await card(manager, id);
    expect(pieces.map((p: { id: string }) => p.id)).toEqual([`${id}-01`, `${id}-03`]);
    expect(defects).toMatchObject([{ pieceId: `${id}-02`, disposition: 'rework', originOperationName: 'Bind body' }]);
    expect(log[0].sentence).toBe(`Refused at Sand body: ${id}-02 (binding gap): rework at Bind body`);
  });
  test('a wrong start is taken back by an entry, not by forgetting', async () => {
    const id = await startedBatch(factory, manager, 'body', 2);
    const { workers } = await card(manager, id);
    await act(id, 'start', { personId: workers[0].id });
    const { undo } = await card(manager, id);
    expect(undo.sentence).toMatch(/^Cut and joint bodies started by/);
    expect((await act(id, 'undo', { entryId: undo.entryId, reason: 'Wrong card' })).status).toBe(200);
    const now = await card(manager, id);
    expect(now.batch.status).toBe('queued');
    expect(now.undo).toBeNull();
    expect(now.log.slice(0, 2).map((l: { kind: string }) => l.kind)).toEqual(['entry.undone', 'work.started']);
    expect((await act(id, 'undo', { entryId: undo.entryId, reason: 'Again' })).status).toBe(422);
  });
  test('split and merged, numbers and places go along', async () => {
    const id = await startedBatch(factory, manager, 'body', 5);
    await act(id, 'place', { placements: [{ carrierId: 'R05', pieces: 5 }] });
    await act(id, 'split', { pieceIds: [`${id}-04`, `${id}-05`] });
    const { besides } = await card(manager, id);
    const off = besides.find((b: { quantity: number; id: string }) => b.quantity === 2 && Number(b.id.slice(1)) > Number(id.slice(1)))
      ?.id as string;
    expect([await taken('R05'), (await card(manager, off)).batch.placements[0].pieces]).toEqual([5, 2]);
    expect((await act(id, 'merge', { fromBatchId: off })).status).toBe(200);
    expect([(await card(manager, id)).batch.quantity, (await card(manager, off)).batch.status, await taken('R05')]).toEqual([5, 'done', 5]);
  });
});

describe('what must exist first', () => {
  test('a program that is withdrawn stops the step that asks for it, by name', async () => {
    const id = await startedBatch(factory, manager, 'neck', 2);
    await advanceTo(factory, manager, id, 'n-machine');
    const programId = 'weirstone/Neck, first and second side/neckwood=mahogany';
    const { line } = (await manager.get(`/programs/one?id=${encodeURIComponent(programId)}`)).body;
    const withdrawn = { programId, version: line.version, revision: 'A', to: 'withdrawn', note: 'Gouges at the heel' };
    expect((await manager.post('/programs/move', withdrawn)).status).toBe(200);
    const { workers } = await card(manager, id);
    const sentence = 'The program "Neck, first and second side", revision A, is withdrawn, not released';
    expect((await card(manager, id)).batch.missing.map((f: { sentence: string }) => f.sentence)).toEqual([sentence]);
    expect(sentences(await act(id, 'start', { personId: workers[0].id }))).toEqual([sentence]);
    expect((await card(manager, id)).ways.map((w: { name: string }) => w.name)).toEqual(['By machine', 'By template and pin']);
  });
});

describe('options', () => {
  test('an order’s choice decides the route, and a choice there is not is refused', async () => {
    const order = (choices: object) =>
      manager.post('/orders', { modelId: 'lockkeeper', quantity: 2, customer: 'Stock', dueMs: factory.clock.nowMs() + 9e9, choices });
    expect((await order({ faces: 'three' })).body.detail).toMatch(/Binding cannot be "three"/);
    expect((await order({ colour: 'red' })).body.detail).toMatch(/no option "colour"/);
    expect((await order({ faces: 'one' })).status).toBe(200);
    const [open] = (await manager.get('/orders')).body.filter((o: { modelId: string }) => o.modelId === 'lockkeeper');
    expect(open.options).toEqual(['Binding: top only', 'Inlay: dots']);
  });
});
