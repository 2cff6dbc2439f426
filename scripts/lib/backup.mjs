import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { ensurePostgres } from './debian.mjs';
import { differences, fingerprint } from './fingerprint.mjs';
import { Stop } from './run.mjs';

// A backup is a folder: everything as SQL that any PostgreSQL reads, and figures to compare what comes of it.
const DATA = 'data.sql.gz';
const FIGURES = 'figures.json';
const FORMAT = 1;
const ROLE = 'crane_app';

async function connect(url) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
  } catch (error) {
    throw new Stop(`The database does not answer: ${error.message}`);
  }
  return client;
}

/** Runs one of PostgreSQL's own programs on a database, between streams; the password is not for the list of processes. */
async function runBetween(command, url, args, { from, to }) {
  const address = new URL(url);
  const password = decodeURIComponent(address.password);
  address.password = '';
  const child = spawn(command, [...args, `--dbname=${address}`], {
    env: { ...process.env, PGPASSWORD: password },
    stdio: [from ? 'pipe' : 'ignore', to ? 'pipe' : 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (d) => (said += d));
  const ended = new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', resolve);
  });
  const moved = from ? pipeline(...from, child.stdin).catch((error) => (said ||= error.message)) : pipeline(child.stdout, ...to);
  const [code] = await Promise.all([ended, moved]);
  if (code !== 0) throw new Stop(`${command.split('/').at(-1)} failed:\n${said.trim().split('\n').slice(0, 5).join('\n')}`);
}

async function hashOf(file) {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file)) hash.update(chunk);
  return hash.digest('hex');
}

/**
 * Writes a backup of a database that may be at work, as it is at one moment.
 *
 * @param url the database, as its owner
 * @param folder where to put it; must not be there yet
 */
export async function backUp(url, folder) {
  if (existsSync(folder)) throw new Stop(`${folder} is there already; nothing was overwritten.`);
  const bin = await ensurePostgres();
  const unfinished = `${folder}.unfinished`;
  rmSync(unfinished, { recursive: true, force: true });
  mkdirSync(unfinished, { recursive: true, mode: 0o700 });
  const client = await connect(url);
  try {
    // The dump and the figures are of the same moment.
    await client.query('begin isolation level repeatable read read only');
    const { rows } = await client.query('select pg_export_snapshot() as snapshot, now() as at, version() as version');
    const [{ snapshot, at, version }] = rows;
    await runBetween(`${bin}/pg_dump`, url, ['--no-owner', '--no-publications', `--snapshot=${snapshot}`], {
      to: [createGzip(), createWriteStream(`${unfinished}/${DATA}`, { mode: 0o600 })],
    });
    const tables = await fingerprint(client);
    const { rows: heads } = await client.query(
      'select number, first_id as "firstId", last_id as "lastId", entries, hash from logbook_seal order by number desc limit 1',
    );
    const figures = {
      format: FORMAT,
      at: at.toISOString(),
      version,
      seal: heads[0] ?? null,
      data: await hashOf(`${unfinished}/${DATA}`),
      tables,
    };
    writeFileSync(`${unfinished}/${FIGURES}`, `${JSON.stringify(figures, null, 2)}\n`, { mode: 0o600 });
    renameSync(unfinished, folder);
    return figures;
  } catch (error) {
    rmSync(unfinished, { recursive: true, force: true });
    throw error;
  } finally {
    await client.end();
  }
}

/**
 * Brings a backup back into an empty database, and compares it table by table with what was backed up.
 *
 * @param url the empty database, as its owner
 * @returns the figures of the backup, and what differs from them
 */
export async function restore(url, folder) {
  if (!existsSync(`${folder}/${FIGURES}`) || !existsSync(`${folder}/${DATA}`))
    throw new Stop(`${folder} is no backup: it needs ${DATA} and ${FIGURES}.`);
  const figures = JSON.parse(readFileSync(`${folder}/${FIGURES}`, 'utf8'));
  if (figures.format !== FORMAT) throw new Stop(`${folder} is of another format (${figures.format}); take the version that made it.`);
  // A file that was cut short would end its SQL where nobody meant it to.
  if ((await hashOf(`${folder}/${DATA}`)) !== figures.data) throw new Stop(`${DATA} is damaged or not whole; nothing was changed.`);
  const bin = await ensurePostgres();
  const client = await connect(url);
  try {
    const { rows } = await client.query(
      `select count(*)::int as n from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public' and c.relkind = 'r'`,
    );
    if (rows[0].n > 0)
      throw new Stop('The database is not empty; nothing was changed. Name an empty folder in AMPLE_CRANE_DATA, or another database.');
    const { rowCount } = await client.query('select 1 from pg_roles where rolname = $1', [ROLE]);
    if (rowCount === 0) await client.query(`create role ${ROLE} nologin`);
    await client.query(`grant ${ROLE} to current_user`);
    await runBetween(`${bin}/psql`, url, ['--no-psqlrc', '--quiet', '--single-transaction', '--set=ON_ERROR_STOP=1'], {
      from: [createReadStream(`${folder}/${DATA}`), createGunzip()],
    });
    await client.query('analyze');
    return { figures, differences: differences(figures.tables, await fingerprint(client)) };
  } finally {
    await client.end();
  }
}
