import { afterEach, describe, expect, test } from '@jest/globals';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname } from 'node:path';
import pg from 'pg';
import { checkSpace, openCluster, throwAwayCluster } from './cluster.mjs';
import { freePort } from './port.mjs';
import { ROOT, Stop } from './run.mjs';

const homes = [];
const open = [];

/** A folder of its own for one cluster. */
function home() {
  const directory = mkdtempSync(`${tmpdir()}/ample-crane-test-`);
  chmodSync(directory, 0o711);
  homes.push(directory);
  process.env.AMPLE_CRANE_DATA = directory;
  return directory;
}

async function opened(start = openCluster) {
  const cluster = await start();
  open.push(cluster);
  return cluster;
}

async function ask(url, sql) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query(sql)).rows;
  } finally {
    await client.end();
  }
}

afterEach(async () => {
  for (const cluster of open.splice(0)) await cluster.stop();
  for (const directory of homes.splice(0)) rmSync(directory, { recursive: true, force: true });
  delete process.env.AMPLE_CRANE_DATA;
});

describe('a throw-away cluster', () => {
  test('answers on loopback alone, and leaves nothing behind', async () => {
    const cluster = await throwAwayCluster();
    const [{ directory }] = await ask(cluster.url, `select current_setting('data_directory') as directory`);
    const [{ addresses }] = await ask(cluster.url, `select current_setting('listen_addresses') as addresses`);
    expect(addresses).toBe('127.0.0.1');
    await cluster.stop();
    expect(existsSync(directory)).toBe(false);
    await expect(ask(cluster.url, 'select 1')).rejects.toThrow(/ECONNREFUSED/);
  });
  test('is another each time, beside one that is running', async () => {
    const [a, b] = [await opened(throwAwayCluster), await opened(throwAwayCluster)];
    expect(a.url).not.toBe(b.url);
    expect(await ask(b.url, 'select 1 as one')).toEqual([{ one: 1 }]);
  });
});

describe('the factory’s own cluster', () => {
  test('keeps what it holds from one start to the next, behind a password only its owner can read', async () => {
    const directory = home();
    const first = await opened();
    await ask(first.url, 'create table kept (n int)');
    await first.stop();
    const second = await opened();
    expect(await ask(second.url, 'select count(*)::int as n from kept')).toEqual([{ n: 0 }]);
    expect(statSync(`${directory}/password`).mode & 0o077).toBe(0);
    await expect(ask(second.url.replace(/:[^:@]+@/, ':wrong@'), 'select 1')).rejects.toThrow(/password/);
  });
  test('is not started twice', async () => {
    home();
    await opened();
    await expect(openCluster()).rejects.toThrow(/already running on .* Is another "npm start" running\?/);
  });
  test('says so when its folder holds something else', async () => {
    const directory = home();
    mkdirSync(`${directory}/cluster`);
    writeFileSync(`${directory}/cluster/holiday.jpg`, '');
    await expect(openCluster()).rejects.toThrow(/holds no database cluster\. Move it away/);
    expect(existsSync(`${directory}/cluster/holiday.jpg`)).toBe(true);
  });
  test('says so when another version made it', async () => {
    const directory = home();
    mkdirSync(`${directory}/cluster`);
    writeFileSync(`${directory}/cluster/PG_VERSION`, '9\n');
    await expect(openCluster()).rejects.toThrow(/was made by PostgreSQL 9/);
  });
  test('says so when it is damaged, and touches nothing', async () => {
    const directory = home();
    await (await opened()).stop();
    rmSync(`${directory}/cluster/global/pg_control`);
    const password = readFileSync(`${directory}/password`, 'utf8');
    await expect(openCluster()).rejects.toThrow(/does not start:[\s\S]*pg_control[\s\S]*move it away/);
    expect(readFileSync(`${directory}/password`, 'utf8')).toBe(password);
  });
});

describe('space on the disk', () => {
  test('of less than the database needs is told before anything is changed', () => {
    expect(() => checkSpace('/anywhere', 120 * 1048576)).toThrow(Stop);
    expect(() => checkSpace('/anywhere', 120 * 1048576)).toThrow(/nearly full \(120 MB left\).*nothing was changed/);
  });
  test('of enough is no matter', () => {
    expect(() => checkSpace('/anywhere', 400 * 1048576)).not.toThrow();
    expect(() => checkSpace(tmpdir())).not.toThrow();
  });
});

test('a free port can be listened on, and is not given out twice while it is', async () => {
  const port = await freePort();
  const server = createServer();
  await new Promise((resolve) => server.listen(port, '127.0.0.1', resolve));
  expect(await freePort()).not.toBe(port);
  await new Promise((resolve) => server.close(resolve));
});

/** A run of checks that never ends, and says where its database lives. */
const ENDLESS = `
  const { throwAwayCluster } = await import('./scripts/lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  const { rows } = await client.query('show data_directory');
  await client.end();
  console.log(rows[0].data_directory);
  setInterval(() => {}, 60_000);
`;

test.each([
  ['SIGINT', 130],
  ['SIGTERM', 143],
])(
  'a run of checks that is broken off by %s leaves no database behind',
  async (signal, code) => {
    const child = spawn(process.execPath, ['--input-type=module', '-e', ENDLESS], { cwd: ROOT });
    let said = '';
    child.stderr.on('data', (d) => (said += d));
    const data = await new Promise((resolve, reject) => {
      child.stdout.on('data', (d) => resolve(String(d).trim()));
      child.on('exit', () => reject(new Error(said)));
    });
    expect(existsSync(dirname(data))).toBe(true);
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill(signal);
    expect(await ended).toBe(code);
    expect(existsSync(dirname(data))).toBe(false);
  },
  60_000,
);
