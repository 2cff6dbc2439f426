import { describe, expect, test } from '@jest/globals';
import { SetsOf } from '../assembly/index.ts';
import { Answers, asked } from '../ledger/index.ts';
import { AirNow, Temperatures, type Operation, type Rule } from '../routing/index.ts';
import { testFactory } from '../test/factory.ts';
import { batchOf, step } from '../test/parts.ts';
import { DAY_MS } from '../units/index.ts';
import { Batch, Instrument, visitOf, Visit } from './batch.ts';
import { Job } from './job.ts';
import { LastCoats, MeasuresOf, StaysOf } from './evidence.ts';
import { gateAsks, gateEvidence, gateFindings } from './gate.ts';
import { Rows } from '../ledger/index.ts';
import { Order } from '../orders/index.ts';

const route = { id: 'r1', modelId: 'm', version: 1, operations: [step('cut', 'body', [], { needs: [{ kind: 'kit', what: 'knobs' }] })] };
const factory = testFactory(new Map([[route.id, route]]), []);
const batch = batchOf({ stationCode: 'S-cut', arrivedMs: 40, signOffs: [{ skill: 'eye', personId: 'bob', atMs: 1 } as never] });
const law = { referenceTempC: 21, q10: 2, minimumTempC: 10 };
const gated = (...gate: Rule[]): Operation => step('cut', 'body', [], { gate });

// A batch that came just now: the fortnight before tells how warm its days ahead will be.
const about = { batchId: 'B1', zoneId: 'bench', fromMs: 100 - 14 * DAY_MS, toMs: 100 };
const TEMPERATURES = asked(Temperatures, { zoneId: about.zoneId, fromMs: about.fromMs, toMs: about.toMs });
// Of glue the days before it came.
const GLUED = asked(Temperatures, { zoneId: about.zoneId, fromMs: 40 - 4 * DAY_MS, toMs: 100 });
const AIR = asked(AirNow, { zoneId: about.zoneId });
const COAT = asked(LastCoats, { batchId: 'B1' });
const SETS = asked(SetsOf, { kitIds: ['m/knobs'] });
const MEASURES = asked(MeasuresOf, { batchId: 'B1' });

describe('a gate', () => {
  test.each<[string, Rule, object[]]>([
    ['a wait', { kind: 'elapsed', what: 'x', minimumMinutes: 1 }, []],
    ['a cure', { kind: 'equivalent', what: 'x', minimumDays: 1, law }, [TEMPERATURES]],
    ['clamps', { kind: 'pressed', what: 'x', adhesiveId: 'pva' }, [GLUED, asked(StaysOf, { batchId: 'B1' })]],
    ['the air', { kind: 'climate', limits: factory.setUp.settings.sprayLimits }, [AIR]],
    ['a recoat', { kind: 'window', minimumMinutes: 1, maximumMinutes: 2, afterwards: '' }, [COAT]],
    [
      'a band',
      { kind: 'inBand', what: 'x', characteristic: 'w', low: 1, high: 2, needed: 1, unit: 'mm', tooLow: '', tooHigh: '' },
      [MEASURES],
    ],
    ['kits', { kind: 'parts' }, [SETS]],
    ['a settling', { kind: 'stable', windowDays: 7, limitPerDay: 0.1, characteristic: 'w' }, [MEASURES]],
  ])('on %s asks for what that looks at, and for nothing else', (_, rule, asks) => {
    expect(gateAsks(batch, gated(rule), factory, 100)).toEqual(asks);
  });
  test('is told what was answered, and no more than that', () => {
    const answers = new Answers();
    expect(gateEvidence(batch, factory, 100, answers)).toEqual({
      nowMs: 100,
      sinceMs: 40,
      signOffs: [{ skill: 'eye', by: 'Bob' }],
    });
    answers.put(GLUED, [{ atMs: 50, tempC: 20 }]);
    answers.put(AIR, { atMs: 95, tempC: 20, relativeHumidity: 0.5 });
    answers.put(COAT, [{ atMs: 90, scuffedMs: null }, null]);
    answers.put(MEASURES, { measures: [1], courses: [2] });
    answers.put(SETS, [{ id: 'm/knobs', what: 'knobs', serves: 'm', sets: 2 }]);
    expect(gateEvidence(batch, factory, 100, answers)).toMatchObject({
      temperatures: [{ atMs: 50, tempC: 20 }],
      air: { atMs: 95, tempC: 20, relativeHumidity: 0.5 },
      lastCoats: [{ atMs: 90, scuffedMs: null }, null],
      measures: [1],
      courses: [2],
      shortParts: ['knobs (2 of 3 here)'],
    });
  });
  test('at a station whose room nobody knows looks at the air of the wood room', () => {
    expect(
      gateAsks({ ...batch, stationCode: 'X' }, gated({ kind: 'climate', limits: factory.setUp.settings.sprayLimits }), factory, 100),
    ).toEqual([asked(AirNow, { zoneId: 'wood' })]);
  });
  test('counts who accepted by the batch itself where nothing else is said', () => {
    const operation = gated({ kind: 'signOff', skill: 'eye' });
    expect(gateFindings(batch, operation, { nowMs: 100 })).toMatchObject([{ verdict: 'pass' }]);
    expect(gateFindings(batch, operation, { nowMs: 100, signOffs: [] })).toMatchObject([{ verdict: 'wait' }]);
  });
});

describe('what is read along with a row', () => {
  const names = (asks: readonly { kind: { name: string }; field: string; values: readonly string[] }[]) =>
    asks.map((a) => [a.kind.name, a.field, [...a.values]]);
  test('of a batch: its pieces, its visit, its places; of instruments their instruments', () => {
    const own = names(Batch.alongWith(batchOf({ id: 'B5', visitId: 'v5' })));
    expect(own).toContainEqual(['piece', 'batchId', ['B5']]);
    expect(own).toContainEqual(['visit', 'id', ['v5']]);
    expect(own).toContainEqual(['placement', 'batchId', ['B5']]);
    expect(own).toContainEqual(['instrument', 'batchId', []]);
    expect(names(Batch.alongWith(batchOf({ id: 'B5', component: 'instrument' })))).toContainEqual(['instrument', 'batchId', ['B5']]);
  });
  test('a batch stands under the job it is in, which others may be in too', () => {
    expect(names(Batch.under(batchOf({ jobId: null })))).toEqual([[Job.name, 'id', []]]);
    expect(names(Batch.under(batchOf({ jobId: 'j5' })))).toEqual([[Job.name, 'id', ['j5']]]);
  });
  test('an instrument stands under its batch, and its order where it has one', () => {
    const under = (orderId: string | null) => names(Instrument.under({ batchId: 'B5', orderId } as Instrument));
    expect(under(null)).toEqual([
      [Batch.name, 'id', ['B5']],
      [Order.name, 'id', []],
    ]);
    expect(under('O1')).toContainEqual([Order.name, 'id', ['O1']]);
  });
  test('the visit a batch is on is found, whichever was written last', () => {
    const rows = new Rows();
    for (const id of ['v1', 'v2']) rows.put(Visit, { id, batchId: 'B1', run: null } as Visit);
    expect(visitOf(rows, { id: 'B1', visitId: 'v2' }).id).toBe('v2');
    expect(visitOf(rows, { id: 'B1', visitId: 'v1' }).id).toBe('v1');
    expect(() => visitOf(rows, { id: 'B9', visitId: 'v9' })).toThrow();
  });
});
