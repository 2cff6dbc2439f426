import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { DEMO_DEVICES } from './heronLane.ts';
import { pageOf } from './page.ts';
import { StandIn } from './standIn.ts';

const MOST_BYTES = 2000;
/** An answer is on the page that comes back, if it is quick. */
const ANSWER_MS = 250;

export interface StandIns {
  address: string;
  stop(): Promise<void>;
}

/**
 * Starts a stand-in for every device of the demo, with a small page of their own.
 *
 * @param url the broker's address
 * @param port of the page; 0 for any that is free. It is on loopback: whoever sits here may press the buttons
 */
export async function serveStandIns({ url, port }: { url: string; port: number }): Promise<StandIns> {
  const standIns = DEMO_DEVICES.map((of) => new StandIn(of, url));
  const server = createServer((request, response) => {
    answer(standIns, request, response).catch((error: unknown) => response.writeHead(500).end(String(error)));
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    async stop() {
      server.closeAllConnections();
      server.close();
      await Promise.all(standIns.map((s) => s.stop()));
    },
  };
}

async function answer(standIns: readonly StandIn[], request: IncomingMessage, response: ServerResponse): Promise<void> {
  const { method = '', headers, url = '/' } = request;
  const say = (status: number, body: string) => response.writeHead(status, { 'content-type': 'text/html; charset=utf-8' }).end(body);
  // Another page in the same browser presses no buttons here.
  if (headers.origin !== undefined && headers.origin !== `http://${headers.host ?? ''}`) return void say(403, 'Not from another page.');
  if (method === 'GET' && url === '/') return void say(200, pageOf(standIns));
  const standIn = standIns.find((s) => url === `/${s.of.id}`);
  if (method !== 'POST' || !standIn) return void say(404, 'There is no such page.');
  const wrong = act(standIn, new URLSearchParams(await bodyOf(request)));
  if (wrong !== undefined) return void say(400, `<p>${wrong}</p><p><a href="/">Back</a></p>`);
  await new Promise((resolve) => setTimeout(resolve, ANSWER_MS));
  response.writeHead(303, { location: '/' }).end();
}

async function bodyOf(request: IncomingMessage): Promise<string> {
  let body = '';
  for await (const part of request) {
    body += String(part);
    if (body.length > MOST_BYTES) throw new Error('That is too long.');
  }
  return body;
}

/** "12 mm rougher = 6; 6 mm finisher = 7" */
const cuttersIn = (text: string): { cutter: string; minutes: number }[] =>
  text.split(';').flatMap((part) => {
    const [cutter = '', minutes = ''] = part.split('=').map((word) => word.trim());
    return cutter !== '' && Number(minutes) > 0 ? [{ cutter, minutes: Number(minutes) }] : [];
  });

/** @returns why it cannot be done now; undefined when it was */
function act(standIn: StandIn, said: URLSearchParams): string | undefined {
  const figure = (name: string) => Number((said.get(name) ?? '').trim().replace(',', '.') || NaN);
  const name = said.get('act');
  if (name === 'silent') standIn.isSilent = !standIn.isSilent;
  else if (name === 'press') {
    const value = figure('value');
    if (!Number.isFinite(value)) return 'It shows no number.';
    standIn.press(value, said.get('unit') ?? '');
  } else if (name === 'load') {
    const cycle = { parts: figure('parts'), seconds: figure('seconds'), cutters: cuttersIn(said.get('cutters') ?? '') };
    if (!Number.isInteger(cycle.parts) || cycle.parts < 1 || !(cycle.seconds >= 0)) return 'A cycle makes parts, in some seconds.';
    if (!standIn.atMachine((m) => m.load(said.get('program') ?? '', cycle))) return 'Something runs on it.';
  } else {
    const acts = {
      run: 'nothing is loaded, or it does not stand',
      hold: 'nothing runs',
      goOn: 'nothing is held',
      clear: 'there is no fault',
    };
    const done = standIn.atMachine((m, nowMs) => {
      if (name === 'run') return m.run(nowMs);
      if (name === 'hold') return m.hold(nowMs);
      if (name === 'goOn') return m.goOn(nowMs);
      return name === 'fault' ? m.fault() : name === 'clear' && m.clear();
    });
    if (!done) return `That cannot be done now: ${acts[name as keyof typeof acts] ?? 'there is no such button'}.`;
  }
  return undefined;
}
