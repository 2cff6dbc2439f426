/** So many instruments and batches done there are in a factory of years. */
const INSTRUMENTS = 20_000;
const BATCHES = 5_000;
/** No number of the demo comes near. */
const APART = 100_000;

/** Makes the lists of the past long in a copy of the demo: its rows again and again, under other numbers. For whoever turns over their pages. */
export async function lengthenLists(url) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query(`
      create temp table more as select n, i.* from generate_series(1, 200) n, instrument i order by n, i.serial limit ${INSTRUMENTS};
      -- An instrument and its halves name each other: they come in one statement.
      with halves as (insert into piece select (jsonb_populate_record(p, jsonb_build_object('id', p.id || '-' || n, 'blank_id', null, 'serial', more.serial || '-' || n))).*
        from more join piece p on p.id in (body_id, neck_id))
      insert into instrument select (jsonb_populate_record(i, jsonb_build_object(
          'serial', i.serial || '-' || n, 'body_id', i.body_id || '-' || n, 'neck_id', i.neck_id || '-' || n,
          'started_at', i.started_at - n * interval '1 day', 'fitted_at', i.fitted_at - n * interval '1 day'))).*
        from more join instrument i using (serial)`);
    await client.query(
      `insert into batch select (jsonb_populate_record(b, jsonb_build_object('id', 'B' || (b.number + n * ${APART}), 'number', b.number + n * ${APART}))).*
       from generate_series(1, 200) n, batch b where b.status = 'done' order by n, b.number limit ${BATCHES}`,
    );
    await client.query('analyze');
  } finally {
    await client.end();
  }
}
