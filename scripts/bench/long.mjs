import { freePort } from '../lib/port.mjs';
import { prepareDatabase, serve } from '../lib/server.mjs';
import { crowd, leanClient, signIn } from './clients.mjs';
import { CLOCK_AT, closeCopies, fillLogbook } from './longFactory.mjs';
import { line, quantile } from './report.mjs';

const SHORT = 100_000;
const LONG = 1_000_000;
/** A long history may make an answer so much dearer. */
const DEARER = 1.3;
const P95_MS = 200;
const CLIENTS = 20;
const EACH = 30;
const ASKED = 25;
const WARM = 10;

/** What answers cost after a long history and after a short one, with the same work on the floor; and with many asking at once. */
export async function benchLong() {
  const short = await measured(SHORT);
  const long = await measured(LONG);
  for (const [name, ms] of Object.entries(long.cost))
    line(
      `${name} after ${LONG} entries`,
      `${ms.toFixed(1)} ms, ${(ms / short.cost[name]).toFixed(2)} × ${SHORT / 1000} k`,
      `${DEARER} ×`,
      ms / short.cost[name] <= DEARER,
    );
  for (const [name, ms] of Object.entries(long.p95))
    line(`  ${name}, p95 of ${CLIENTS} clients`, `${ms.toFixed(0)} ms`, `${P95_MS} ms`, ms <= P95_MS);
}

async function measured(entries) {
  const { throwAwayCluster } = await import('../lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  let server;
  try {
    const env = { DATABASE_URL: await cluster.createDatabase('long_history'), CLOCK_AT: new Date(CLOCK_AT).toISOString(), DEMO: '0' };
    process.env.DATABASE_URL = env.DATABASE_URL;
    await fillLogbook(entries);
    // What follows from the logbook is told, as for a factory that comes from an older program.
    await prepareDatabase(env, { quiet: true });
    await closeCopies();
    const port = await freePort();
    server = await serve({ ...env, PORT: String(port) }, { quiet: true });
    const base = `http://127.0.0.1:${port}/api`;
    const call = leanClient(base, await signIn(base));
    return await ask(call);
  } finally {
    await server?.stop();
    await cluster.stop();
  }
}

async function ask(call) {
  const get = async (path) => JSON.parse(await call(path));
  const lot = (await get('/lots')).find((l) => l.state === 'drying');
  const { rows: batches } = await get('/batches?size=200');
  const { rows: instruments } = await get('/instruments?size=50');
  // A reading of a lot: whatever was known of it is old.
  const change = async () => {
    await call(`/lots/${lot.id}/readings`, { version: lot.version++, text: '8.4 8.6 c9.1', woodTempC: 20, meter: 'pin' });
  };
  const any = (list, n) => list[n % list.length];
  const questions = {
    Morning: () => '/morning',
    Floor: () => '/floor',
    Flow: () => '/flow',
    'A station': (n) => `/stations/${any(['FN5', 'FN2', 'BD3', 'NK3', 'AS2'], n)}/work`,
    'A card': (n) => `/batches/${any(batches, n).id}`,
    'A record': (n) => `/instruments/${any(instruments, n).serial}`,
    'A find': (n) => `/find?text=${any(['B1', 'mah', 'B23', 'L7', 'pine', '26'], n)}`,
    'A page of instruments': (n) => `/instruments?size=50&sort=${any(['-fittedMs', 'serial', 'consignee'], n)}`,
    'A page of batches done': () => '/batches?size=50&done=true',
    Stock: () => '/stock',
    Fitting: () => '/fitting',
    'The wood room': () => '/lots',
  };
  const cost = {};
  for (const [name, path] of Object.entries(questions)) {
    const times = [];
    for (let n = 0; n < WARM + ASKED; n++) {
      await change();
      const began = performance.now();
      await call(path(n));
      if (n >= WARM) times.push(performance.now() - began);
    }
    cost[name] = quantile(
      times.sort((a, b) => a - b),
      0.5,
    );
  }
  const p95 = {};
  let busy = true;
  const changing = (async () => {
    while (busy) {
      await change();
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  })();
  for (const [name, path] of Object.entries(questions))
    p95[name] = quantile(await crowd((client, i) => call(path(client * EACH + i)), { clients: CLIENTS, each: EACH }), 0.95);
  busy = false;
  await changing;
  return { cost, p95 };
}
