import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createServer } from 'node:net';
import { freePort } from './port.mjs';
import { ROOT, Stop } from './run.mjs';

const USUAL_BROKER_PORT = 1883;
const USUAL_PAGE_PORT = 3010;

/** A port that was asked for, or the usual one; any other where that is taken. */
async function portOr(asked, usual) {
  if (asked !== undefined) return Number(asked);
  const isFree = await new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(usual, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
  return isFree ? usual : freePort();
}

/**
 * Where the broker that ships will be, and what the server needs to know of it. A house's own broker is named in MQTT_URL,
 * and none is started then.
 *
 * @returns null where there is one of the house's own
 */
export async function ownBroker({ anyPort = false } = {}) {
  if (process.env.MQTT_URL) return null;
  const port = anyPort ? await freePort() : await portOr(process.env.MQTT_PORT, USUAL_BROKER_PORT);
  const url = `mqtt://127.0.0.1:${port}`;
  const password = randomBytes(24).toString('base64url');
  return { url, port, password, env: { MQTT_URL: url, MQTT_USER: 'server', MQTT_PASSWORD: password, MQTT_OWN_BROKER: '1' } };
}

/** Starts the broker that ships. @returns a handle to stop it */
export const startBroker = ({ port, password }) =>
  child('devices/dist/brokerProcess.js', 'broker', { MQTT_PORT: String(port), MQTT_PASSWORD: password }, (m) => m === 'ready');

/** Starts a stand-in for every device of the demo. @returns a handle to stop them, and the address of their page */
export async function startStandIns(url, { anyPort = false } = {}) {
  const port = anyPort ? 0 : await portOr(process.env.STAND_INS_PORT, USUAL_PAGE_PORT);
  return child('devices/dist/standInsProcess.js', 'stand-in devices', { MQTT_URL: url, STAND_INS_PORT: String(port) }, (m) => m.ready);
}

/** @param readyIn what a message of the process says once it is ready; nothing otherwise */
function child(script, name, env, readyIn) {
  return new Promise((resolve, reject) => {
    const { PATH } = process.env;
    // They are told what they need, and none of the server's secrets.
    const own = { PATH, ...env, ...(process.env.MQTT_HOST ? { MQTT_HOST: process.env.MQTT_HOST } : {}) };
    const process_ = spawn(process.execPath, [script], {
      cwd: ROOT,
      env: own,
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      detached: true,
    });
    const exited = new Promise((done) => process_.on('exit', (code) => done(code ?? 1)));
    const stop = async () => {
      if (process_.exitCode === null) process_.kill('SIGTERM');
      return exited;
    };
    process_.on('message', (message) => {
      const ready = readyIn(message);
      if (ready) resolve({ stop, exited, pid: process_.pid, address: ready });
    });
    void exited.then((code) => reject(new Stop(`The ${name} ended with code ${code} before it was ready.`)));
  });
}
