import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { once } from 'node:events';
import { request, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { changeIn } from './change.ts';
import { openFactory, type Caller, type TestFactory } from '../../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let port: number;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  const server = factory.app.getHttpServer() as Server;
  if (!server.listening) await factory.app.listen(0, '127.0.0.1');
  port = (server.address() as AddressInfo).port;
});
afterAll(() => factory.close());

/** Listens as a browser would, keeping what is heard. */
async function listen(cookie: string) {
  const call = request({ host: '127.0.0.1', port, path: '/api/events', headers: { Cookie: cookie, Accept: 'text/event-stream' } });
  call.end();
  const [response] = (await once(call, 'response')) as [IncomingMessage];
  let text = '';
  response.setEncoding('utf8');
  response.on('data', (chunk: string) => (text += chunk));
  const heard = async (pattern: RegExp) => {
    for (let i = 0; i < 100 && !pattern.test(text); i++) await new Promise((resolve) => setTimeout(resolve, 30));
    return text;
  };
  return { response, heard, stop: () => call.destroy() };
}

const placeOrder = () =>
  manager.post('/orders', { modelId: 'weirstone', quantity: 1, customer: 'Stock', dueMs: factory.clock.nowMs() + 9e9 });

test('whoever gives a command is told by its answer what everybody is told; whoever only asks, or is refused, nothing', async () => {
  const ear = await listen(manager.cookie);
  const placed = await placeOrder();
  const said = decodeURIComponent(placed.headers['x-changed'] ?? '');
  expect(JSON.parse(said)).toEqual({ id: expect.stringMatching(/^[\da-f-]{36}$/), topics: { order: [placed.body.id] } });
  expect(await ear.heard(/"order"/)).toContain(said);
  ear.stop();
  const asked = await manager.get('/orders');
  const refused = await manager.post('/orders', { modelId: 'nothing', quantity: 1, customer: 'Stock', dueMs: 1 });
  expect([asked.headers['x-changed'], refused.status, refused.headers['x-changed']]).toEqual([undefined, 400, undefined]);
});

describe('a notification', () => {
  test.each([
    ['{"topics":{"lot":["L1"],"setup":null}}', { lot: ['L1'], setup: null }],
    ['{"id":7,"topics":{"lot":["L1"]}}', { all: null }],
    ['{"topics":{"lot":[7]}}', { all: null }],
    ['{"topics":["lot"]}', { all: null }],
    ['{}', { all: null }],
    ['not json', { all: null }],
    ['null', { all: null }],
    ['', { all: null }],
  ])('%s', (payload, topics) => {
    expect(changeIn(payload)).toEqual({ topics });
  });
});

describe('live updates', () => {
  test('are for those signed in', async () => {
    const stranger = await listen('');
    expect(stranger.response.statusCode).toBe(401);
    stranger.stop();
  });
  test('tell every listener what has changed, once it is committed', async () => {
    const viewer = await factory.as('viewer');
    const listeners = await Promise.all([listen(manager.cookie), listen(viewer.cookie)]);
    expect(listeners[0]?.response.headers['content-type']).toMatch(/text\/event-stream/);
    await placeOrder();
    for (const listener of listeners)
      expect(await listener.heard(/order/)).toMatch(
        /event: change\n(id: \d+\n)?data: \{"id":"[\da-f-]{36}","topics":\{"order":\["O\d+"\]\}\}/,
      );
    listeners.forEach((l) => l.stop());
  });
  test('carry what another process wrote, since they come from the database', async () => {
    const listener = await listen(manager.cookie);
    await factory.database.query(`select pg_notify('shop', '{"topics":{"lot":["L1"]}}')`);
    expect(await listener.heard(/lot/)).toContain('"topics":{"lot":["L1"]}');
    listener.stop();
  });
  test('say nothing of a command that was refused', async () => {
    const listener = await listen(manager.cookie);
    await manager.post('/orders', { modelId: 'nosuch', quantity: 1, customer: 'Stock', dueMs: factory.clock.nowMs() + 9e9 });
    await placeOrder();
    const text = await listener.heard(/change/);
    expect(text.match(/event: change/g)).toHaveLength(1);
    listener.stop();
  });
});
