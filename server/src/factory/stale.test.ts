import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { openFactory, type Answer, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let other: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  other = await factory.as('admin');
});
afterAll(() => factory.close());

const setup = async () => (await manager.get('/setup')).body;

/** Each rule: its address, its name among the tags, and a change of it. */
const RULES: [path: string, tag: string, change: (setup: Answer['body'], n: number) => object][] = [
  ['/settings/moisture', 'moisture', ({ moisture }, n) => ({ ...moisture, halfWidthPct: 1 + n / 10 })],
  [
    '/settings/moisture-exceptions',
    'exceptions',
    ({ moisture }, n) => ({ exceptions: [{ ...moisture, use: 'top', form: null, halfWidthPct: 1 + n / 10 }] }),
  ],
  [
    '/settings/species',
    'species',
    ({ species }, n) => ({
      species: species.map((s: { sources: object }) => ({
        ...s,
        meter: { a: 1 + n / 10, b: 0, densityOffsetPct: 0 },
        sources: { ...s.sources, meter: 'handbook' },
      })),
    }),
  ],
  ['/settings/defects', 'defects', ({ defects }, n) => ({ defects: [...defects, { name: `scorch ${n}`, stages: ['bodies'] }] })],
  ['/settings/cautions', 'cautions', ({ cautions }, n) => ({ cautions: [...cautions, { key: `bandsaw ${n}`, text: 'Blade guide down' }] })],
  ['/settings/pause-causes', 'pauseCauses', (_, n) => ({ pauseCauses: [{ key: `flood ${n}`, text: 'the river' }] })],
  ['/settings/start-checks', 'startChecks', (_, n) => ({ startChecks: [{ key: `oil ${n}`, text: 'Oil is up' }] })],
  ['/settings/consignees', 'consignees', (_, n) => ({ consignees: [{ name: `Shop ${n}`, note: '' }] })],
  [
    '/settings/movement',
    'movement',
    ({ movementLimits }, n) => ({ limits: movementLimits.map((l: { limitMm: number }) => ({ ...l, limitMm: l.limitMm + n / 10 })) }),
  ],
  ['/settings/wood-buying', 'woodBuying', (_, n) => ({ deliveryDays: 10 + n })],
  [
    '/settings/spray',
    'spray',
    ({ spray }, n) => ({
      minTempC: spray.minTempC,
      maxTempC: 27 + n,
      minHumidity: spray.minHumidity,
      maxHumidity: spray.maxHumidity,
      dewMarginC: spray.dewMarginC,
    }),
  ],
  ['/settings/kilns', 'kilns', ({ kilns }, n) => ({ schedules: [...kilns.slice(0, 1), { ...kilns[1], name: `Kiln ${n}` }] })],
  ['/settings/serial', 'serial', ({ serial }, n) => ({ ...serial, template: `{YY}{DDD}{MODEL}{SEQ3}${n}` })],
];

describe.each(RULES)('%s', (path, tag, change) => {
  test('what was changed by someone else is not overwritten unseen', async () => {
    const seen = await setup();
    expect((await other.put(path, { ...change(seen, 1), seen: seen.tags[tag] })).status).toBe(200);
    const after = await setup();
    expect(after.tags[tag]).not.toBe(seen.tags[tag]);
    const late = await manager.put(path, { ...change(seen, 2), seen: seen.tags[tag] });
    expect(late.status).toBe(409);
    expect(late.body.type).toContain('stale');
    expect(late.body.detail).toMatch(/was changed by someone else/);
    expect((await setup()).tags[tag]).toBe(after.tags[tag]);
    expect((await manager.put(path, { ...change(after, 2), seen: after.tags[tag] })).status).toBe(200);
  });
  test('of several at once one is taken', async () => {
    const seen = await setup();
    const answers = await Promise.all(
      [3, 4, 5, 6].map((n) => (n % 2 === 0 ? manager : other).put(path, { ...change(seen, n), seen: seen.tags[tag] })),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409]);
  });
  test('whoever does not say what they saw overwrites', async () => {
    expect((await manager.put(path, change(await setup(), 7))).status).toBe(200);
  });
});
