import { createServer } from 'node:net';
import { build } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main, Stop } from './lib/run.mjs';
import { startServer } from './lib/server.mjs';

// Everything that is needed, from a fresh clone to a running factory.
const empty = process.argv.includes('--empty');
const port = Number(process.env.PORT ?? 3000);

function checkPort() {
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Stop(`PORT "${process.env.PORT}" is not a port.`);
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', (error) =>
      reject(
        new Stop(
          error.code === 'EADDRINUSE'
            ? `Port ${port} is taken. Stop what uses it, or choose another: PORT=3100 npm start`
            : `Port ${port} cannot be used: ${error.message}`,
        ),
      ),
    );
    probe.listen(port, '127.0.0.1', () => probe.close(resolve));
  });
}

await main(async () => {
  let cluster;
  let server;
  let stopping = false;
  let wake;
  const asked = new Promise((resolve) => (wake = resolve));
  const onSignal = () => {
    stopping = true;
    wake();
  };
  process.on('SIGINT', onSignal);
  process.on('SIGTERM', onSignal);
  try {
    await checkPort();
    await ensurePackages();
    await build();
    const { openCluster } = await import('./lib/cluster.mjs');
    if (!process.env.DATABASE_URL) cluster = await openCluster();
    if (stopping) return 0;
    server = await startServer({
      DATABASE_URL: process.env.DATABASE_URL || cluster.url,
      PORT: String(port),
      DEMO: empty ? '0' : '1',
    }).catch(() => {
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
    console.log('Ctrl-C stops it.');
    const ended = await Promise.race([asked, server.exited.then((code) => ({ code }))]);
    return ended?.code ?? 0;
  } finally {
    await server?.stop();
    await cluster?.stop();
  }
});
