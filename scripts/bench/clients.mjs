import { Agent, request } from 'node:http';

const SOCKETS = 20;

/** A session's cookie for the demo's manager. */
export async function signIn(base) {
  const signedIn = await fetch(`${base}/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ login: 'manager', password: 'heron-lane' }),
  });
  return signedIn.headers.get('set-cookie').split(';')[0];
}

/** A client that takes as little of the shared processors as it can: on a factory's floor the tablets bring their own. */
export function leanClient(base, cookie) {
  const agent = new Agent({ keepAlive: true, maxSockets: SOCKETS });
  return (path, body, method = body === undefined ? 'GET' : 'POST') =>
    new Promise((resolve, reject) => {
      const text = body === undefined ? '' : JSON.stringify(body);
      const headers = {
        cookie,
        ...(body === undefined ? {} : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(text) }),
      };
      const sent = request(base + path, { agent, method, headers }, (answer) => {
        const parts = [];
        answer.on('data', (part) => parts.push(part));
        answer.on('error', reject);
        answer.on('end', () => {
          const said = Buffer.concat(parts);
          if (answer.statusCode === 200) resolve(said);
          else reject(new Error(`${path} answered ${answer.statusCode}: ${said}`));
        });
      });
      sent.on('error', reject);
      sent.end(text);
    });
}

/** Many clients, each asking one thing after another. @returns milliseconds of each, in rising order */
export async function crowd(act, { clients, each }) {
  const times = [];
  const one = async (client) => {
    for (let i = 0; i < each; i++) {
      const at = performance.now();
      await act(client, i);
      times.push(performance.now() - at);
    }
  };
  await Promise.all(Array.from({ length: clients }, (_, client) => one(client)));
  return times.sort((a, b) => a - b);
}
