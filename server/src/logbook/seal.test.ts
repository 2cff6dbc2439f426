import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { ownerDataSource } from '../database.ts';
import { HousekeepingService } from '../platform/housekeeping/housekeeping.service.ts';
import { LOT, openFactory, type Caller, type TestFactory } from '../test/factory.ts';
import { checkSeals, readHeads, writeHead, type Seal } from './seal.ts';
import { SealService } from './seal.service.ts';

let factory: TestFactory;
let manager: Caller;
let service: SealService;
/** entries that are there from the beginning: programs, as they were released */
let there: number;
const folder = mkdtempSync(`${tmpdir()}/ample-crane-seal-`);
const file = `${folder}/seals.log`;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  service = factory.app.get(SealService);
  const [counted] = await factory.database.query<{ count: string }[]>('select count(*) from logbook');
  there = Number(counted?.count);
});
afterAll(async () => {
  await factory.close();
  rmSync(folder, { recursive: true });
});

const receive = (supplier: string) => manager.post('/lots', { ...LOT, supplier });
const check = () => checkSeals(factory.database.manager, readHeads(file));
/** Changes the logbook as only its owner could, with the guard taken away. */
async function tamper(sql: string): Promise<void> {
  const owner = await ownerDataSource().initialize();
  await owner.query(
    `alter table logbook disable trigger logbook_append_only; ${sql}; alter table logbook enable trigger logbook_append_only`,
  );
  await owner.destroy();
}

describe('the seal of the logbook', () => {
  test('is put on what was there at the look before, in blocks', async () => {
    for (let i = 0; i < 5; i++) await receive(`Sawmill ${i}`);
    expect(await service.seal()).toEqual([]);
    await receive('Later');
    const [seal, ...none] = await service.seal();
    expect([seal?.number, seal?.entries, none]).toEqual([1, there + 5, []]);
    if (seal) writeHead(file, seal);
    const [next] = await service.seal();
    expect([next?.number, next?.entries]).toEqual([2, 1]);
    if (next) writeHead(file, next);
    expect(await check()).toEqual({ seals: 2, sealed: there + 6, broken: null });
  });
  test('is nothing that the server could take away again', async () => {
    await expect(factory.database.query('delete from logbook_seal')).rejects.toThrow(/permission denied/);
    await expect(factory.database.query(`update logbook_seal set hash = ''`)).rejects.toThrow(/permission denied/);
  });
  test('tells from which block on an entry was changed', async () => {
    await tamper(
      `update logbook set payload = jsonb_set(payload, '{lot,supplier}', '"Another"') where payload->'lot'->>'supplier' = 'Later'`,
    );
    const { sealed, broken } = await check();
    expect([sealed, broken?.seal.number, broken?.why]).toEqual([there + 5, 2, 'it holds 1 of 1 entries, not as they were written']);
    await tamper(
      `update logbook set payload = jsonb_set(payload, '{lot,supplier}', '"Later"') where payload->'lot'->>'supplier' = 'Another'`,
    );
    expect((await check()).broken).toBeNull();
  });
  test('tells of an entry that was taken out', async () => {
    await tamper(`create table kept as select * from logbook order by id limit 1; delete from logbook where id = (select id from kept)`);
    expect((await check()).broken).toMatchObject({ seal: { number: 1 }, why: `it holds ${there + 4} of ${there + 5} entries` });
    await tamper(`insert into logbook select * from kept; drop table kept`);
    expect((await check()).broken).toBeNull();
  });
  test('kept outside the database, tells of one that was made anew, and of one that is gone', async () => {
    const kept = readFileSync(file, 'utf8');
    const [first, second] = readHeads(file);
    writeFileSync(file, `${JSON.stringify({ ...first, hash: 'another' })}\n{"number": 3, "cut sh`);
    expect((await check()).broken).toMatchObject({
      seal: { number: 1 },
      why: 'it was sealed anew: the seal kept outside the database is another',
    });
    writeFileSync(file, kept);
    writeHead(file, { ...(second as Seal), number: 3 });
    expect((await check()).broken).toMatchObject({
      seal: { number: 3 },
      why: 'it is gone from the database, and was written outside of it',
    });
    writeFileSync(file, kept);
  });
});

test('what nobody asks for again is taken away at night, and nothing else', async () => {
  await manager.post('/lots', LOT, { 'Idempotency-Key': 'old' });
  await manager.post('/lots', LOT, { 'Idempotency-Key': 'young' });
  await factory.as('viewer');
  await factory.database.query(`update command_receipt set at = now() - interval '31 days' where key = 'old'`);
  await factory.database.query(`update session set seen_at = now() - interval '3 days' where person_id = 'viewer'`);
  await factory.database.query(`update known_address set last_at = now() - interval '91 days' where person_id = 'viewer'`);
  await factory.database.query(`insert into rate_limit (key, points, expire) values ('old', 1, 5)`);
  const gone = await factory.app.get(HousekeepingService).prune();
  expect(gone).toEqual({ sessions: 1, tries: 1, receipts: 1, addresses: 1, codes: 0 });
  expect((await manager.get('/session')).status).toBe(200);
  expect(await factory.database.query('select key from command_receipt')).toEqual([{ key: 'young' }]);
});
