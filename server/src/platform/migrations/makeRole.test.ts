import { expect, test } from '@jest/globals';
import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { makeRole } from './1700000000000-first-plan.ts';

const SEVERAL = 8;

test.each([
  ['is not made yet', false],
  ['may sign in, and nobody hands over to it yet', true],
])('databases of one cluster that are made at the same time all find their role, where it %s', async (_, isMade) => {
  const role = `crane_test_${randomBytes(8).toString('hex')}`;
  const clients = await Promise.all(
    Array.from({ length: SEVERAL }, async () => {
      const client = new pg.Client({ connectionString: process.env['TEST_CLUSTER_URL'] });
      await client.connect();
      return client;
    }),
  );
  try {
    if (isMade) await clients[0]?.query(`create role ${role}`);
    await Promise.all(
      clients.map(async (client) => {
        await client.query('begin');
        await client.query(makeRole(role));
        // The others meet what this one has not committed yet.
        await client.query('select pg_sleep(0.05)');
        await client.query('commit');
      }),
    );
    const found = await clients[0]?.query(
      'select count(*)::int as n from pg_auth_members m join pg_roles r on r.oid = m.roleid where r.rolname = $1',
      [role],
    );
    expect(found?.rows).toEqual([{ n: 1 }]);
  } finally {
    await clients[0]?.query(`drop role if exists ${role}`);
    await Promise.all(clients.map((client) => client.end()));
  }
});
