export const CLOCK_AT = Date.parse('2026-03-10T07:10:00Z');

/** A factory's entries, copy after copy of the demo's, so many at least. */
export async function longHistory(most) {
  const { demoScenario } = await import('../../server/dist/demo/scenario.js');
  const { simulate } = await import('../../server/dist/demo/habits/simulate.js');
  const { longHistory: over } = await import('../../server/dist/demo/longHistory.js');
  return over(simulate(demoScenario(CLOCK_AT)).entries, most);
}

/** The demo factory as it is set up, with a long logbook and nothing that follows from it, in the database of DATABASE_URL. */
export async function fillLogbook(most) {
  await import('reflect-metadata');
  const { migrate, ownerDataSource } = await import('../../server/dist/database.js');
  const { loadFactory } = await import('../../server/dist/demo/load.js');
  const { hashPassword } = await import('../../server/dist/platform/identity/passwords.js');
  const { insertRows } = await import('../../server/dist/platform/database/rows.js');
  const { LogbookEntity } = await import('../../server/dist/logbook/logbook.entity.js');
  await migrate();
  const owner = await ownerDataSource().initialize();
  try {
    await loadFactory(owner.manager, CLOCK_AT, { passwordHash: await hashPassword('heron-lane'), pinHash: 'nobody signs in by it' });
    let id = 0;
    for (const entries of await longHistory(most))
      await insertRows(
        owner.manager,
        LogbookEntity,
        entries.map((e) => ({ ...e, id: ++id, recordedMs: e.atMs })),
      );
    await owner.query(`select setval(pg_get_serial_sequence('logbook', 'id'), (select max(id) from logbook))`);
    await owner.query('analyze');
  } finally {
    await owner.destroy();
  }
}

/** Numbers of the first copy lie below. */
const FIRST_COPY = 1_000_000;

/** Closes what every copy but the first left open, in the tables alone: so a long history has no more work on the floor than a short one. */
export async function closeCopies() {
  const { ownerDataSource } = await import('../../server/dist/database.js');
  const owner = await ownerDataSource().initialize();
  try {
    for (const sql of [
      `update batch set status = 'done', held_status = null, hold_reason = null, ended_at = coalesce(ended_at, since_at), job_id = null where number >= ${FIRST_COPY} and status <> 'done'`,
      `update lot set state = 'used up', left_m3 = 0 where number >= ${FIRST_COPY} and state <> 'used up'`,
      `update customer_order set shipped = quantity where number >= ${FIRST_COPY}`,
      `update instrument set state = 'scrapped' where state = 'in work' and length(split_part(batch_id, 'B', 2)) > 6`,
      `update piece set state = 'shipped' where state in ('good', 'rework') and length(split_part(batch_id, 'B', 2)) > 6`,
      `update blank set state = 'started', piece_id = id where state = 'free' and length(lot_id) > 7`,
      `update job set open_at = null, to_at = from_at where open_at is not null and length(split_part(id, '/', 1)) > 7`,
    ])
      await owner.query(sql);
    await owner.query('vacuum analyze');
  } finally {
    await owner.destroy();
  }
}
