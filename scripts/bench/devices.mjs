import { ownBroker, startBroker } from '../lib/devices.mjs';
import { freePort } from '../lib/port.mjs';
import { startServer } from '../lib/server.mjs';
import { leanClient, signIn } from './clients.mjs';
import { line, quantile } from './report.mjs';

const DEVICES = 20;
const A_SECOND = 200;
const SECONDS = 60;
const TABLETS = 10;
const STATION_P95_MS = 150;
const STATIONS = ['MC1', 'MC2', 'FN5', 'FN2', 'BD3', 'NK3', 'AS2', 'FT1', 'RM1', 'NK1'];
const PAUSE_MS = 500;

/** Two hundred messages a second for a minute, while tablets ask for their stations: how many are lost, how long people wait. */
export async function benchDevices() {
  const { Device } = await import('@ample-crane/devices');
  const { throwAwayCluster } = await import('../lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  const own = await ownBroker({ anyPort: true });
  let broker;
  let server;
  const devices = [];
  try {
    broker = await startBroker(own);
    const port = await freePort();
    server = await startServer({ ...cluster.env(), ...own.env, PORT: String(port) }, { quiet: true });
    const base = `http://127.0.0.1:${port}/api`;
    const call = leanClient(base, await signIn(base));
    for (let i = 0; i < DEVICES; i++) {
      const id = `BENCH-${i}`;
      const on = { id, name: id, kind: 'caliper', stationCode: STATIONS[i % STATIONS.length], bench: null, zoneId: null };
      const { password } = JSON.parse(await call('/devices', on));
      devices.push(new Device({ id, password, url: own.url }));
    }
    while (!devices.every((d) => d.connected)) await new Promise((resolve) => setTimeout(resolve, 100));
    for (const code of STATIONS) await call(`/stations/${code}/work`);

    const waits = [];
    const answers = [];
    let sent = 0;
    let over = false;
    const began = performance.now();
    const tablets = Array.from({ length: TABLETS }, async (_, n) => {
      while (!over) {
        const at = performance.now();
        await call(`/stations/${STATIONS[n % STATIONS.length]}/work`);
        waits.push(performance.now() - at);
        await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
      }
    });
    while (performance.now() - began < SECONDS * 1000) {
      const due = Math.floor(((performance.now() - began) / 1000) * A_SECOND);
      for (; sent < due; sent++) {
        const at = performance.now();
        const said = devices[sent % DEVICES].say({ length: { value: 50 + (sent % 100) / 100, unit: 'mm' } });
        void said.then((answer) => answers.push({ taken: 'taken' in answer, ms: performance.now() - at }));
      }
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    const last = performance.now();
    while (answers.length < sent && performance.now() - last < 20_000) await new Promise((resolve) => setTimeout(resolve, 50));
    over = true;
    await Promise.all(tablets);
    const { devices: known } = JSON.parse(await call('/devices'));
    const kept = known.filter((d) => d.id.startsWith('BENCH-')).reduce((sum, d) => sum + d.taken, 0);
    const taken = answers.filter((a) => a.taken).length;
    line(`${sent} messages in ${SECONDS} s: answered, kept`, `${taken}, ${kept}`, 'all', taken === sent && kept === sent);
    const sorted = (all) => all.sort((a, b) => a - b);
    line('A message until it is answered, p95', `${quantile(sorted(answers.map((a) => a.ms)), 0.95).toFixed(0)} ms`);
    const p95 = quantile(sorted(waits), 0.95);
    line(`A station’s page meanwhile, p95 of ${waits.length}`, `${p95.toFixed(0)} ms`, `${STATION_P95_MS} ms`, p95 < STATION_P95_MS);
  } finally {
    await Promise.all(devices.map((d) => d.stop()));
    await server?.stop();
    await broker?.stop();
    await cluster.stop();
  }
}
