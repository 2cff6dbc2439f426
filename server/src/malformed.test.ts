import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { describe } from './create.ts';
import { openFactory, startedBatch, type Caller, type TestFactory } from './test/factory.ts';
import { malformedRequests, sendMalformed, type Malformed } from './test/malformed.ts';

const COUNT = 2000;
const SEED = 20_261_127;

let factory: TestFactory;
let admin: Caller;
let origin: URL;

beforeAll(async () => {
  factory = await openFactory();
  admin = await factory.as('admin');
  const server = factory.app.getHttpServer() as Server;
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  origin = new URL(`http://127.0.0.1:${(server.address() as AddressInfo).port}`);
});
afterAll(() => factory.close());

test('no malformed request is a fault of the server, and none takes long', async () => {
  const batch = await startedBatch(factory, admin);
  const known = {
    lots: ['L101', 'L102'],
    batches: [batch],
    zoneId: ['wood', 'finish'],
    modelId: ['weirstone'],
    stations: ['RM3', 'BD2'],
    carriers: ['R01'],
    routes: ['weirstone-1'],
    people: ['viewer'],
    personId: ['joss', 'ines'],
  };
  const answers: Malformed[] = [];
  for (const request of malformedRequests(describe(factory.app), known, COUNT, SEED))
    answers.push(await sendMalformed(origin, admin.cookie, request));
  const shown = ({ request, status, ms, text }: Malformed) =>
    `${request.method} ${request.path} ${request.body?.slice(0, 300) ?? ''} → ${status} in ${ms.toFixed(0)} ms ${text.slice(0, 200)}`;
  expect(answers.filter((a) => a.status >= 500).map(shown)).toEqual([]);
  // What is slow by nature is slow again; a machine that stood still for a moment is not.
  const again: Malformed[] = [];
  for (const { request } of answers.filter((a) => a.ms > 1000)) again.push(await sendMalformed(origin, admin.cookie, request));
  expect(again.filter((a) => a.ms > 1000).map(shown)).toEqual([]);
  // Wrong as they are, they reach what they are meant for.
  for (const status of [200, 400, 404]) expect(answers.filter((a) => a.status === status).length).toBeGreaterThan(20);
  expect(answers.filter((a) => a.status === 401).length).toBeLessThan(COUNT / 50);
  expect(answers.filter((a) => a.status >= 400 && !a.text.includes('urn:ample-crane:') && a.status !== 0).map(shown)).toEqual([]);
}, 240_000);
