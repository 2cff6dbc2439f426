import { createServer } from 'node:net';
import { build } from './lib/build.mjs';
import { ownBroker, startBroker, startStandIns } from './lib/devices.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main, Stop } from './lib/run.mjs';
import { prepareDatabase, serve } from './lib/server.mjs';
import { supervise } from './lib/supervise.mjs';

// Everything that is needed, from a fresh clone to a running factory.
const empty = process.argv.includes('--empty');
const port = Number(process.env.PORT ?? 3000);

function checkPort() {
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Stop(`PORT "${process.env.PORT}" is not a port.`);
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', (error) => void whyNot(error).then((why) => reject(new Stop(why))));
    probe.listen(port, '127.0.0.1', () => probe.close(resolve));
  });
}

async function whyNot(error) {
  if (error.code !== 'EADDRINUSE') return `Port ${port} cannot be used: ${error.message}`;
  const alive = await fetch(`http://127.0.0.1:${port}/api/health/alive`, { signal: AbortSignal.timeout(2000) }).then(
    (answer) => answer.json(),
    () => undefined,
  );
  const what =
    alive?.status === 'alive' ? `Ample Crane serves at port ${port} already, as process ${alive.process}` : `Port ${port} is taken`;
  return `${what}. Stop what uses it, or choose another: PORT=3100 npm start`;
}

await main(async () => {
  let database;
  let server;
  let broker;
  let standIns;
  let stopping = false;
  let wake;
  const asked = new Promise((resolve) => (wake = resolve));
  const onSignal = () => {
    stopping = true;
    wake();
  };
  process.on('SIGINT', onSignal);
  process.on('SIGTERM', onSignal);
  const isStopping = () => stopping;
  try {
    await checkPort();
    await ensurePackages();
    await build();
    const outside = Boolean(process.env.DATABASE_URL);
    if (!outside) {
      const { openCluster } = await import('./lib/cluster.mjs');
      database = await supervise('database', (before) => openCluster({ port: before?.port }), isStopping);
    }
    if (stopping) return 0;
    const own = await ownBroker();
    const env = { ...database?.current().env(), ...own?.env, PORT: String(port), DEMO: empty ? '0' : '1' };
    await prepareDatabase(env);
    if (stopping) return 0;
    if (own) broker = await supervise('broker', () => startBroker(own), isStopping);
    server = await supervise('server', () => serve(env), isStopping).catch(() => {
      throw new Stop('The server did not start; what it said stands above.');
    });
    console.log(`\nAmple Crane serves at http://127.0.0.1:${port}\n`);
    const { demo, needsFirstAdministrator } = await (await fetch(`http://127.0.0.1:${port}/api/welcome`)).json();
    if (needsFirstAdministrator) console.log('Nobody can sign in yet: open the address to create the first administrator.\n');
    if (demo) console.log('Demo sign-ins (password heron-lane): manager, lead, operator, viewer, admin\n');
    if (demo && empty)
      console.log(
        '--empty changes nothing here: this database holds the demo already. Name another folder in AMPLE_CRANE_DATA to begin without.\n',
      );
    if (demo && own) {
      standIns = await supervise('process of the stand-ins', () => startStandIns(own.url), isStopping);
      console.log(`Stand-in devices, with buttons to press: ${standIns.current().address}\n`);
    }
    console.log('Ctrl-C stops it.');
    const kept = [server, database, broker, standIns].filter((each) => each !== undefined);
    const gaveUp = await Promise.race([asked, ...kept.map((each) => each.givenUp)]);
    if (gaveUp !== undefined) throw new Stop(gaveUp);
    return 0;
  } finally {
    stopping = true;
    await standIns?.current().stop();
    await server?.current().stop();
    await broker?.current().stop();
    await database?.current().stop();
  }
});
