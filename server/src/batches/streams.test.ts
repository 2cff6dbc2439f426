import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { advanceTo, card, DAY, doStep, openFactory, releasedLot, type Answer, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
const lots = new Map<string, string>();

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const act = async (id: string, what: string, body: object = {}): Promise<Answer> => {
  const { batch } = await card(manager, id);
  return manager.post(`/batches/${id}/${what}`, { version: batch.version, ...body });
};
const done = async (answer: Promise<Answer>): Promise<void> => {
  const { status, body } = await answer;
  expect([status, body.findings ?? body.fields ?? body.detail]).toEqual([200, undefined]);
};
const refusal = async (answer: Promise<Answer>): Promise<string> =>
  (await answer).body.findings?.map((f: { sentence: string }) => f.sentence).join('; ');
const who = async (id: string): Promise<string> => (await card(manager, id)).workers[0].id;

/** A released lot of a wood, the same for every batch of these tests. */
async function lotOf(species: string, use: string, thicknessMm: number): Promise<string> {
  const key = `${species}/${use}`;
  const known = lots.get(key);
  if (known !== undefined) return known;
  const id = await releasedLot(factory, manager, { species, use, thicknessMm, volumeM3: 2 });
  lots.set(key, id);
  return id;
}

async function start(
  modelId: string,
  component: string,
  quantity: number,
  wood: [string, string, number],
  over: object = {},
): Promise<string> {
  const lotId = await lotOf(...wood);
  const { status, body } = await manager.post('/batches', { modelId, component, quantity, lotId, orderId: null, ...over });
  expect([status, body.detail]).toEqual([200, undefined]);
  return body.id;
}

const SIDES: [string, string, number] = ['black walnut', 'sides', 10];
const TOP: [string, string, number] = ['Sitka spruce', 'top', 10];
const NECK: [string, string, number] = ['mahogany', 'neck', 27];
const MAPLE_NECK: [string, string, number] = ['sugar maple', 'neck', 27];
const N = 3;

describe('an acoustic, from five streams to one', () => {
  let body = '';
  let instruments = '';
  let necks = '';
  let given: string[] = [];

  test('sides go straight from the iron into their forms, and are not left there for good', async () => {
    body = await start('headwater', 'body', N, SIDES);
    await doStep(factory, manager, body);
    const { batch } = await card(manager, body);
    expect(batch).toMatchObject({ operationId: 'b-form', status: 'dwelling' });
    expect(batch.placements.every((p: { carrierName: string }) => /form/i.test(p.carrierName))).toBe(true);
    expect(batch.placements.reduce((sum: number, p: { pieces: number }) => sum + p.pieces, 0)).toBe(N);
    await advanceTo(factory, manager, body, 'b-back');
    expect((await card(manager, body)).batch.placements).toEqual([]);
  });

  test('a back of another block is refused; its own is joined, and gone as a batch', async () => {
    const strange = await start('headwater', 'back', N, SIDES);
    const own = await start('headwater', 'back', N, SIDES, { matchBatchId: body });
    for (const id of [strange, own]) await advanceTo(factory, manager, id, 'b-back');
    const personId = await who(body);
    expect(await refusal(act(body, 'join', { personId, guestBatchIds: [strange] }))).toBe(
      `${body}-01 has no part here that was cut from its own block`,
    );
    await done(act(body, 'join', { personId, guestBatchIds: [own] }));
    expect((await card(manager, own)).batch.status).toBe('done');
    const { pieces } = await card(manager, body);
    expect(pieces.map((p: { id: string }) => p.id)).toEqual([1, 2, 3].map((i) => `${body}-0${i}`));
  });

  test('braces are drawn from their boxes as tops are braced, and lacking them nothing begins', async () => {
    const tops = await start('headwater', 'top', N, TOP);
    await advanceTo(factory, manager, tops, 't-brace');
    const personId = await who(tops);
    expect(await refusal(act(tops, 'start', { personId }))).toBe('0 of 3 Headwater braces in stock for brace the tops');
    const braces = await start('headwater-braces', 'small part', 10, TOP);
    await advanceTo(factory, manager, braces, 'p-box');
    expect((await card(manager, braces)).batch.status).toBe('stocked');
    await doStep(factory, manager, tops);
    expect((await card(manager, braces)).batch.quantity).toBe(10 - N);
    await advanceTo(factory, manager, tops, 'b-top');
    await done(act(body, 'join', { personId, guestBatchIds: [tops] }));
    await advanceTo(factory, manager, body, 'fit');
  });

  test('fitted dry, taken apart, each half is bound to the other by its serial', async () => {
    const necksMade = await start('headwater', 'neck', N, NECK);
    await advanceTo(factory, manager, necksMade, 'fit');
    const set = (await manager.get('/fitting')).body.sets.find((s: { body: { id: string } }) => s.body.id === body);
    const fitted = await manager.post('/fitting', {
      bodyBatchId: body,
      bodyVersion: set.body.version,
      neckBatchId: necksMade,
      neckVersion: set.neck.version,
      pairs: set.proposed.map((p: { bodyId: string; neckId: string }) => ({ bodyId: p.bodyId, neckId: p.neckId })),
    });
    instruments = fitted.body.id;
    await done(act(instruments, 'part', { personId: await who(instruments) }));
    const halves = (await manager.get('/batches?size=200')).body.rows.filter(
      (b: { parentId: string | null }) => b.parentId === instruments,
    );
    expect(halves.map((b: { component: string; quantity: number }) => [b.component, b.quantity]).sort()).toEqual([
      ['body', N],
      ['neck', N],
    ]);
    body = halves.find((b: { component: string }) => b.component === 'body').id;
    necks = halves.find((b: { component: string }) => b.component === 'neck').id;
    const serials = async (id: string): Promise<string[]> => (await card(manager, id)).pieces.map((p: { serial: string }) => p.serial);
    expect((await serials(body)).sort()).toEqual((await serials(necks)).sort());
    given = await serials(body);
    // Not by the program's care alone: the database lets no half take the serial of another.
    const swap = `update piece p set serial = q.serial from piece q where p.batch_id = $1 and q.batch_id = $1 and p.id < q.id`;
    for (const half of [body, necks]) await expect(factory.database.query(swap, [half])).rejects.toThrow(/instrument_(body|neck)_bound/);
  });

  test('they come together with each other alone', async () => {
    await advanceTo(factory, manager, body, 'refit');
    expect(await refusal(act(body, 'refit', { personId: await who(body), neckBatchId: necks }))).toBe(
      `Batch ${necks} is not waiting at Bring each pair together`,
    );
    await advanceTo(factory, manager, necks, 'refit');
    await done(act(body, 'refit', { personId: await who(body), neckBatchId: necks }));
    const again = (await manager.get('/batches?size=200')).body.rows.find(
      (b: { operationId: string; modelId: string }) => b.modelId === 'headwater' && b.operationId === 'i-set',
    );
    expect(again).toMatchObject({ component: 'instrument', quantity: N });
    instruments = again.id;
    expect((await card(manager, instruments)).pieces.map((p: { serial: string }) => p.serial).sort()).toEqual([...given].sort());
  });

  test('a neck that is set goes on only when somebody who may has accepted it', async () => {
    await doStep(factory, manager, instruments);
    expect(await refusal(act(instruments, 'move'))).toBe('Waits for someone with neck fitting to accept');
    const { accepters, batch } = await card(manager, instruments);
    const signOff = async (login: string, over: object = {}) =>
      (await factory.as(login)).post(`/batches/${instruments}/sign-off`, { version: batch.version, skill: 'neck fitting', ...over });
    expect((await signOff('viewer')).status).toBe(403);
    // Nobody signs for another: not by naming them, and not as a manager.
    expect((await signOff('operator', { personId: accepters[0].id })).status).toBe(400);
    expect((await signOff('operator')).body.detail).toBe('This person is not signed off for neck fitting');
    expect((await signOff('manager')).status).toBe(422);
    await done(signOff(accepters[0].id));
    expect((await card(manager, instruments)).log[0]).toMatchObject({
      by: accepters[0].name,
      sentence: `Accepted at Set the neck for neck fitting by ${accepters[0].name}`,
    });
    await done(act(instruments, 'move'));
    expect((await card(manager, instruments)).batch.operationId).toBe('i-clamp');
  });
});

describe('what leaves the line for a while', () => {
  test('a picture is laid at the inlay house: sent with a date, received with what is good', async () => {
    const { id: orderId } = (
      await manager.post('/orders', {
        modelId: 'lockkeeper',
        quantity: 2,
        customer: 'Stock',
        dueMs: factory.clock.nowMs() + 200 * DAY,
        choices: { inlay: 'picture' },
      })
    ).body;
    const boards = await start('lockkeeper', 'fingerboard', 2, MAPLE_NECK, { orderId });
    const necks = await start('lockkeeper', 'neck', 2, MAPLE_NECK, { orderId, matchBatchId: boards });
    await advanceTo(factory, manager, boards, 'n-lay');
    await advanceTo(factory, manager, necks, 'n-lay');
    await done(act(necks, 'join', { personId: await who(necks), guestBatchIds: [boards] }));
    const away = (await manager.get('/routes/lockkeeper-1')).body.graph.operations.find((o: { kind: string }) => o.kind === 'outside').id;
    await advanceTo(factory, manager, necks, away);
    const dueBackMs = factory.clock.nowMs() + 9 * DAY;
    expect((await act(necks, 'send', { to: 'Lintel & Sons', dueBackMs: factory.clock.nowMs() - DAY })).status).not.toBe(200);
    await done(act(necks, 'send', { to: 'Lintel & Sons', dueBackMs }));
    expect((await card(manager, necks)).batch).toMatchObject({ status: 'away', awayTo: 'Lintel & Sons', dueBackMs });
    await factory.wait(8 * DAY);
    await done(act(necks, 'receive', { good: 2, rework: 0, scrap: 0, outcomes: [] }));
    expect((await card(manager, necks)).batch.status).not.toBe('away');
  });

  test('finished necks wait until a build calls; the rest stays', async () => {
    const necks = await start('millrace', 'neck', 5, MAPLE_NECK);
    await advanceTo(factory, manager, necks, 'n-stock');
    expect((await card(manager, necks)).batch.status).toBe('stocked');
    expect(await refusal(act(necks, 'call', { quantity: 6, orderId: null }))).toBe(`The buffer holds 5 pieces in batch ${necks}`);
    expect((await act(necks, 'call', { quantity: 2, orderId: 'O9999' })).body.fields).toEqual([
      { field: 'orderId', message: 'There is no order O9999' },
    ]);
    await done(act(necks, 'call', { quantity: 2, orderId: null }));
    expect((await card(manager, necks)).batch.quantity).toBe(3);
    const called = (await manager.get('/batches?size=200')).body.rows.filter((b: { parentId: string | null }) => b.parentId === necks);
    expect(called).toMatchObject([{ operationId: 'fit', quantity: 2 }]);
  });

  test('a trial is worked like any other, and left out of the figures', async () => {
    const good = async (): Promise<number> =>
      (await manager.get('/flow?days=7')).body.stations.find((s: { code: string }) => s.code === 'RM1').good;
    const red: [string, string, number] = ['red alder', 'body', 45];
    const trial = await start('millrace', 'body', 2, red, { workClass: 'trial' });
    const before = await good();
    await doStep(factory, manager, trial);
    expect([await good(), (await card(manager, trial)).batch.workClass]).toEqual([before, 'trial']);
    const { stations, open, unjudged } = (await manager.get('/flow/classes')).body;
    expect(open).toMatchObject([{ batchId: trial, workClass: 'trial', what: '2 Millrace bodies' }]);
    expect(unjudged).toEqual([]);
    const [first] = stations;
    expect(first).toMatchObject({ specialMinutes: 0, toolingMinutes: 0 });
    expect(first.trialMinutes).toBeGreaterThan(0);
    expect(first.busyMinutes).toBeGreaterThanOrEqual(first.trialMinutes);
    await doStep(factory, manager, await start('millrace', 'body', 2, red));
    expect(await good()).toBe(before + 2);
  });
  test('a trial that has ended stands on Morning until a lead says what it showed', async () => {
    const id = await start('millrace', 'body', 1, ['red alder', 'body', 45], { workClass: 'trial' });
    const { batch, pieces } = await card(manager, id);
    const scrapped = { pieces: [{ pieceId: pieces[0].id, defect: 'tear-out', originOperationId: batch.operationId, note: '' }] };
    expect((await manager.post(`/batches/${id}/scrap`, { version: batch.version, ...scrapped })).status).toBe(200);
    const asked = async () =>
      (await manager.get('/morning')).body.decisions
        .map((d: { sentence: string }) => d.sentence)
        .filter((s: string) => s.startsWith(`Trial ${id}`));
    expect(await asked()).toEqual([`Trial ${id} (1 Millrace body) has ended: nobody has said what it showed`]);
    const judge = async (caller: Caller, said: object = {}) => {
      const { version } = (await card(manager, id)).batch;
      return caller.post(`/batches/${id}/verdict`, { version, verdict: 'drop it', words: 'It tears out at the horn', ...said });
    };
    expect((await judge(await factory.as('operator'))).status).toBe(403);
    expect((await judge(manager, { words: 'no' })).status).toBe(400);
    expect((await judge(manager, { verdict: 'perhaps' })).status).toBe(400);
    expect((await judge(manager)).status).toBe(200);
    expect(await asked()).toEqual([]);
    expect((await card(manager, id)).batch.judged).toMatchObject({ verdict: 'drop it', words: 'It tears out at the horn' });
  });
});

describe('written down late, as by a tablet whose network was gone', () => {
  test('work counts from when it was done; what cannot have been is refused', async () => {
    const id = await start('millrace', 'body', 2, ['red alder', 'body', 45]);
    await factory.wait(3 * 3_600_000);
    const atMs = factory.clock.nowMs() - 2 * 3_600_000;
    const personId = await who(id);
    expect((await act(id, 'start', { personId, atMs: factory.clock.nowMs() + 3_600_000 })).body.fields[0].field).toBe('atMs');
    expect((await act(id, 'start', { personId, atMs: atMs - 5 * DAY })).body.fields[0].message).toMatch(/has been changed since/);
    await done(act(id, 'start', { personId, atMs }));
    const { log, batch } = await card(manager, id);
    expect(log[0]).toMatchObject({ kind: 'work.started', atMs });
    expect(batch.sinceMs).toBe(atMs);
    // A clock a minute behind the server's does not lose an entry.
    await done(act(id, 'pause', { cause: 'break', atMs: atMs - 60_000 }));
    expect((await card(manager, id)).batch.sinceMs).toBe(atMs);
  });

  test('the same entry sent twice is one entry', async () => {
    const id = await start('millrace', 'body', 2, ['red alder', 'body', 45]);
    const { batch } = await card(manager, id);
    const send = async () =>
      manager.post(
        `/batches/${id}/start`,
        { version: batch.version, personId: await who(id), atMs: factory.clock.nowMs() },
        { 'Idempotency-Key': 'tablet-3/17' },
      );
    const answers = [await send(), await send()];
    expect(answers.map((a) => a.status)).toEqual([200, 200]);
    expect(answers[1]?.body).toEqual(answers[0]?.body);
    const { log } = await card(manager, id);
    expect(log.filter((e: { kind: string }) => e.kind === 'work.started')).toHaveLength(1);
  });
});
