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

/**
 * What answers cost after a long history and after a short one, with the same work on the floor, each asked in turn; and
 * with many asking the long one at once.
 */
export async function benchLong() {
  const short = await opened(SHORT);
  const long = await opened(LONG);
  try {
    const [brief, whole] = [await house(short.call), await house(long.call)];
    for (const [name, path] of Object.entries(whole.questions)) {
      const times = { brief: [], whole: [] };
      for (let n = 0; n < WARM + ASKED; n++)
        for (const [of, { call, change, questions }] of Object.entries({ brief, whole })) {
          await change();
          const began = performance.now();
          await call((questions[name] ?? path)(n));
          if (n >= WARM) times[of].push(performance.now() - began);
        }
      const [ms, before] = [median(times.whole), median(times.brief)];
      const ratio = ms / before;
      line(`${name} after ${LONG} entries`, `${ms.toFixed(1)} ms, ${ratio.toFixed(2)} × ${SHORT / 1000} k`, `${DEARER} ×`, ratio <= DEARER);
    }
    await short.stop();
    await benchCrowd(whole);
  } finally {
    await short.stop();
    await long.stop();
  }
}

const median = (times) =>
  quantile(
    times.sort((a, b) => a - b),
    0.5,
  );

/** How long people wait who ask all at once, while somebody logs. */
async function benchCrowd({ call, change, questions }) {
  let busy = true;
  const changing = (async () => {
    while (busy) {
      await change();
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  })();
  for (const [name, path] of Object.entries(questions)) {
    const act = (client, i) => call(path(client * EACH + i));
    // As in the bench of the API, a round goes before: what it takes to open everybody's connections is not told.
    await crowd(act, { clients: CLIENTS, each: 1 });
    const p95 = quantile(await crowd(act, { clients: CLIENTS, each: EACH }), 0.95);
    line(`  ${name}, p95 of ${CLIENTS} clients`, `${p95.toFixed(0)} ms`, `${P95_MS} ms`, p95 <= P95_MS);
  }
  busy = false;
  await changing;
}

/** A factory with a history of so many entries, served. */
async function opened(entries) {
  const { throwAwayCluster } = await import('../lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  let server;
  let stopped = false;
  const stop = async () => {
    if (stopped) return;
    stopped = true;
    await server?.stop();
    await cluster.stop();
  };
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
    return { call: leanClient(base, await signIn(base)), stop };
  } catch (error) {
    await stop();
    throw error;
  }
}

/** What is asked of a factory, and a change to it in between. */
async function house(call) {
  const get = async (path) => JSON.parse(await call(path));
  const lots = (await get('/lots')).filter((l) => l.state === 'drying');
  const { rows: batches } = await get('/batches?size=200');
  const { rows: instruments } = await get('/instruments?size=50');
  let changes = 0;
  // A reading of a lot: whatever was known of it is old.
  const change = async () => {
    const lot = any(lots, changes++);
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
  return { call, change, questions };
}
