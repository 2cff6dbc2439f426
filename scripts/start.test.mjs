import { afterEach, describe, expect, test } from '@jest/globals';
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { freePort } from './lib/port.mjs';
import { ROOT } from './lib/run.mjs';

const TIMEOUT_MS = 180_000;
const cleanUp = [];

afterEach(async () => {
  for (const undo of cleanUp.splice(0)) await undo();
});

function dataFolder() {
  const directory = mkdtempSync(`${tmpdir()}/ample-crane-start-`);
  chmodSync(directory, 0o711);
  cleanUp.push(() => rmSync(directory, { recursive: true, force: true }));
  return directory;
}

/** Starts the application as a person does, and listens to what it says. */
function start(env, args = []) {
  const child = spawn(process.execPath, ['scripts/start.mjs', ...args], {
    cwd: ROOT,
    env: { ...process.env, DATABASE_URL: '', ...env },
  });
  let said = '';
  child.stdout.on('data', (d) => (said += d));
  child.stderr.on('data', (d) => (said += d));
  const ended = new Promise((resolve) => child.on('exit', resolve));
  cleanUp.unshift(async () => {
    if (child.exitCode === null) child.kill('SIGTERM');
    await ended;
  });
  const says = async (pattern) => {
    while (!pattern.test(said)) {
      if (child.exitCode !== null) throw new Error(`It ended with ${child.exitCode}:\n${said}`);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    return said;
  };
  return { child, ended, says, said: () => said };
}

/** Processes whose command line mentions a text. */
const processesWith = (text) =>
  spawnSync('ps', ['-eo', 'pid,args'], { encoding: 'utf8' })
    .stdout.split('\n')
    .filter((line) => line.includes(text));

describe('npm start', () => {
  test(
    'says that its port is taken, and what to do',
    async () => {
      const server = createServer((socket) => socket.resume());
      await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
      cleanUp.push(() => new Promise((resolve) => server.close(resolve)));
      const { port } = server.address();
      const { ended, said } = start({ PORT: String(port) });
      expect(await ended).toBe(1);
      expect(said()).toContain(`Port ${port} is taken`);
      expect(said()).toContain('PORT=3100 npm start');
    },
    TIMEOUT_MS,
  );
  test.each(['abc', '0', '70000'])(
    'refuses %s for a port',
    async (port) => {
      const { ended, said } = start({ PORT: port });
      expect(await ended).toBe(1);
      expect(said()).toContain(`PORT "${port}" is not a port`);
    },
    TIMEOUT_MS,
  );
  test(
    'serves an empty factory, and after Ctrl-C no process is left',
    async () => {
      const data = dataFolder();
      const port = await freePort();
      const { child, ended, says } = start({ PORT: String(port), AMPLE_CRANE_DATA: data }, ['--empty']);
      const said = await says(/Ctrl-C stops it/);
      expect(said).toContain(`http://127.0.0.1:${port}`);
      expect(said).toContain('create the first administrator');
      expect(await (await fetch(`http://127.0.0.1:${port}/api/welcome`)).json()).toMatchObject({
        demo: false,
        needsFirstAdministrator: true,
      });
      const page = await fetch(`http://127.0.0.1:${port}/wood-room`);
      expect(page.headers.get('content-security-policy')).toMatch(/script-src 'self'(;|$)/);
      expect(await page.text()).toContain('<div id="root">');
      expect((await fetch(`http://127.0.0.1:${port}/api/nowhere`)).headers.get('content-type')).toMatch(/problem\+json/);
      expect(processesWith(data).length).toBeGreaterThan(0);
      child.kill('SIGINT');
      expect(await ended).toBe(0);
      expect(processesWith(data)).toEqual([]);
      await expect(fetch(`http://127.0.0.1:${port}/api/health`)).rejects.toThrow();
    },
    TIMEOUT_MS,
  );
  test(
    'starts again what is killed under it, and takes over what is left when it is killed itself',
    async () => {
      const data = dataFolder();
      const port = await freePort();
      const env = { PORT: String(port), AMPLE_CRANE_DATA: data };
      const first = start(env, ['--empty']);
      await first.says(/Ctrl-C stops it/);
      const alive = async () => (await fetch(`http://127.0.0.1:${port}/api/health/alive`)).json();
      const ready = async () => (await fetch(`http://127.0.0.1:${port}/api/health`)).status === 200;

      const { process: server } = await alive();
      process.kill(server, 'SIGKILL');
      await first.says(/The server has ended \(.*\); starting it again, 1 of 5 this minute[\s\S]*The server runs again/);
      expect((await alive()).process).not.toBe(server);

      const [postmaster] = readFileSync(`${data}/cluster/postmaster.pid`, 'utf8').split('\n');
      process.kill(Number(postmaster), 'SIGKILL');
      await first.says(/The database has ended .* starting it again[\s\S]*The database runs again/);
      for (let i = 0; i < 50 && !(await ready()); i++) await new Promise((resolve) => setTimeout(resolve, 200));
      expect(await ready()).toBe(true);

      const second = start(env, ['--empty']);
      expect(await second.ended).toBe(1);
      expect(second.said()).toMatch(/Ample Crane serves at port \d+ already, as process \d+/);

      first.child.kill('SIGKILL');
      await first.ended;
      for (let i = 0; i < 50; i++) {
        if (!(await alive().catch(() => undefined))) break;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      const third = start(env, ['--empty']);
      expect(await third.says(/Ctrl-C stops it/)).toMatch(/Stopping a database that an earlier start left behind/);
      expect(await ready()).toBe(true);
    },
    TIMEOUT_MS,
  );
  test(
    'says plainly when an outside database cannot be reached',
    async () => {
      const nobody = await freePort();
      const { ended, said } = start({ PORT: String(await freePort()), DATABASE_URL: `postgres://x:y@127.0.0.1:${nobody}/z` });
      expect(await ended).toBe(1);
      expect(said()).toMatch(/ECONNREFUSED/);
      expect(said()).toContain('The database could not be prepared');
    },
    TIMEOUT_MS,
  );
});

describe('what the repository promises', () => {
  const read = (path) => readFileSync(`${ROOT}/${path}`, 'utf8');
  test('CI runs the tests and nothing else', () => {
    expect(read('.ci/run').trim().split('\n').at(-1)).toBe('npm test');
  });
  test('every command named for people is there', () => {
    const { scripts } = JSON.parse(read('package.json'));
    for (const name of ['start', 'test', 'check', 'dev', 'bench', 'rebuild', 'screenshots', 'ratio', 'openapi', 'e2e'])
      expect(scripts[name]).toMatch(/^exec node (--\S+ )*scripts\/.+\.mjs$/);
  });
  test('package versions are pinned, and the lock names no registry', () => {
    for (const path of ['package.json', 'core/package.json', 'server/package.json', 'web/package.json', 'devices/package.json']) {
      const { dependencies = {}, devDependencies = {} } = JSON.parse(read(path));
      for (const [name, version] of Object.entries({ ...dependencies, ...devDependencies }))
        if (!name.startsWith('@ample-crane/')) expect(`${name} ${version}`).toMatch(/ \d+\.\d+\.\d+$/);
    }
    expect(read('package-lock.json')).not.toMatch(/"resolved": "https?:/);
  });
});
