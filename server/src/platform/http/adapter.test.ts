import { afterEach, describe, expect, test } from '@jest/globals';
import { createConnection, type AddressInfo, type Socket } from 'node:net';
import type { Server } from 'node:http';
import express from 'express';
import { HttpAdapter } from './adapter.ts';
import { answerTo, shedLoad } from './doors.ts';

const opened: HttpAdapter[] = [];
afterEach(async () => {
  for (const adapter of opened.splice(0)) await adapter.close();
});

async function serve(prepare: (app: express.Express) => void, bounds = { arrivalMs: 300, lookedAtMs: 50, drainedMs: 400 }) {
  const adapter = new HttpAdapter(bounds);
  opened.push(adapter);
  adapter.initHttpServer();
  prepare(adapter.getInstance<express.Express>());
  const server: Server = adapter.getHttpServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return { adapter, port, origin: `http://127.0.0.1:${port}` };
}

/** Sends some bytes and waits for the end of the connection. */
function trickle(port: number, text: string): Promise<{ said: string; ms: number; socket: Socket }> {
  const began = performance.now();
  return new Promise((resolve, reject) => {
    const socket = createConnection(port, '127.0.0.1', () => socket.write(text));
    let said = '';
    socket.on('data', (data) => (said += String(data)));
    socket.on('error', reject);
    socket.on('close', () => resolve({ said, ms: performance.now() - began, socket }));
  });
}

describe('what comes too slowly is cut', () => {
  test.each([
    ['a head', 'GET / HTTP/1.1\r\nHost: x\r\n'],
    ['a body', 'POST / HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 100\r\n\r\n{"a'],
  ])('%s', async (_, text) => {
    const { port } = await serve((app) => app.use(express.json()));
    const { said, ms } = await trickle(port, text);
    expect(said).toMatch(/^HTTP\/1\.1 408 /);
    expect(ms).toBeLessThan(3000);
  });
});

/** A handler that holds what comes until it is let go. */
function holding() {
  let arrived = 0;
  let letGo: () => void = () => undefined;
  const gate = new Promise<void>((resolve) => (letGo = resolve));
  const handler = (_request: express.Request, response: express.Response) => {
    arrived++;
    void gate.then(() => response.send('done'));
  };
  return { handler, letGo: () => letGo(), arrived: () => arrived };
}

/** Waits until something is so, whatever else the machine has to do. */
async function until(isSo: () => boolean): Promise<void> {
  while (!isSo()) await new Promise((resolve) => setTimeout(resolve, 10));
}

describe('a stop', () => {
  test('answers what is at work, and takes nothing new', async () => {
    const { handler, letGo, arrived } = holding();
    const { adapter, origin } = await serve((app) => app.get('/', handler), { arrivalMs: 300, lookedAtMs: 50, drainedMs: 20_000 });
    const pending = Array.from({ length: 20 }, () => fetch(origin).then((answer) => answer.text()));
    await until(() => arrived() === 20);
    const stopped = adapter.close();
    await expect(fetch(origin)).rejects.toThrow();
    letGo();
    expect(await Promise.all(pending)).toEqual(Array.from({ length: 20 }, () => 'done'));
    await stopped;
  });
  test('waits no longer than it may for whoever does not end', async () => {
    const { adapter, port } = await serve((app) => app.get('/', (_, response) => void response.write('and so on')));
    const endless = trickle(port, 'GET / HTTP/1.1\r\nHost: x\r\n\r\n');
    await new Promise((resolve) => setTimeout(resolve, 60));
    const began = performance.now();
    await adapter.close();
    expect(performance.now() - began).toBeLessThan(2000);
    expect((await endless).said).toContain('and so on');
  });
});

test('more than can be answered is sent away for a moment', async () => {
  let shed = 0;
  const { handler, letGo } = holding();
  const { origin } = await serve((app) => {
    app.use(shedLoad({ most: 3, atDoor: 2, fromOne: 1 }, () => shed++));
    app.get('/', handler);
  });
  const asked = Array.from({ length: 8 }, () => fetch(origin));
  await until(() => shed === 5);
  letGo();
  const away = (await Promise.all(asked)).filter((answer) => answer.status === 503);
  expect(away).toHaveLength(5);
  expect(away[0]?.headers.get('retry-after')).toBe('1');
  expect(await away[0]?.json()).toMatchObject({ status: 503, type: 'urn:ample-crane:busy' });
  expect((await fetch(origin)).status).toBe(200);
});

test('strangers at the door take no place from those who are in', async () => {
  let shed = 0;
  const { handler, letGo } = holding();
  const { origin } = await serve((app) => {
    app.use(shedLoad({ most: 1, atDoor: 2, fromOne: 1 }, () => shed++));
    app.get('/api/morning', (_, response) => void response.send('done'));
    app.use(handler);
  });
  const slow = Array.from({ length: 4 }, () => fetch(`${origin}/api/session`, { method: 'POST' }).then((answer) => answer.status));
  await until(() => shed === 3);
  expect((await fetch(`${origin}/api/morning`)).status).toBe(200);
  letGo();
  expect((await Promise.all(slow)).sort()).toEqual([200, 503, 503, 503]);
});

test('a name that is not ours gets no answer', async () => {
  const { port } = await serve((app) => {
    app.use(answerTo({ hosts: new Set(['crane.example']), publicUrl: new URL('https://crane.example') }));
    app.get('/', (_, response) => void response.send('done'));
  });
  const ask = (host: string) => trickle(port, `GET / HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`);
  expect((await ask('evil.example')).said).toMatch(/^HTTP\/1\.1 421 [\s\S]*reached at https:\/\/crane\.example/);
  expect((await ask('Crane.Example')).said).toMatch(/^HTTP\/1\.1 200 /);
});
