import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { DEVICE_KINDS, KINDS, OLDEST_MS, QUANTITIES, readMessage, unitsOf, type DeviceKind, type Told } from './index.ts';

const NOW = Date.parse('2026-03-10T07:00:00Z');
const iso = (ms: number) => new Date(ms).toISOString();
const read = (kind: DeviceKind, said: object, heardMs = NOW) => readMessage(kind, JSON.stringify({ id: 'a-1', ...said }), heardMs);
const told = (kind: DeviceKind, said: object): Told | string => {
  const heard = read(kind, said);
  return heard.kind === 'message' ? heard.message.told : heard.why;
};
const width = { length: { value: 9.53, unit: 'mm' } };
const machine = { state: 'running', program: 'MR-body-B.nc', parts: 4, cutters: [{ cutter: '12 mm rougher', minutes: 12.5 }] };

describe('what devices tell, kept in SI', () => {
  const value = (quantity: string, kept: number) => ({ kind: 'value', quantity, value: expect.closeTo(kept, 6) });
  test.each<[DeviceKind, object, object]>([
    ['caliper', width, value('length', 9.53)],
    ['caliper', { length: { value: 0.375, unit: 'in' } }, value('length', 9.525)],
    ['scale', { mass: { value: 1.84, unit: 'kg' } }, value('mass', 1840)],
    ['scale', { mass: { value: 4, unit: 'lb' } }, value('mass', 1814.36948)],
    ['moisture meter', { moisture: { value: 8.4, unit: '%' } }, value('moisture', 8.4)],
    [
      'climate sensor',
      { air: { temperature: { value: 70.7, unit: '°F' }, humidity: { value: 46, unit: '%' } } },
      { kind: 'air', tempC: expect.closeTo(21.5, 9), relativeHumidity: 0.46 },
    ],
    ['machine controller', { machine }, { kind: 'machine', ...machine }],
    [
      'machine controller',
      { machine: { state: 'idle', program: null, parts: 0 } },
      { kind: 'machine', state: 'idle', program: null, parts: 0, cutters: [] },
    ],
  ])('%s %j', (kind, said, kept) => {
    expect(told(kind, said)).toEqual(kept);
  });
});

describe('what cannot be meant is refused, and says why', () => {
  test.each<[DeviceKind, object, RegExp]>([
    ['caliper', { length: { value: 9.5, unit: 'g' } }, /"length" is told in mm, cm, in; not in "g"/],
    ['caliper', { length: { value: 9.5 } }, /not in nothing/],
    ['caliper', { length: { value: 9.5, unit: 'constructor' } }, /told in mm/],
    ['caliper', { length: { value: '9.5', unit: 'mm' } }, /"value" of "length" is a number, not "9.5"/],
    ['caliper', { length: { value: 9530, unit: 'mm' } }, /9530 "mm" is more than a caliper can measure/],
    ['caliper', { mass: { value: 1, unit: 'g' } }, /A caliper tells length, not mass/],
    ['caliper', { ...width, mass: { value: 1, unit: 'g' } }, /A caliper tells length, not mass/],
    ['caliper', {}, /"length" is not there/],
    ['caliper', { length: [9.5, 'mm'] }, /"length" is not there, or holds no fields/],
    [
      'climate sensor',
      { air: { temperature: { value: 294, unit: 'K' }, humidity: { value: 46, unit: '%' } } },
      /told in °C, °F; not in "K"/,
    ],
    ['climate sensor', { air: { temperature: { value: 294, unit: '°C' }, humidity: { value: 46, unit: '%' } } }, /is the unit right/],
    ['climate sensor', { air: { temperature: { value: 21, unit: '°C' }, humidity: { value: 0.46 } } }, /told in %, not in nothing/],
    ['climate sensor', { air: { temperature: { value: 21, unit: '°C' }, humidity: { value: 146, unit: '%' } } }, /from 0 to 100/],
    ['machine controller', { machine: { ...machine, state: 'asleep' } }, /one of idle, running, held, fault, not "asleep"/],
    ['machine controller', { machine: { ...machine, parts: 1.5 } }, /"parts" is a count/],
    ['machine controller', { machine: { ...machine, program: null } }, /runs, and tells no program/],
    ['machine controller', { machine: { ...machine, cutters: [{ cutter: 'saw', minutes: -1 }] } }, /no minutes below nothing/],
    ['machine controller', { machine: { ...machine, cutters: 'saw' } }, /"cutters" is a list/],
    ['machine controller', { machine: { ...machine, program: 'a\u0000b' } }, /"program" is a text of 1 to 120/],
    ['machine controller', { machine: { ...machine, program: 'a\ud800' } }, /"program" is a text of 1 to 120/],
  ])('%s %j', (kind, said, why) => {
    expect(told(kind, said)).toMatch(why);
  });
  test.each([
    ['no JSON', '{', /no JSON/],
    ['a list', '[]', /holds no fields/],
    ['null', 'null', /is not there/],
    ['too long', `{"id":"${'a'.repeat(5000)}"}`, /longer than 4096/],
  ])('%s: nobody can be answered', (_, text, why) => {
    expect(readMessage('caliper', text, NOW)).toEqual({ kind: 'refused', id: null, why: expect.stringMatching(why) });
  });
  test('an id that is none is not answered; one that is, is', () => {
    expect(read('caliper', { ...width, id: '' })).toMatchObject({ kind: 'refused', id: null });
    for (const id of ['a\nb', 'half \udc00', 7, null])
      expect(read('caliper', { ...width, id })).toMatchObject({ kind: 'refused', id: null });
    expect(read('caliper', { id: 'a-7' })).toMatchObject({ kind: 'refused', id: 'a-7' });
  });
});

describe('when it was', () => {
  const when = (said: object) => {
    const heard = read('caliper', { ...width, ...said });
    return heard.kind === 'message' ? { agoMs: NOW - heard.message.atMs, aheadMs: heard.message.aheadMs } : heard.why;
  };
  const DRIFT = 400 * DAY_MS;
  test.each([
    ['nothing is said: now', {}, { agoMs: 0, aheadMs: null }],
    ['measured and sent at once', { at: iso(NOW), sent: iso(NOW) }, { agoMs: 0, aheadMs: 0 }],
    ['kept for three hours', { at: iso(NOW - 3 * HOUR_MS), sent: iso(NOW) }, { agoMs: 3 * HOUR_MS, aheadMs: 0 }],
    ['by a clock of another year', { at: iso(NOW - DRIFT - 3 * HOUR_MS), sent: iso(NOW - DRIFT) }, { agoMs: 3 * HOUR_MS, aheadMs: -DRIFT }],
    ['by one that is ahead', { at: iso(NOW + DRIFT), sent: iso(NOW + DRIFT) }, { agoMs: 0, aheadMs: DRIFT }],
    ['only when it measured', { at: iso(NOW - HOUR_MS) }, { agoMs: HOUR_MS, aheadMs: null }],
    ['that a little ahead', { at: iso(NOW + MINUTE_MS) }, { agoMs: 0, aheadMs: null }],
  ])('%s', (_, said, expected) => {
    expect(when(said)).toEqual(expected);
  });
  test.each([
    ['after it was sent', { at: iso(NOW), sent: iso(NOW - HOUR_MS) }, /measured after it was sent/],
    ['in the future', { at: iso(NOW + HOUR_MS) }, /in the future/],
    ['too late', { at: iso(NOW - OLDEST_MS - 1), sent: iso(NOW) }, /7 days before it came: too late/],
    ['at no time', { at: 'noon' }, /"at" is an instant such as/],
    ['in no zone', { at: '2026-03-10T07:00:00' }, /"at" is an instant/],
    ['on a day that is none', { at: '2026-13-40T07:00:00Z' }, /"at" is an instant/],
  ])('refused: %s', (_, said, why) => {
    expect(when(said)).toMatch(why);
  });
});

test('whatever comes, it is read or refused, and what is read was measured neither later than it came nor too long ago', () => {
  const part = fc.oneof(
    fc.anything(),
    fc.record({ value: fc.double(), unit: fc.constantFrom('mm', 'in', 'g', '%', '°C', 'x') }),
    fc.record({ temperature: fc.record({ value: fc.double(), unit: fc.constant('°C') }), humidity: fc.anything() }),
    fc.record({ state: fc.constantFrom('idle', 'running'), program: fc.string(), parts: fc.integer() }),
  );
  const instant = fc.oneof(
    fc.anything(),
    fc.date({ min: new Date(NOW - 20 * DAY_MS), max: new Date(NOW + DAY_MS), noInvalidDate: true }).map((d) => d.toISOString()),
  );
  const text = fc
    .record(
      {
        id: fc.oneof(fc.string(), fc.constant('a')),
        at: instant,
        sent: instant,
        length: part,
        mass: part,
        moisture: part,
        air: part,
        machine: part,
      },
      { requiredKeys: [] },
    )
    .map((said) => {
      try {
        return JSON.stringify(said);
      } catch {
        return '';
      }
    });
  fc.assert(
    fc.property(fc.constantFrom(...DEVICE_KINDS), fc.oneof(text, fc.string()), (kind, said) => {
      const heard = readMessage(kind, said, NOW);
      if (heard.kind === 'refused') return expect(heard.why).not.toBe('');
      const { atMs, told: what } = heard.message;
      expect(atMs).toBeLessThanOrEqual(NOW);
      expect(atMs).toBeGreaterThanOrEqual(NOW - OLDEST_MS);
      if (what.kind === 'value') expect([what.quantity, Number.isFinite(what.value)]).toEqual([KINDS[kind].tells, true]);
      if (what.kind === 'air') expect(what.relativeHumidity).toBeLessThanOrEqual(1);
    }),
    { numRuns: 2000 },
  );
});

test('every unit of a quantity reads back what is typed of it', async () => {
  const { asTyped, inSi, quantityIn } = await import('./units.ts');
  for (const quantity of QUANTITIES)
    for (const unit of unitsOf(quantity)) {
      expect(quantityIn(unit)).toBe(quantity);
      const typed = asTyped(quantity, 12.34, unit);
      expect(inSi(Number(typed), unit, quantity)).toBeCloseTo(12.34, 1);
    }
  expect([quantityIn('°C'), quantityIn('cents'), asTyped('mass', 1, 'mm')]).toEqual([null, null, null]);
  // A caliper's hundredth of a millimetre stays one, and its half thousandth of an inch.
  expect([asTyped('length', 9.53, 'mm'), asTyped('length', 9.525, 'in'), asTyped('length', 0.0127, 'in')]).toEqual([
    '9.53',
    '0.375',
    '0.0005',
  ]);
});
