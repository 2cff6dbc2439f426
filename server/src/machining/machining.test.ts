import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { START_CHECKS } from '@ample-crane/core';
import { ownerDataSource } from '../database.ts';
import { allRoutes } from '../factory/allRoutes.ts';
import { rebuild } from '../logbook/rebuild.ts';
import { ROW_TABLES } from '../tables.ts';
import { advanceTo, card, checked, openFactory, startedBatch, type Answer, type Caller, type TestFactory } from '../test/factory.ts';
import { undoThrough } from '../test/migrations.ts';

let factory: TestFactory;
let manager: Caller;
let operator: Caller;
beforeAll(async () => {
  factory = await openFactory();
  [manager, operator] = [await factory.as('manager'), await factory.as('operator')];
});
afterAll(() => factory.close());

const must = async (asking: Promise<Answer>): Promise<Answer> => {
  const answer = await asking;
  if (answer.status !== 200) throw new Error(answer.text);
  return answer;
};
const program = async (id: string) => (await must(manager.get(`/programs/one?id=${encodeURIComponent(id)}`))).body;
const revision = (over: object = {}) => ({
  why: 'Shorter way to the neck pocket',
  file: 'WS-body-B.nc',
  fixture: 'Body pins, two up',
  piecesALoad: 2,
  cutters: [{ cutter: '6 mm finisher', minutes: 60 }],
  planned: { setUp: 20, load: 5, run: 120, unload: 4 },
  ...over,
});
const on = async (programId: string, act: string, body: object) =>
  manager.post(`/programs/${act}`, { programId, version: (await program(programId)).line.version, ...body });
const sentences = ({ body }: Answer) => body.findings?.map((f: { sentence: string }) => f.sentence);
const BODY = 'weirstone/Body, both sides';

describe('a program', () => {
  const asking = { modelId: 'skiff', what: 'Inlay pockets', side: 'top', serves: [], ownerId: 'anselm', note: 'for the spring fair' };

  test('is asked for once, by name, for a model that there is', async () => {
    await must(manager.post('/programs', asking));
    expect((await manager.post('/programs', asking)).body.detail).toBe('The program "Inlay pockets" is on record already');
    expect((await manager.post('/programs', { ...asking, modelId: 'osprey' })).body.fields[0].field).toBe('modelId');
    expect((await manager.post('/programs', { ...asking, surprise: 1 })).status).toBe(400);
    expect((await program('skiff/Inlay pockets')).line).toMatchObject({ state: 'asked', owner: 'Anselm Roake', wanted: null, version: 1 });
    expect((await manager.get('/programs/one?id=none')).status).toBe(404);
  });

  test('two who release at once: one does, the other is told that it has changed', async () => {
    await must(on(BODY, 'draw', revision()));
    await must(on(BODY, 'move', { revision: 'B', to: 'checked', note: '' }));
    const short = await on(BODY, 'prove', { revision: 'B', piece: 'W1', measures: [], note: '' });
    expect(sentences(short)).toEqual(['Not measured yet: Pocket width']);
    await must(on(BODY, 'prove', { revision: 'B', piece: 'W1', measures: [{ characteristicId: 'pocketWidth', value: 56.04 }], note: '' }));
    const { version } = (await program(BODY)).line;
    const release = { programId: BODY, version, revision: 'B', to: 'released', note: '' };
    const answers = await Promise.all([manager.post('/programs/move', release), manager.post('/programs/move', release)]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    const { line, revisions } = await program(BODY);
    expect([line.released, revisions.map((r: { name: string; state: string }) => [r.name, r.state])]).toEqual([
      'B',
      [
        ['B', 'released'],
        ['A', 'withdrawn'],
      ],
    ]);
    expect(revisions[0].proof).toMatchObject({ piece: 'W1', by: 'Maren Holloway', measures: [{ name: 'Pocket width', value: 56.04 }] });
  });

  test('orders wait for one that is not released, until what is left of them is past its step', async () => {
    const wants = { modelId: 'weirstone', quantity: 2, customer: 'Quayside Strings', dueMs: factory.clock.nowMs() + 60 * 86_400_000 };
    await must(manager.post('/orders', { ...wants, choices: { neckwood: 'maple' } }));
    const maple = 'weirstone/Neck, first and second side/neckwood=maple';
    await must(on(maple, 'move', { revision: 'A', to: 'withdrawn', note: 'Gouges at the heel' }));
    const { line } = await program(maple);
    expect(line).toMatchObject({ state: 'asked', serves: ['Neck: sugar maple'] });
    expect(line.wanted).toMatchObject({ stepName: 'Machine necks', orders: [{ customer: 'Quayside Strings' }] });
    expect(line.wanted.otherWays).toEqual([{ name: 'By template and pin', stationName: 'Neck carving' }]);
    const { decisions } = (await manager.get('/morning')).body;
    expect(decisions.find((d: { subject: string }) => d.subject === 'program')).toMatchObject({ id: maple, stage: 'machining' });
    await must(on(maple, 'assign', { ownerId: 'dov', note: 'Anselm is away' }));
    await must(on(maple, 'draw', revision({ why: 'Slower at the heel', piecesALoad: 4 })));
    await must(on(maple, 'move', { revision: 'B', to: 'checked', note: '' }));
    await must(on(maple, 'prove', { revision: 'B', piece: 'W2', measures: [{ characteristicId: 'tenonWidth', value: 55.93 }], note: '' }));
    await must(on(maple, 'move', { revision: 'B', to: 'released', note: '' }));
    expect((await program(maple)).line).toMatchObject({ state: 'released', owner: 'Dov Castellan', wanted: null });
  });

  test('other minutes are planned for a reason', async () => {
    const planned = { setUp: 15, load: 5, run: 100, unload: 4 };
    expect((await on(BODY, 'plan', { revision: 'B', planned, note: '' })).status).toBe(400);
    await must(on(BODY, 'plan', { revision: 'B', planned, note: 'Watched two loads' }));
    expect((await program(BODY)).revisions[0].planned.run).toBe(100);
  });
});

describe('a machine', () => {
  const start = async (id: string, check: object | undefined) => {
    const { batch, workers } = await card(manager, id);
    return manager.post(`/batches/${id}/start`, { version: batch.version, personId: workers[0].id, ...(check ? { check } : {}) });
  };
  const log = async (cutterId: string, act: string, over: object = {}) => {
    const { version } = (await manager.get('/cutters')).body.find((c: { id: string }) => c.id === cutterId);
    return operator.post('/cutters/log', { cutterId, version, act, stationCode: null, bench: null, lifeMinutes: null, note: '', ...over });
  };

  test('starts with what the card asks for, ticked; and tells who was there before', async () => {
    const id = await startedBatch(factory, manager, 'body', 2);
    await advanceTo(factory, manager, id, 'b-machine');
    const asked = (await card(manager, id)).program;
    expect(asked).toMatchObject({ what: 'Body, both sides', revision: 'B', piecesALoad: 2, loads: 1, checked: true });
    expect(sentences(await start(id, undefined))).toEqual(['Tick the start checklist of Body machining centre first']);
    const { check } = checked({ program: asked }) as { check: { machineId: string } };
    expect(sentences(await start(id, { ...check, revision: 'A' }))).toEqual([
      'The machine shows revision A; the card asks for B of "Body, both sides"',
    ]);
    expect(sentences(await start(id, { ...check, ticks: [] }))).toEqual([`Not ticked yet: ${START_CHECKS.map((c) => c.text).join('; ')}`]);
    await must(start(id, check));
    const held = (await must(manager.get(`/batches/${id}/held`))).body;
    expect([held.programs, held.rows.program.length > 0]).toEqual([['Body, both sides'], true]);
    const machines = (await must(manager.get('/machines'))).body;
    expect(machines.find((m: { id: string }) => m.id === check.machineId)).toMatchObject({
      batchIds: [id],
      left: expect.stringContaining('Weirstone “Body, both sides”, revision B'),
    });
  });

  test('refuses a start while a cutter that the program names is not on it, and warns of one that will not last', async () => {
    await must(manager.post('/cutters', { id: 'F1', kind: '6 mm finisher', lifeMinutes: 50, note: '' }));
    expect((await manager.post('/cutters', { id: 'F1', kind: '6 mm finisher', lifeMinutes: 50, note: '' })).status).toBe(422);
    await must(log('F1', 'mount', { stationCode: 'MC1', bench: 9 }));
    const id = await startedBatch(factory, manager, 'body', 2);
    await advanceTo(factory, manager, id, 'b-machine');
    const { program: asked } = await card(manager, id);
    const on9 = asked.machines.find((m: { bench: number }) => m.bench === 9);
    expect([asked.machines[1].lacking, on9.lacking, on9.warnings]).toEqual([
      ['6 mm finisher'],
      [],
      ['6 mm finisher F1: 0 of 50 min: it lasts for 0 of the 1 loads'],
    ]);
    const ticks = START_CHECKS.map((c) => c.key);
    const refused = await start(id, { machineId: asked.machines[1].id, revision: 'B', ticks });
    expect(sentences(refused)).toEqual(['Not on this machine: 6 mm finisher']);
    await must(start(id, { machineId: 'MC1#9', revision: 'B', ticks, setUpMinutes: 10 }));
    factory.clock.pass(3_600_000);
    const now = await card(manager, id);
    const measures = now.inPass.map((pieceId: string) => ({ pieceId, characteristicId: 'pocketWidth', value: 56.05 }));
    await must(manager.post(`/batches/${id}/measures`, { version: now.batch.version, measures }));
    const { batch } = await card(manager, id);
    await must(manager.post(`/batches/${id}/finish`, { version: batch.version, good: 2, rework: 0, scrap: 0, outcomes: [] }));
    const [worn] = (await manager.get('/cutters')).body;
    expect(worn).toMatchObject({
      id: 'F1',
      usedMinutes: 60,
      lifeMinutes: 50,
      state: 'mounted',
      acts: expect.arrayContaining(['sharpened']),
    });
    const { decisions } = (await manager.get('/morning')).body;
    expect(decisions.find((d: { subject: string }) => d.subject === 'cutter').sentence).toBe(
      'Cutter F1 (6 mm finisher) at Body machining centre: 60 of 50 min of its life are gone; no sharp one lies on the shelf',
    );
    const { truths } = (await program(BODY)).revisions[0];
    expect(truths).toMatchObject([{ stationCode: 'MC1', load: { count: 1 }, setUp: { count: 1 } }]);
    expect(truths[0].load.medianMinutes).toBeCloseTo(50, 0);
    expect((await log('F1', 'broken')).body.fields[0].field).toBe('note');
    await must(log('F1', 'sharpened', { lifeMinutes: 45 }));
    expect((await manager.get('/cutters')).body[0]).toMatchObject({ usedMinutes: 0, lifeMinutes: 45, sharpened: 1, stationName: null });
  });

  test('has its next loads planned, with reasons; what a person puts first stays first', async () => {
    const [one, two] = [await startedBatch(factory, manager, 'body', 2), await startedBatch(factory, manager, 'body', 4)];
    for (const id of [one, two]) await advanceTo(factory, manager, id, 'b-machine');
    const planned = async () => (await must(manager.get('/loads'))).body;
    const all = (await planned()).machines.flatMap((m: { next: { batchId: string }[] }) => m.next.map((n) => n.batchId));
    expect([one, two].every((id) => all.includes(id))).toBe(true);
    const wanted = { stationCode: 'MC1', bench: 30, batchIds: [two, one], before: [] };
    const answers = await Promise.all([manager.post('/loads/order', wanted), manager.post('/loads/order', { ...wanted, batchIds: [one] })]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 422]);
    const machine = (await planned()).machines.find((m: { id: string }) => m.id === 'MC1#30');
    expect(machine.next[0]).toMatchObject({ pinned: true, reason: expect.stringMatching(/^put here by hand/), batchId: machine.pinned[0] });
    expect((await operator.post('/loads/order', wanted)).status).toBe(403);
    await must(manager.post('/loads/order', { ...wanted, batchIds: [], before: machine.pinned }));
    expect((await planned()).machines.find((m: { id: string }) => m.id === 'MC1#30').pinned).toEqual([]);
  });

  test('is set up by one of two who press at once', async () => {
    const ids = [await startedBatch(factory, manager, 'body', 2), await startedBatch(factory, manager, 'body', 2)];
    for (const id of ids) await advanceTo(factory, manager, id, 'b-machine');
    const check = { machineId: 'MC1#20', revision: 'B', ticks: START_CHECKS.map((c) => c.key) };
    const answers = await Promise.all(ids.map((id) => start(id, check)));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 422]);
  });

  test('all of it is told again from the logbook as it stands', async () => {
    const owner = await ownerDataSource().initialize();
    try {
      const { differences, first } = await rebuild(owner, ROW_TABLES, allRoutes, { write: false });
      expect([differences, first]).toEqual([0, []]);
    } finally {
      await owner.destroy();
    }
  });
});

test('programs that were kept with the equipment are carried over, under their revision', async () => {
  const empty = await openFactory('nothing');
  const owner = await ownerDataSource().initialize();
  try {
    await undoThrough(owner, 'Programs1700000000031');
    await owner.query(`insert into prerequisite (id, kind, what, model_id, revision, state, note) values
      ('p1', 'program', 'Sides', null, 'C', 'released', ''), ('p2', 'program', 'Slots', null, 'A', 'draft', 'Ida draws it'), ('p3', 'kit', 'Pins', null, '1', 'released', '')`);
    await owner.runMigrations();
    expect(await owner.query('select kind from prerequisite')).toEqual([{ kind: 'kit' }]);
    await rebuild(owner, ROW_TABLES, allRoutes, { write: true });
    const rows = await owner.query<{ id: string; note: string; revisions: { name: string; state: string }[] }[]>(
      'select id, note, revisions from program order by id',
    );
    expect(rows.map((r) => [r.id, r.note, r.revisions.map((v) => [v.name, v.state])])).toEqual([
      ['any/Sides', '', [['C', 'released']]],
      ['any/Slots', 'Ida draws it', [['A', 'drawn']]],
    ]);
  } finally {
    await owner.destroy();
    await empty.close();
  }
});
