import { request as httpRequest, Agent } from 'node:http';
import type { OpenAPIObject } from '@nestjs/swagger';
import fc from 'fast-check';

// Requests that no page of ours sends, made from what the API says of itself.

interface Schema {
  $ref?: string;
  type?: string;
  enum?: unknown[];
  minimum?: number;
  maximum?: number;
  maxLength?: number;
  items?: Schema;
  properties?: Record<string, Schema>;
  required?: string[];
  oneOf?: Schema[];
  additionalProperties?: Schema | boolean;
}

export interface MalformedRequest {
  method: string;
  path: string;
  headers: Record<string, string>;
  body: string | undefined;
}

export interface Malformed {
  request: MalformedRequest;
  status: number;
  ms: number;
  text: string;
}

const nested = (depth: number, open: string, close: string) => `${open.repeat(depth)}${close.repeat(depth)}`;

/** Values that have no place in any field. */
const EVIL = fc.constantFrom<unknown>(
  null,
  '',
  ' \n ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  'x\udc00y',
  '\u202egnirts',
  '\u200f\u200e',
  'a'.repeat(5000),
  "'; drop table lot; --",
  '%00',
  '__proto__',
  [],
  [[]],
  [[[1]]],
  [null],
  {},
  { constructor: { prototype: {} } },
  JSON.parse('{"__proto__": {"polluted": true}}'),
  -1,
  0,
  0.5,
  1e21,
  1e308,
  5e-324,
  2 ** 31,
  2 ** 53 + 2,
  1_772_697_600_000.5,
  true,
);
const EVIL_TEXT = fc.constantFrom(
  '%00',
  '%ff',
  '%',
  '..%2f..',
  'a'.repeat(4000),
  '%ED%A0%80',
  '%E2%80%AE',
  '-1',
  '0x10',
  'NaN',
  '[]',
  '%F0%9F%8E%B8',
  '',
);
const RAW = fc.constantFrom(
  '',
  'null',
  '"text"',
  '7',
  '[]',
  '[[]]',
  '{',
  '{"a":',
  '{"version":1}{"version":2}',
  nested(10_000, '[', ']'),
  nested(2_000, '{"a":', '1').replace(/1+$/, '1') + '}'.repeat(2_000),
  `{"a":[${'1,'.repeat(50_000)}1]}`,
  '\u0000',
  '{"a":"\\ud800"}',
);
const HEADERS = fc.constantFrom<Record<string, string>>(
  {},
  { 'Idempotency-Key': 'a'.repeat(200) },
  { 'Idempotency-Key': '\u0001' },
  { 'Content-Type': 'text/plain' },
  { 'Content-Type': 'application/json; charset=utf-16' },
  { 'Content-Encoding': 'gzip' },
  { 'Content-Type': 'multipart/form-data; boundary=x' },
  { Origin: 'null' },
  { 'X-Request-Id': '\u0001\u0002' },
);

/** What to put into addresses so that some of them are found. */
export type Known = Readonly<Record<string, readonly string[]>>;

/** Routes that end the session of whoever asks: nothing would be reached after them. */
const ENDING = new Set(['delete /api/session', 'post /api/session/station']);

/** Requests to every route of the API but those that sign out, most of them somewhat wrong. */
export function malformedRequests(api: OpenAPIObject, known: Known, count: number, seed: number): MalformedRequest[] {
  const schemas = (api.components?.schemas ?? {}) as Record<string, Schema>;
  const find = (schema: Schema): Schema => (schema.$ref === undefined ? schema : (schemas[schema.$ref.split('/').at(-1) ?? ''] ?? {}));
  const mostly = <T>(good: fc.Arbitrary<T>) => fc.oneof({ weight: 40, arbitrary: good }, { weight: 1, arbitrary: EVIL });

  const valueOf = (given: Schema, name: string, depth = 0): fc.Arbitrary<unknown> => {
    const schema = find(given);
    if (depth > 5) return fc.constant(null);
    if (schema.oneOf) return mostly(fc.oneof(...schema.oneOf.map((one) => valueOf(one, name, depth + 1))));
    if (schema.enum) return mostly(fc.constantFrom(...schema.enum));
    if (schema.properties) {
      const fields = Object.entries(schema.properties).map(([key, field]) => [key, valueOf(field, key, depth + 1)] as const);
      const whole = fc.record(Object.fromEntries(fields), { requiredKeys: schema.required ?? [] });
      return mostly(
        fc.tuple(whole, fc.boolean(), EVIL).map(([record, extra, value]) => (extra && depth > 1 ? { ...record, surprise: value } : record)),
      );
    }
    if (schema.type === 'array') return mostly(fc.array(valueOf(schema.items ?? {}, name, depth + 1), { maxLength: 4 }));
    if (schema.type === 'integer') {
      const [least, most] = [schema.minimum ?? 0, schema.maximum ?? 9];
      return mostly(
        fc.oneof(fc.constantFrom(least, Math.min(least + 1, most), Math.min(least + 2, most)), fc.integer({ min: least, max: most })),
      );
    }
    if (schema.type === 'number') return mostly(fc.double({ min: schema.minimum ?? 0, max: schema.maximum ?? 1e6, noNaN: true }));
    if (schema.type === 'boolean') return mostly(fc.boolean());
    if (schema.type === 'object') return mostly(fc.dictionary(fc.string({ maxLength: 8 }), fc.string({ maxLength: 8 }), { maxKeys: 4 }));
    const words = known[name] ?? Object.values(known).flat();
    return mostly(fc.oneof(fc.constantFrom('word', ...words), fc.string({ unit: 'binary', maxLength: 12 })));
  };

  const all = Object.entries(api.paths).flatMap(([path, item]) =>
    Object.entries(
      item as Record<
        string,
        { parameters?: { name: string; in: string; schema?: Schema }[]; requestBody?: { content: Record<string, { schema: Schema }> } }
      >,
    ).map(([method, { parameters = [], requestBody }]) => ({
      method,
      path,
      query: parameters.filter((p) => p.in === 'query').map((p) => p.name),
      body: requestBody?.content['application/json']?.schema,
    })),
  );
  const routes = all.filter(({ method, path }) => !ENDING.has(`${method} ${path}`));
  const wordFor = (name: string) => {
    const words = known[name] ?? Object.values(known).flat();
    return fc.oneof({ weight: 4, arbitrary: fc.constantFrom('x', ...words) }, { weight: 1, arbitrary: EVIL_TEXT });
  };
  const one = fc.constantFrom(...routes).chain(({ method, path, query, body }) => {
    const names = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name ?? '');
    const places = fc.tuple(...names.map((name) => wordFor(name === 'id' ? (path.split('/')[2] ?? name) : name)));
    const asked = fc.tuple(...query.map((name) => fc.option(fc.tuple(fc.constant(name), wordFor(name)), { freq: 2 })));
    const sent: fc.Arbitrary<string | undefined> =
      method === 'get'
        ? fc.constant(undefined)
        : fc.oneof(
            {
              weight: 12,
              arbitrary: (body ? valueOf(body, '') : fc.dictionary(fc.string(), EVIL, { maxKeys: 3 })).map((value) =>
                JSON.stringify(value),
              ),
            },
            { weight: 1, arbitrary: RAW },
          );
    return fc.record({
      method: fc.constant(method.toUpperCase()),
      path: fc.tuple(places, asked).map(([words, pairs]) => {
        const address = names.reduce((text, name, i) => text.replace(`{${name}}`, words[i] ?? ''), path);
        const search = pairs.flatMap((pair) => (pair ? [pair.join('=')] : []));
        return search.length === 0 ? address : `${address}?${search.join('&')}`;
      }),
      headers: fc.oneof({ weight: 8, arbitrary: fc.constant<Record<string, string>>({}) }, { weight: 1, arbitrary: HEADERS }),
      body: sent,
    });
  });
  return fc.sample(one, { numRuns: count, seed });
}

const agent = new Agent({ keepAlive: true, maxSockets: 8 });

/** Sends one as it is, without a client that would put it right first. */
export function sendMalformed(origin: URL, cookie: string, request: MalformedRequest): Promise<Malformed> {
  const { method, path, body } = request;
  const began = performance.now();
  return new Promise((resolve, reject) => {
    const call = httpRequest(
      {
        agent,
        host: origin.hostname,
        port: origin.port,
        method,
        // What a socket cannot carry at all is no request.
        path: path.replace(/[\s\u0080-\uffff]/g, '_'),
        headers: {
          Cookie: cookie,
          ...(body === undefined ? {} : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(body) }),
          ...Object.fromEntries(Object.entries(request.headers).filter(([, value]) => !/\p{Cc}/u.test(value))),
        },
      },
      (answer) => {
        // What is exported streams for as long as it is long: it counts when it begins.
        const ms = performance.now() - began;
        if (answer.headers['content-type']?.startsWith('text/event-stream')) {
          // A stream has no end of its own.
          answer.destroy();
          resolve({ request, status: answer.statusCode ?? 0, ms, text: '' });
          return;
        }
        const chunks: Buffer[] = [];
        answer.on('data', (chunk: Buffer) => chunks.push(chunk));
        answer.on('error', reject);
        answer.on('end', () => resolve({ request, status: answer.statusCode ?? 0, ms, text: Buffer.concat(chunks).toString('utf8') }));
      },
    );
    // A server that refuses a body hangs up on the rest of it.
    call.on('error', (error: NodeJS.ErrnoException) =>
      ['EPIPE', 'ECONNRESET'].includes(error.code ?? '')
        ? resolve({ request, status: 0, ms: performance.now() - began, text: '' })
        : reject(error),
    );
    call.end(body);
  });
}
