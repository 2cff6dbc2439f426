import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Writable } from 'node:stream';
import { Test } from '@nestjs/testing';
import pino from 'pino';
import request from 'supertest';
import express from 'express';
import { openFactory, PASSWORD, type TestFactory } from '../../test/factory.ts';
import { logRequests, NestLog } from './logging.ts';

let factory: TestFactory;
beforeAll(async () => {
  factory = await openFactory();
});
afterAll(() => factory.close());

function listening() {
  const lines: string[] = [];
  const to = new Writable({
    write(chunk: Buffer, _encoding, done) {
      lines.push(String(chunk));
      done();
    },
  });
  return { lines, logger: pino({ level: 'info', base: null }, to) };
}

test('a request is told by its route, its person and its end; nothing that was in it', async () => {
  const { lines, logger } = listening();
  const outer = express();
  outer.use(logRequests(logger));
  outer.use(factory.app.getHttpAdapter().getInstance() as express.Express);
  const signedIn = await request(outer).post('/api/session').send({ login: 'viewer', password: PASSWORD });
  const cookie = String((signedIn.headers['set-cookie'] as unknown as string[])[0]).split(';')[0] ?? '';
  await request(outer).get('/api/find?text=secret-word').set('Cookie', cookie);
  await request(outer).get('/api/calendar/secret-token.ics');
  const told = lines.map((line) => JSON.parse(line) as Record<string, unknown>);
  expect(told.map(({ msg, status, person }) => [msg, status, person])).toEqual([
    ['POST /api/session', 200, undefined],
    ['GET /api/find', 200, 'viewer'],
    ['GET /api/calendar/:token.ics', 404, undefined],
  ]);
  expect(told.every(({ id, responseTime }) => typeof id === 'string' && typeof responseTime === 'number')).toBe(true);
  const text = lines.join('');
  for (const secret of [PASSWORD, cookie.split('=')[1] ?? '', 'secret-word', 'secret-token']) expect(text).not.toContain(secret);
});

test('Nest’s own words go the same way', async () => {
  const { lines, logger } = listening();
  const module = await Test.createTestingModule({}).setLogger(new NestLog(logger)).compile();
  await module.close();
  const log = new NestLog(logger);
  log.warn('The tide is in', 'Harbour');
  log.error(new Error('No boat'), 'stack', 'Harbour');
  const told = lines.map((line) => JSON.parse(line) as { level: number; msg: string; context?: string });
  expect(told.find((l) => l.msg === 'The tide is in')).toMatchObject({ level: 40, context: 'Harbour' });
  expect(told.find((l) => l.msg.startsWith('Error: No boat'))).toMatchObject({ level: 50, context: 'Harbour' });
});
