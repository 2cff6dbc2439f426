import { freePort } from '../lib/port.mjs';
import { startServer } from '../lib/server.mjs';
import { crowd, leanClient, signIn } from './clients.mjs';
import { line, quantile, TARGETS } from './report.mjs';

const CLIENTS = 20;
const REQUESTS_EACH = 15;
/** Who finish batches of their own at once: as many as the demo has pieces waiting for plain work. */
const FINISHERS = 6;
/** Finished, looked at and taken back twice, resumed. */
const REQUESTS_OF_FINISHING = 7;
/** Rounds before the one that counts: a factory's server has long been compiled when the morning begins. */
const WARM_ROUNDS = 3;
const LONG_CARD = 500;
const STATIONS = ['FN5', 'FN2', 'BD3', 'NK3', 'AS2'];

/** Answers and commands of the running server, with twenty clients at once. */
export async function benchApi(unit) {
  const { throwAwayCluster } = await import('../lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  let server;
  try {
    const port = await freePort();
    const began = Date.now();
    server = await startServer({ ...cluster.env(), PORT: String(port) }, { quiet: true });
    line('Start with migration and demo loaded', `${((Date.now() - began) / 1000).toFixed(1)} s`, '30 s', Date.now() - began < 30_000);
    const base = `http://127.0.0.1:${port}/api`;
    const call = leanClient(base, await signIn(base));
    const get = async (path) => JSON.parse(await call(path));
    const batches = await inWork(get);
    const lots = (await get('/lots')).slice(0, CLIENTS);
    const ask = (pathOf) => (client, i) => call(pathOf(client * REQUESTS_EACH + i));
    // Each client reads a lot of its own; a reading raises the lot's version by one.
    const log = (client) =>
      call(`/lots/${lots[client].id}/readings`, { version: lots[client].version++, text: '8.4 8.6 c9.1', woodTempC: 20, meter: 'pin' });
    const card = ask((n) => `/batches/${batches[n % batches.length].id}`);
    const longId = await longCard(call, get);
    const long = ask(() => `/batches/${longId}`);
    const all = (act) => crowd(act, { clients: CLIENTS, each: REQUESTS_EACH });
    const report = (name, times, target = TARGETS.apiP95Ms) => {
      const p95 = quantile(times, 0.95);
      const said = `p50 ${quantile(times, 0.5).toFixed(0)} p95 ${p95.toFixed(0)} ms, ${(p95 / 1000 / unit).toFixed(2)} ×`;
      line(name, said, `${target} ms`, p95 < target);
    };
    const calls = {
      Morning: ask(() => '/morning'),
      Floor: ask(() => '/floor'),
      'A batch card, one after another': card,
      [`A batch card with ${LONG_CARD} entries, while others log on it`]: async (client, i) => {
        // Each look is at a card that has just changed.
        if (client === 0) await placeAgain(call, longId);
        return long(client, i);
      },
      'A station’s queue': ask((n) => `/stations/${STATIONS[n % STATIONS.length]}/work`),
      'Logging a reading': log,
    };
    for (const [name, act] of Object.entries(calls)) {
      for (let round = 0; round < WARM_ROUNDS; round++) await all(act);
      report(`${name}, ${CLIENTS} clients at once`, await all(act));
    }
    const finish = await finishing(call, get);
    const finishAll = () => crowd(finish, { clients: FINISHERS, each: REQUESTS_EACH });
    for (let round = 0; round < WARM_ROUNDS; round++) await finishAll();
    report(`Finishing at a station and taking it back, ${FINISHERS} at once`, await finishAll(), REQUESTS_OF_FINISHING * TARGETS.apiP95Ms);
    let logged = 0;
    let busy = true;
    const logging = (async () => {
      for (; busy; logged++) {
        await log(0);
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    })();
    report(`Morning, while a reading is logged every 0.1 s`, await all(calls.Morning), TARGETS.apiWhileLoggingP95Ms);
    busy = false;
    await logging;
    if (logged < 2) throw new Error('Nothing was logged meanwhile');
  } finally {
    await server?.stop();
    await cluster.stop();
  }
}

/** Puts a batch on one of two racks and back: a short command that leaves an entry. */
async function placeAgain(call, id) {
  const { batch } = JSON.parse(await call(`/batches/${id}`));
  const carrierId = batch.placements[0]?.carrierId === 'R59' ? 'R60' : 'R59';
  await call(`/batches/${id}/place`, { version: batch.version, placements: [{ carrierId, pieces: batch.quantity }] });
}

/** A batch whose card has so many entries. @returns its id */
async function longCard(call, get) {
  const batches = await inWork(get);
  const idle = batches.find((b) => ['queued', 'finished', 'paused'].includes(b.status) && b.quantity <= 12);
  if (!idle) throw new Error('Every batch is in work or in a place that it cannot leave');
  const { id } = idle;
  for (let entries = 0; entries < LONG_CARD; entries++) await placeAgain(call, id);
  return id;
}

const inWork = async (get) => (await get('/batches?size=200')).rows;

/** Each client finishes a batch of its own, and takes back what that wrote, so that it can be finished again. */
async function finishing(call, get) {
  const post = async (id, act, body) => JSON.parse(await call(`/batches/${id}/${act}`, body));
  await room(call, get);
  const ids = await single(post, get);
  const own = await Promise.all(
    ids.map(async (id) => {
      const { batch, workers, characteristics, inPass } = await get(`/batches/${id}`);
      const personId = workers[0].id;
      let { version } = await post(id, 'start', { version: batch.version, personId });
      const measures = inPass.flatMap((pieceId) => characteristics.map((c) => ({ pieceId, characteristicId: c.id, value: c.target })));
      if (measures.length > 0) ({ version } = await post(id, 'measures', { version, measures }));
      return { id, version, personId };
    }),
  );
  return async (client) => {
    const mine = own[client];
    const { id, personId } = mine;
    let { version } = await post(id, 'finish', { version: mine.version, good: 1, rework: 0, scrap: 0, outcomes: [] });
    // Work without a gate moves on at once: then the move is taken back first.
    for (;;) {
      const { batch, undo } = await get(`/batches/${id}`);
      if (batch.status === 'paused') break;
      ({ version } = await post(id, 'undo', { version, entryId: undo.entryId, reason: 'Bench' }));
    }
    ({ version } = await post(id, 'resume', { version, personId }));
    mine.version = version;
  };
}

/** Places for everybody, at every station. */
async function room(call, get) {
  const { stations } = await get('/setup');
  for (const { code, name, version, kind } of stations)
    if (kind === 'work') await call(`/stations/${code}`, { name, version, places: FINISHERS + CLIENTS }, 'PUT');
}

/** Batches of one piece that wait for plain work, one for each who finishes: taken from larger ones. @returns their ids */
async function single(post, get) {
  const found = [];
  for (const { id } of (await inWork(get)).filter((b) => b.status === 'queued' && b.operationKind === 'work')) {
    const { batch, workers, inPass, coatPlan, settings } = await get(`/batches/${id}`);
    const asksMore = coatPlan || settings.length > 0;
    if (asksMore || workers.length === 0 || batch.missing.length > 0) continue;
    if (batch.handOver && !batch.accepted) await post(id, 'accept', { version: batch.version });
    for (const pieceId of inPass.slice(1)) {
      const { version } = (await get(`/batches/${id}`)).batch;
      await post(id, 'split', { version, pieceIds: [pieceId] });
    }
    found.push(...(await inWork(get)).filter((b) => b.parentId === id).map((b) => b.id));
    if (found.length >= FINISHERS) return found.slice(0, FINISHERS);
  }
  throw new Error(`Only ${found.length} batches of one piece could be made`);
}
