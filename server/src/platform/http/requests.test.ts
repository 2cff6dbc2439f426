import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { describe as describeApi } from '../../create.ts';
import { openFactory, LOT, PASSWORD, startedBatch, type Caller, type TestFactory } from '../../test/factory.ts';
import { excessOf } from './body.ts';
import { faultOfText, normalised } from './text.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const http = () => request(factory.app.getHttpServer());
const took = async <T>(work: () => Promise<T>): Promise<[T, number]> => {
  const began = performance.now();
  return [await work(), performance.now() - began];
};

describe('how much a body holds is told from its bytes', () => {
  const bounds = { bytes: 1e6, values: 6, depth: 2 };
  test.each([
    ['{"a":1,"b":[2,3]}', undefined],
    ['{"text":"[[[[{{{{,,,,,,,,,,"}', undefined],
    ['{"text":"\\"[[[[\\\\"}', undefined],
    ['[[[]]]', 'is nested deeper than 2 levels'],
    ['[1,2,3,4,5,6,7]', 'holds more than 6 values'],
  ])('%s', (json, excess) => {
    expect(excessOf(Buffer.from(json), bounds)).toBe(excess);
  });
});

describe('a body is bounded before it is looked at', () => {
  test('a sign-in of a hundred thousand unknown fields is refused in no time, in few words', async () => {
    const body = Object.fromEntries(Array.from({ length: 100_000 }, (_, i) => [`field${i}`, i]));
    const [answer, ms] = await took(() => http().post('/api/session').send(body));
    expect([answer.status, answer.body.type]).toEqual([413, 'urn:ample-crane:too-large']);
    expect(answer.text.length).toBeLessThan(500);
    expect(ms).toBeLessThan(3000);
  });
  test('a sign-in may hold 4 kB', async () => {
    expect(
      (
        await http()
          .post('/api/session')
          .send({ login: 'viewer', password: 'x'.repeat(5000) })
      ).status,
    ).toBe(413);
    expect((await http().post('/api/session').send({ login: 'viewer', password: PASSWORD })).status).toBe(200);
  });
  test('nobody without a session has a body read', async () => {
    const [answer, ms] = await took(() =>
      http()
        .post('/api/lots')
        .send({ species: 'x'.repeat(200_000) }),
    );
    expect(answer.status).toBe(401);
    expect(ms).toBeLessThan(3000);
  });
  test('a plan of a hundred thousand placed blanks is refused in milliseconds', async () => {
    const placed = Array.from({ length: 100_000 }, (_, i) => ({ blankId: `w${i}`, pieces: 1, xMm: 0, yMm: 0, lengthMm: 1, widthMm: 1 }));
    const [answer, ms] = await took(() =>
      manager.post('/cutting/plans', { lotIds: ['L1'], wanted: [], boards: [{ boardId: 'L1-1', placed }] }),
    );
    expect(answer.status).toBe(413);
    expect(ms).toBeLessThan(3000);
  });
  test('at most twenty faults are told', async () => {
    const surprises = Object.fromEntries(Array.from({ length: 500 }, (_, i) => [`field${i}`, 1]));
    const answer = await manager.post('/lots', { ...LOT, ...surprises });
    expect([answer.status, answer.body.fields.length]).toEqual([400, 20]);
  });
  test.each(['null', '7', '"text"', '[]', '[{}]', '{"a":', '\u0000'])('%j is no command', async (body) => {
    const answer = await http().post('/api/lots').set({ Cookie: manager.cookie, 'Content-Type': 'application/json' }).send(body);
    expect([answer.status, answer.body.type]).toEqual([400, 'urn:ample-crane:bad-input']);
  });
  test('deep nesting is refused before it is parsed', async () => {
    const deep = `${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`;
    const answer = await http().post('/api/lots').set({ Cookie: manager.cookie, 'Content-Type': 'application/json' }).send(deep);
    expect([answer.status, answer.body.detail]).toEqual([413, 'What was sent is nested deeper than 16 levels.']);
  });
  test('every list and every text of the API has a bound', () => {
    interface Schema {
      type?: string;
      maxItems?: number;
      maxLength?: number;
      maxProperties?: number;
      enum?: unknown[];
      format?: string;
      $ref?: string;
      items?: Schema;
      oneOf?: Schema[];
      allOf?: Schema[];
      properties?: Record<string, Schema>;
    }
    const api = describeApi(factory.app);
    const schemas = (api.components?.schemas ?? {}) as Record<string, Schema>;
    const unbounded = new Set<string>();
    const seen = new Set<string>();
    const look = (schema: Schema, where: string): void => {
      const name = schema.$ref?.split('/').at(-1);
      if (name !== undefined) {
        if (seen.has(name)) return;
        seen.add(name);
        look(schemas[name] ?? {}, name);
        return;
      }
      if (schema.type === 'array' && schema.maxItems === undefined) unbounded.add(where);
      if (schema.allOf) return schema.allOf.forEach((one) => look(one, where));
      if (schema.type === 'object' && !schema.properties && schema.maxProperties === undefined) unbounded.add(where);
      const isText = schema.type === 'string' && schema.enum === undefined && schema.format === undefined;
      if (isText && schema.maxLength === undefined && !where.endsWith('[]')) unbounded.add(where);
      if (schema.items) look(schema.items, `${where}[]`);
      for (const one of schema.oneOf ?? []) look(one, where);
      for (const [key, field] of Object.entries(schema.properties ?? {})) look(field, `${where}.${key}`);
    };
    for (const [path, item] of Object.entries(api.paths))
      for (const { requestBody } of Object.values(
        item as Record<string, { requestBody?: { content: Record<string, { schema: Schema }> } }>,
      ))
        for (const { schema } of Object.values(requestBody?.content ?? {})) look(schema, path);
    expect(seen.size).toBeGreaterThan(60);
    expect([...unbounded]).toEqual([]);
  });
});

describe('text', () => {
  test.each([
    ['Weirstone', undefined],
    ['Señor Ñandú 木', undefined],
    ['a\u200fb', undefined],
    ['a\u0000b', 'holds a control character'],
    ['\ud800', 'holds half a character'],
    ['two\nlines', 'must be on one line'],
    ['\u202edrawkcab', 'holds a mark that turns the direction of writing'],
    ['\u200b\u200f\ufeff', 'shows nothing'],
  ])('%j: %s', (text, fault) => {
    expect(faultOfText(text)).toBe(fault);
  });
  test('has its letters composed and nothing around it', () => {
    expect(normalised('  e\u0301bano ')).toBe('ébano');
    expect(normalised(' pass ', { verbatim: true })).toBe(' pass ');
    expect(normalised(7)).toBe(7);
  });
  test.each([' \n\t ', '\u200e\u200f', '\u2028', 'a\u0000', '\udfff'])('%j is no name for a supplier', async (supplier) => {
    const answer = await manager.post('/lots', { ...LOT, supplier });
    expect([answer.status, answer.body.fields?.[0]?.field]).toEqual([400, 'supplier']);
  });
  test.each(['%00', '%ED%A0%80', '%ff', 'a'.repeat(3000)])('an address of %s is told as such', async (id) => {
    expect([400, 404]).toContain((await manager.get(`/lots/${id}`)).status);
  });
});

describe('values', () => {
  const order = (dueMs: number) => manager.post('/orders', { modelId: 'weirstone', quantity: 1, customer: 'Harbour Hall Music', dueMs });
  test.each([1_780_000_000_000.5, 9_999_999_999_999, -1])('an order is not due at %d', async (dueMs) => {
    const answer = await order(dueMs);
    expect([answer.status, answer.body.fields[0].field]).toEqual([400, 'dueMs']);
  });
  test('null is not the same as left out', async () => {
    const batch = await startedBatch(factory, manager);
    const answer = await manager.post(`/batches/${batch}/move`, { version: 1, placements: null });
    expect([answer.status, answer.body.fields[0].field]).toEqual([400, 'placements']);
  });
  test('a list holds no lists and no empty places', async () => {
    for (const placements of [[null], [[]]])
      expect((await manager.post('/batches/B1/place', { version: 1, placements })).body.fields[0].field).toBe('placements.0');
  });
  test('a change of nothing changes nothing', async () => {
    expect((await manager.patch('/session', {})).status).toBe(200);
  });
  test('a reason too short is told by its field, not as something taken', async () => {
    const answer = await manager.post('/batches/B1/move', { version: 1, overrideReason: 'no' });
    expect([answer.status, answer.body.fields[0].field]).toEqual([400, 'overrideReason']);
  });
});
