import { Agent, request } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';

const GIVE_UP_MS = 60_000;

/** One request over connections that are kept; resolves with its status, 0 when nothing came back. */
function send(agent, port, path, { cookie, body, key }) {
  return new Promise((resolve) => {
    const text = JSON.stringify(body);
    const call = request(
      {
        agent,
        host: '127.0.0.1',
        port,
        path: `/api${path}`,
        method: 'POST',
        headers: {
          'Content-Type': 'application/json',
          'Content-Length': Buffer.byteLength(text),
          Cookie: cookie,
          ...(key ? { 'Idempotency-Key': key } : {}),
        },
        timeout: 30_000,
      },
      (answer) => {
        answer.resume();
        answer.on('end', () => resolve({ status: answer.statusCode, headers: answer.headers }));
        answer.on('error', () => resolve({ status: 0, headers: {} }));
      },
    );
    call.on('timeout', () => call.destroy());
    call.on('error', () => resolve({ status: 0, headers: {} }));
    call.end(text);
  });
}

/** Signs in. @returns the cookie */
export async function signIn(port, login, password) {
  const { status, headers } = await send(new Agent(), port, '/session', { cookie: '', body: { login, password } });
  if (status !== 200) throw new Error(`${login} was not let in: ${status}`);
  return headers['set-cookie'][0].split(';')[0];
}

/**
 * People who write without end, each one order after the other; what got no answer, or a "try again", is sent once more
 * under its key, as the pages do.
 *
 * @param name tells these writers from others
 * @returns a handle: `stop` resolves with what was acknowledged, sent and answered otherwise
 */
export function startWriting(port, cookie, writers, name) {
  const agent = new Agent({ keepAlive: true, maxSockets: writers });
  const acknowledged = [];
  const sent = [];
  const statuses = new Map();
  let stopping = false;
  let abandoned = false;
  const write = async (writer) => {
    for (let n = 0; !stopping; n++) {
      const customer = `Writer ${name} ${writer} order ${n}`;
      sent.push(customer);
      const body = { modelId: 'weirstone', quantity: 1, customer, dueMs: Date.UTC(2027, 0, 1) };
      const began = Date.now();
      for (;;) {
        const { status } = await send(agent, port, '/orders', { cookie, body, key: customer.replaceAll(' ', '-') });
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        if (status === 200) acknowledged.push(customer);
        if ((status !== 0 && status !== 503) || abandoned || Date.now() - began > GIVE_UP_MS) break;
        await pause(50 + Math.random() * 100);
      }
    }
  };
  const all = Promise.all(Array.from({ length: writers }, (_, i) => write(i)));
  return {
    acknowledged,
    /** Ends it without waiting for answers, when something else went wrong. */
    abandon: () => {
      stopping = true;
      abandoned = true;
    },
    stop: async () => {
      stopping = true;
      await all;
      agent.destroy();
      return { acknowledged, sent, statuses };
    },
  };
}
