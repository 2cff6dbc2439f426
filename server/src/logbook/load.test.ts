import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Lot, ReadingSession, rowsOf } from '@ample-crane/core';
import { inTransaction, Passing } from '../platform/database/transaction.ts';
import { ROW_TABLES } from '../tables.ts';
import { LOT, openFactory, type TestFactory } from '../test/factory.ts';
import { Loader } from './load.ts';

let factory: TestFactory;
let ids: string[];
beforeAll(async () => {
  factory = await openFactory();
  const manager = await factory.as('manager');
  ids = [];
  for (let i = 0; i < 2; i++) ids.push((await manager.post('/lots', LOT)).body.id);
  await manager.post(`/lots/${ids[0]}/readings`, { version: 1, text: '8.4', woodTempC: 20, meter: 'pin' });
});
afterAll(() => factory.close());

test('what is moved under another while it waits for its lock is loaded anew, under where it stands then', async () => {
  const [here = '', there = ''] = ids;
  const sessionId = `${here}/1`;
  const mover = factory.database.createQueryRunner();
  await mover.startTransaction();
  await mover.query('select 1 from lot where id = $1 for update', [here]);
  const tries: string[] = [];
  const loading = inTransaction(factory.database, async ({ client }) => {
    const loader = new Loader(factory.database, client, ROW_TABLES);
    try {
      const rows = await loader.load({ about: [rowsOf(ReadingSession, [sessionId])] });
      tries.push('loaded');
      return [rows.get(ReadingSession, sessionId).lotId, rows.all(Lot).map((l) => l.id)];
    } catch (error) {
      tries.push(error instanceof Passing ? 'passing' : String(error));
      throw error;
    }
  });
  // It stands at the lot's lock by now, having read what the session stands under.
  await waiting(mover);
  await mover.query('update reading_session set lot_id = $2 where id = $1', [sessionId, there]);
  await mover.commitTransaction();
  await mover.release();
  expect(await loading).toEqual([there, [there]]);
  expect(tries).toEqual(['passing', 'loaded']);
});

/** Until somebody waits for a lock in this database. */
async function waiting(runner: { query: (sql: string) => Promise<unknown> }): Promise<void> {
  for (;;) {
    const [row] = (await runner.query(
      'select count(*)::int as n from pg_locks l join pg_database d on d.oid = l.database or l.database is null where not granted and d.datname = current_database()',
    )) as [{ n: number }];
    if (row.n > 0) return;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}
