import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { build } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { freePort } from './lib/port.mjs';
import { main, ROOT } from './lib/run.mjs';
import { startServer } from './lib/server.mjs';

// Costs of one run on this machine, beside its own baseline, so that runs elsewhere can be compared by ratio.
const EVENTS = 1_000_000;
const GATES = 10_000;
const CLIENTS = 20;
const REQUESTS_EACH = 15;
const TARGETS = { millionEventsS: 2, apiP95Ms: 100, shellKb: 250, chunkKb: 150 };

const seconds = (work) => {
  const began = process.hrtime.bigint();
  work();
  return Number(process.hrtime.bigint() - began) / 1e9;
};
const line = (what, value, target, ok) =>
  console.log(`${what.padEnd(58)} ${value.padStart(22)}   ${target === undefined ? '' : `${ok ? 'within' : 'OVER'} ${target}`}`);
const quantile = (sorted, p) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * p))];

/** A fixed piece of arithmetic, to say how fast this machine is. */
function baseline() {
  return seconds(() => {
    let x = 0;
    for (let i = 0; i < 30_000_000; i++) x = (x * 1103515245 + 12345) % 2147483648;
    if (x < 0) throw new Error('unreachable');
  });
}

function benchCore(core, unit) {
  const DAY = 86_400_000;
  const stations = Array.from({ length: 24 }, (_, i) => ({ code: `S${i}`, benches: 1 }));
  const span = 365 * DAY;
  const time = new core.WorkingTime(
    core.shiftWindows(0, span, { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] }),
  );
  const kinds = ['arrive', 'begin', 'stop', 'finish', 'enter', 'leave'];
  const run = (count) => {
    const meter = new core.FlowMeter(stations, { fromMs: 0, toMs: span }, time);
    for (let i = 0; i < count; i++) {
      const atMs = (i / count) * span;
      const kind = kinds[i % 6];
      const station = stations[Math.floor(i / 6) % 24].code;
      meter.record({
        kind,
        atMs,
        station,
        loadMs: 3.6e6,
        good: 6,
        rework: 0,
        scrap: 0,
        count: 1,
        enteredMs: Math.max(0, atMs - 30 * DAY),
        shipped: true,
      });
    }
    return meter.figures();
  };
  run(50_000);
  const s = seconds(() => run(EVENTS));
  line(
    'Flow figures over 1 000 000 events',
    `${s.toFixed(2)} s, ${(s / unit).toFixed(1)} × base`,
    `${TARGETS.millionEventsS} s`,
    s < TARGETS.millionEventsS,
  );
  const keeps = (count) => JSON.stringify(run(count)).length;
  line('  what it keeps after 1 000 000 against 100 000 events', `${(keeps(EVENTS) / keeps(100_000)).toFixed(2)} ×`);

  const temperatures = Array.from({ length: 14 * 24 }, (_, i) => ({ atMs: i * 3.6e6, tempC: 20 + (i % 5) }));
  const rules = [
    { kind: 'equivalent', what: 'Cured', minimumDays: 14, law: core.DEFAULT_CURE_LAW },
    { kind: 'elapsed', what: 'Rested', minimumMinutes: 60 },
    { kind: 'inBand', what: 'readings', low: 7.5, high: 9.5, needed: 5, unit: '%', tooLow: '', tooHigh: '' },
  ];
  const measurements = [8, 8.2, 8.4, 8.6, 9.8].map((value, i) => ({ label: String(i), value }));
  const g = seconds(() => {
    for (let i = 0; i < GATES; i++) core.evaluateGate(rules, { nowMs: 14 * DAY, sinceMs: i, temperatures, measurements });
  });
  line(
    `${GATES} gates of three rules, two weeks of hourly climate`,
    `${((g / GATES) * 1e6).toFixed(1)} µs each, ${(g / unit).toFixed(1)} × base`,
  );
}

async function benchApi(unit) {
  const { throwAwayCluster } = await import('./lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  let server;
  try {
    const port = await freePort();
    const began = Date.now();
    server = await startServer({ DATABASE_URL: cluster.url, PORT: String(port) }, { quiet: true });
    line('Start with migration and demo loaded', `${((Date.now() - began) / 1000).toFixed(1)} s`, '30 s', Date.now() - began < 30_000);
    const base = `http://127.0.0.1:${port}/api`;
    const signedIn = await fetch(`${base}/session`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ login: 'manager', password: 'heron-lane' }),
    });
    const headers = { cookie: signedIn.headers.get('set-cookie').split(';')[0], 'Content-Type': 'application/json' };
    const get = async (path) => (await fetch(base + path, { headers })).json();
    const batches = await get('/batches');
    const lots = (await get('/lots')).slice(0, CLIENTS);
    const ask = (pathOf) => async (client, i) => {
      const path = pathOf(client * REQUESTS_EACH + i);
      const answer = await fetch(base + path, { headers });
      if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
      await answer.arrayBuffer();
    };
    // Each client reads a lot of its own; a reading raises the lot's version by one.
    const log = async (client) => {
      const lot = lots[client];
      const answer = await fetch(`${base}/lots/${lot.id}/readings`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ version: lot.version++, text: '8.4 8.6 c9.1', woodTempC: 20, meter: 'pin' }),
      });
      if (answer.status !== 200) throw new Error(`A reading answered ${answer.status}: ${await answer.text()}`);
      await answer.arrayBuffer();
    };
    const card = ask((n) => `/batches/${batches[n % batches.length].id}`);
    const crowd = async (call) => {
      const times = [];
      const one = async (client) => {
        for (let i = 0; i < REQUESTS_EACH; i++) {
          const at = performance.now();
          await call(client, i);
          times.push(performance.now() - at);
        }
      };
      await Promise.all(Array.from({ length: CLIENTS }, (_, client) => one(client)));
      return times.sort((a, b) => a - b);
    };
    const report = (name, times) => {
      const p95 = quantile(times, 0.95);
      const said = `p50 ${quantile(times, 0.5).toFixed(0)} p95 ${p95.toFixed(0)} ms, ${(p95 / 1000 / unit).toFixed(2)} ×`;
      line(name, said, `${TARGETS.apiP95Ms} ms`, p95 < TARGETS.apiP95Ms);
    };
    const calls = {
      Morning: ask(() => '/morning'),
      Floor: ask(() => '/floor'),
      'A batch card, one after another': card,
      'Logging a reading': log,
    };
    for (const [name, call] of Object.entries(calls)) {
      await crowd(call);
      report(`${name}, ${CLIENTS} clients at once`, await crowd(call));
    }
    let logged = 0;
    let busy = true;
    const logging = (async () => {
      for (; busy; logged++) {
        await log(0);
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    })();
    report(`Morning, while a reading is logged every 0.1 s`, await crowd(calls.Morning));
    busy = false;
    await logging;
    if (logged < 2) throw new Error('Nothing was logged meanwhile');
  } finally {
    await server?.stop();
    await cluster.stop();
  }
}

function benchSizes() {
  const dist = `${ROOT}/web/dist`;
  const manifest = JSON.parse(readFileSync(`${dist}/.vite/manifest.json`, 'utf8'));
  const size = (file) => gzipSync(readFileSync(`${dist}/${file}`)).length / 1024;
  const closure = (key, seen = new Set()) => {
    if (seen.has(key)) return seen;
    seen.add(key);
    for (const next of manifest[key].imports ?? []) closure(next, seen);
    return seen;
  };
  const files = (keys) => [...keys].map((k) => manifest[k].file);
  const entry = Object.keys(manifest).find((k) => manifest[k].isEntry);
  const shell = closure(entry);
  const total = (keys) => files(keys).reduce((sum, f) => sum + size(f), 0);
  line('Shell, gzip', `${total(shell).toFixed(0)} kB`, `${TARGETS.shellKb} kB`, total(shell) < TARGETS.shellKb);
  for (const key of Object.keys(manifest).filter((k) => manifest[k].isDynamicEntry)) {
    const own = [...closure(key)].filter((k) => !shell.has(k));
    const largest = Math.max(...files(own).map(size));
    line(
      `  ${key.replace(/^src\//, '')}: beyond the shell, largest chunk`,
      `${total(own).toFixed(0)} kB, ${largest.toFixed(0)} kB`,
      `${TARGETS.chunkKb} kB a chunk`,
      largest < TARGETS.chunkKb,
    );
  }
  const fonts = readdirSync(`${dist}/assets`).filter((f) => f.endsWith('.woff2') && f.includes('latin-wght'));
  line('Fonts of Latin text', `${fonts.length} files`);
}

await main(async () => {
  await ensurePackages();
  await build();
  baseline();
  const unit = baseline();
  line('Baseline: 30 million multiplications', `${unit.toFixed(3)} s`);
  const core = await import('@ample-crane/core');
  benchCore(core, unit);
  await benchApi(unit);
  benchSizes();
});
