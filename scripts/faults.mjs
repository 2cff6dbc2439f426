import { readFile } from 'node:fs/promises';
import { setTimeout as pause } from 'node:timers/promises';
import { build } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { freePort } from './lib/port.mjs';
import { main } from './lib/run.mjs';
import { prepareDatabase, serve } from './lib/server.mjs';

// Kills the server and its database while people write, and sends it what no page would; prints what came of it.
const full = process.argv.includes('--full');
const SERVER_KILLS = full ? 60 : 12;
const DATABASE_KILLS = full ? 25 : 5;
const MALFORMED = full ? 20_000 : 2_000;
const WRITERS = 50;
const MANAGER = ['manager', 'heron-lane'];

async function ask(url, sql) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  client.on('error', () => {});
  await client.connect();
  try {
    return (await client.query(sql)).rows;
  } finally {
    await client.end();
  }
}

/** Waits until the server answers again from its database. */
async function ready(port) {
  for (let i = 0; i < 600; i++) {
    const status = await fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(2000) }).then(
      (answer) => answer.status,
      () => 0,
    );
    if (status === 200) return;
    await pause(50);
  }
  throw new Error('The server did not come back within half a minute');
}

/** What was acknowledged and is not there, or is there twice. */
async function lossesIn(url, { acknowledged, sent }) {
  const rows = await ask(url, `select customer, count(*)::int as n from customer_order where customer like 'Writer %' group by 1`);
  const found = new Map(rows.map((r) => [r.customer, r.n]));
  const known = new Set(sent);
  return {
    lost: acknowledged.filter((customer) => !found.has(customer)).length,
    doubled: rows.filter((r) => r.n > 1).length,
    unasked: rows.filter((r) => !known.has(r.customer)).length,
  };
}

const told = (statuses) =>
  [...statuses]
    .sort(([a], [b]) => a - b)
    .map(([status, n]) => `${n} × ${status === 0 ? 'no answer' : status}`)
    .join(', ');
const percentile = (values, p) => values.sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * p))] ?? 0;

/** Sends what no page would, to a factory of its own: some of it is carried out, and would change what others rely on. */
async function sendMalformedRequests(cluster, signIn, line) {
  const url = await cluster.createDatabase('malformed');
  const at = await freePort();
  const env = { ...cluster.env('malformed'), PORT: String(at) };
  await prepareDatabase(env, { quiet: true });
  const server = await serve(env, { quiet: true });
  try {
    const { malformedRequests, sendMalformed } = await import('../server/dist/test/malformed.js');
    const api = JSON.parse(await readFile(new URL('../server/openapi.json', import.meta.url), 'utf8'));
    const admin = await signIn(at, 'admin', 'heron-lane');
    const words = async (sql) => (await ask(url, sql)).map((r) => r.id);
    const known = {
      lots: await words('select id from lot order by number limit 20'),
      batches: await words(`select id from batch order by (status = 'done'), number desc limit 20`),
      instruments: await words('select serial as id from instrument limit 10'),
      orders: await words('select id from customer_order order by number desc limit 5'),
      zoneId: await words('select id from zone'),
      modelId: await words('select id from model'),
      stations: await words('select code as id from station'),
      carriers: await words('select id from carrier limit 10'),
      routes: await words('select id from route'),
      people: ['viewer', 'piet'],
      personId: ['joss', 'ines'],
    };
    const seed = Date.now() & 0x7fffffff;
    const answers = [];
    for (const request of malformedRequests(api, known, MALFORMED, seed))
      answers.push(await sendMalformed(new URL(`http://127.0.0.1:${at}`), admin, request));
    const faults = answers.filter((a) => a.status >= 500);
    const slow = answers.filter((a) => a.ms > 1000);
    const times = answers.map((a) => a.ms);
    line(
      `${MALFORMED} malformed requests (seed ${seed}): ${faults.length} answered 500 or above, ${slow.length} took over a second; p50 ${percentile(times, 0.5).toFixed(1)} ms, p99 ${percentile(times, 0.99).toFixed(0)} ms, longest ${Math.max(...times).toFixed(0)} ms`,
      faults.length === 0 && slow.length === 0,
    );
    for (const { request, status, ms } of [...faults, ...slow].slice(0, 5))
      console.log(`       ${request.method} ${request.path} ${(request.body ?? '').slice(0, 200)} → ${status} in ${ms.toFixed(0)} ms`);
  } finally {
    await server.stop();
  }
}

await main(async () => {
  await ensurePackages();
  await build();
  const { throwAwayCluster } = await import('./lib/cluster.mjs');
  const { signIn, startWriting } = await import('./lib/writers.mjs');
  let cluster = await throwAwayCluster({ durable: true });
  const port = await freePort();
  const env = { ...cluster.env(), PORT: String(port), MOST_REQUESTS: '600' };
  let server;
  const writers = [];
  let failures = 0;
  const line = (text, good) => {
    if (!good) failures++;
    console.log(`${good ? 'ok    ' : 'FAILED'} ${text}`);
  };
  try {
    await sendMalformedRequests(cluster, signIn, line);
    await prepareDatabase(env, { quiet: true });
    server = await serve(env, { quiet: true });
    const cookie = await signIn(port, ...MANAGER);

    const writing = startWriting(port, cookie, WRITERS, 'A');
    writers.push(writing);
    const returns = [];
    for (let i = 0; i < SERVER_KILLS; i++) {
      await pause(300 + Math.random() * 900);
      process.kill(server.pid, 'SIGKILL');
      await server.exited;
      const began = Date.now();
      server = await serve(env, { quiet: true });
      await ready(port);
      returns.push(Date.now() - began);
    }
    await pause(500);
    const first = await writing.stop();
    const one = await lossesIn(cluster.url, first);
    line(
      `${SERVER_KILLS} kills of the server under ${WRITERS} writers: ${first.acknowledged.length} acknowledged, ${one.lost} lost, ${one.doubled} doubled; back after ${percentile(returns, 0.5)} ms (longest ${Math.max(...returns)}); ${told(first.statuses)}`,
      one.lost === 0 && one.doubled === 0 && one.unasked === 0 && first.acknowledged.length > 0,
    );

    let ended = false;
    void server.exited.then(() => (ended = true));
    const pid = server.pid;
    const again = startWriting(port, await signIn(port, ...MANAGER), WRITERS, 'B');
    writers.push(again);
    const outages = [];
    for (let i = 0; i < DATABASE_KILLS; i++) {
      await pause(300 + Math.random() * 900);
      const began = Date.now();
      if (i % 2 === 0) cluster = await cluster.killAndRestart();
      else
        await ask(
          cluster.url,
          'select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and usename is not null',
        );
      await ready(port);
      outages.push(Date.now() - began);
    }
    await pause(500);
    const second = await again.stop();
    const two = await lossesIn(cluster.url, { acknowledged: second.acknowledged, sent: [...first.sent, ...second.sent] });
    line(
      `${DATABASE_KILLS} kills of the database or of all its connections: ${second.acknowledged.length} acknowledged, ${two.lost} lost, ${two.doubled} doubled; answering after ${percentile(outages, 0.5)} ms (longest ${Math.max(...outages)}); ${told(second.statuses)}`,
      two.lost === 0 && two.doubled === 0 && two.unasked === 0 && !second.statuses.has(500),
    );
    line(`the server never ended by itself (process ${pid})`, !ended && server.pid === pid);

    return failures === 0 ? 0 : 1;
  } finally {
    for (const writing of writers) writing.abandon();
    await server?.stop();
    await cluster.stop();
  }
});
