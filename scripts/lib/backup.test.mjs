import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import pg from 'pg';
import { backUp, restore } from './backup.mjs';
import { throwAwayCluster } from './cluster.mjs';
import { freePort } from './port.mjs';
import { serve, startServer } from './server.mjs';

const TIMEOUT_MS = 180_000;
const home = mkdtempSync(`${tmpdir()}/ample-crane-backup-`);
const folder = `${home}/backup`;
let here;
let there;

beforeAll(async () => {
  here = await throwAwayCluster();
  there = await throwAwayCluster();
}, TIMEOUT_MS);
afterAll(async () => {
  await here?.stop();
  await there?.stop();
  rmSync(home, { recursive: true });
}, TIMEOUT_MS);

async function ask(url, sql) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query(sql)).rows;
  } finally {
    await client.end();
  }
}

const post = (port, path, body, cookie = '') =>
  fetch(`http://127.0.0.1:${port}/api${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Cookie: cookie },
    body: JSON.stringify(body),
  });

test(
  'a factory at work is backed up, and comes back on another machine with its rights, where people go on',
  async () => {
    const port = await freePort();
    const server = await startServer({ ...here.env(), PORT: String(port), DEMO: '0' }, { quiet: true });
    const made = await post(port, '/first-administrator', { login: 'owner', name: 'The Owner', password: 'plank vellum harbour' });
    expect(made.status).toBe(200);
    const { tables } = await backUp(here.url, folder);
    expect(Number(tables.person.rows)).toBe(1);
    await expect(backUp(here.url, folder)).rejects.toThrow(/there already/);
    await server.stop();

    const { differences } = await restore(there.url, folder);
    expect(differences).toEqual([]);
    await expect(restore(there.url, folder)).rejects.toThrow(/not empty; nothing was changed/);
    const again = await serve({ ...there.env(), PORT: String(port) }, { quiet: true });
    const signedIn = await post(port, '/session', { login: 'owner', password: 'plank vellum harbour' });
    expect(signedIn.status).toBe(200);
    const [cookie] = signedIn.headers.get('set-cookie').split(';');
    expect((await fetch(`http://127.0.0.1:${port}/api/setup`, { headers: { Cookie: cookie } })).status).toBe(200);
    await again.stop();
    // As its own role, the server may append to the logbook there too, and no more.
    const { DATABASE_URL } = there.env();
    await expect(ask(DATABASE_URL, 'delete from logbook')).rejects.toThrow(/permission denied/);
    await expect(ask(DATABASE_URL, 'create table extra (n int)')).rejects.toThrow(/permission denied/);
  },
  TIMEOUT_MS,
);

test(
  'what is not as it was backed up is told by its table, and half a backup restores nothing',
  async () => {
    const url = await there.createDatabase('second');
    const figures = JSON.parse(readFileSync(`${folder}/figures.json`, 'utf8'));
    writeFileSync(
      `${folder}/figures.json`,
      JSON.stringify({ ...figures, tables: { ...figures.tables, person: { rows: '1', sum: '7' }, lost: { rows: '1', sum: '1' } } }),
    );
    expect((await restore(url, folder)).differences).toEqual(['lost: missing', 'person: as many rows, not the same']);

    const third = await there.createDatabase('third');
    const data = readFileSync(`${folder}/data.sql.gz`);
    writeFileSync(`${folder}/data.sql.gz`, data.subarray(0, data.length / 2));
    await expect(restore(third, folder)).rejects.toThrow(/damaged or not whole; nothing was changed/);
    expect(await ask(third, `select count(*)::int as n from pg_tables where schemaname = 'public'`)).toEqual([{ n: 0 }]);
    await expect(restore(third, home)).rejects.toThrow(/is no backup/);
  },
  TIMEOUT_MS,
);
