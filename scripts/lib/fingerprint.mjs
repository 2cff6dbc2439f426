// What a database holds, in a few figures: so that two can be compared without either being at hand.

/** A number for each table that changes when any of its rows does, whatever their order. */
export async function fingerprint(client) {
  await client.query(`set time zone 'UTC'; set datestyle to 'ISO'; set extra_float_digits to 1; set bytea_output to 'hex'`);
  const { rows: tables } = await client.query(
    `select c.oid::regclass::text as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where n.nspname = 'public' and c.relkind = 'r' order by 1`,
  );
  const found = {};
  for (const { name } of tables) {
    const { rows } = await client.query(
      `select count(*)::text as rows, coalesce(sum(hashtextextended(t::text, 0)::numeric), 0)::text as sum from ${name} t`,
    );
    found[name] = rows[0];
  }
  const { rows: sequences } = await client.query(
    `select schemaname || '.' || sequencename as name, coalesce(last_value, 0)::text as last from pg_sequences where schemaname = 'public' order by 1`,
  );
  for (const { name, last } of sequences) found[`sequence ${name}`] = { rows: last, sum: last };
  const { rows: rights } = await client.query(
    `select count(*)::text as rows, coalesce(sum(hashtextextended(concat_ws(' ', table_name, grantee, privilege_type), 0)::numeric), 0)::text as sum
     from information_schema.role_table_grants where table_schema = 'public' and grantee = 'crane_app'`,
  );
  found['rights of the server'] = rows0(rights);
  return found;
}

const rows0 = ([row]) => row;

/** What differs between two, in words. */
export function differences(wanted, found) {
  const names = [...new Set([...Object.keys(wanted), ...Object.keys(found)])].sort();
  return names.flatMap((name) => {
    const [a, b] = [wanted[name], found[name]];
    if (!a || !b) return [`${name}: ${a ? 'missing' : 'not in the backup'}`];
    if (a.rows !== b.rows) return [`${name}: ${b.rows} instead of ${a.rows}`];
    return a.sum === b.sum ? [] : [`${name}: as many rows, not the same`];
  });
}
