import { describe, expect, test } from '@jest/globals';
import { checkRoute, STAGES } from '../routing/index.ts';
import { testFactory } from '../test/factory.ts';
import { START_MS } from '../test/start.ts';
import { CARRIERS, changed, SHORT_ROUTE } from '../test/routes.ts';
import {
  checkSpecies,
  coefficientFromShrinkage,
  lackingOf,
  priorDryingRatePerDay,
  SPECIES,
  speciesIn,
  type Species,
} from '../timber/index.ts';
import { CAUTIONS, checkDefects, checkNoted, DEFECTS, PAUSE_CAUSES } from './index.ts';

const factory = testFactory(new Map([[SHORT_ROUTE.id, SHORT_ROUTE]]), CARRIERS);
const alder = speciesIn(SPECIES, 'red alder');
const having = (over: Partial<Species>) => checkSpecies([...SPECIES, { ...alder, name: 'blackwood', ...over }]);

describe('species', () => {
  test('the register that a factory begins with names the source of every figure', () => {
    expect(checkSpecies(SPECIES)).toBeUndefined();
    // Wood Handbook, table 13-5: mahogany and sugar maple.
    expect([speciesIn(SPECIES, 'mahogany').radial, speciesIn(SPECIES, 'sugar maple').tangential]).toEqual([0.00172, 0.00353]);
  });
  test('of one that is not in it nothing is known, nor of a wood whose figures nobody is sure of', () => {
    const bare = { ...{ radial: null, tangential: null, densityGPerCm3: null, ratePerDay: null }, meter: null };
    expect(factory.species('ironwood')).toMatchObject({ name: 'ironwood', ...bare, restricted: false, restrictedBecause: '' });
    const koa = speciesIn(SPECIES, 'koa');
    expect(koa).toMatchObject(bare);
    expect(lackingOf(koa)).toEqual(['movement', 'density', 'rate', 'meter']);
    expect(lackingOf(alder)).toEqual(['meter']);
    expect([priorDryingRatePerDay(koa, 25), priorDryingRatePerDay(alder, 25)]).toEqual([null, 0.046]);
  });
  test('a coefficient that is not published comes from total shrinkage, and says that it is derived', () => {
    // Sugar maple shrinks by 4.8 and 9.9 %: published are .00165 and .00353; black walnut by 5.5 and 7.8 %: .00190 and .00274.
    expect([4.8, 9.9, 5.5, 7.8].map((s) => Math.round(coefficientFromShrinkage(s) * 1e5) / 1e5)).toEqual([
      0.00168, 0.00347, 0.00193, 0.00274,
    ]);
    for (const none of [0, -1, 26, NaN]) expect(() => coefficientFromShrinkage(none)).toThrow(RangeError);
    expect(speciesIn(SPECIES, 'Indian rosewood')).toMatchObject({
      tangential: 5.8 / 2850,
      restricted: true,
      sources: { movement: expect.stringMatching(/^Derived/) },
    });
  });
  test('twice under one name, with a figure from nowhere, or restricted by nobody, is told', () => {
    const index = SPECIES.length;
    expect(having({ name: ' Red Alder' })).toEqual({ index, problem: 'There are two species called  Red Alder' });
    const none = { movement: '', density: '', rate: '', meter: '' };
    const bare = { radial: null, tangential: null, densityGPerCm3: null, ratePerDay: null, sources: none };
    expect(having(bare)).toBeUndefined();
    for (const [figure, over, words] of [
      ['movement', { tangential: 0.002 }, 'the movement'],
      ['density', { densityGPerCm3: 0.7 }, 'the density'],
      ['rate', { ratePerDay: 0.03 }, 'the drying rate'],
      ['meter', { meter: { a: 1, b: 0, densityOffsetPct: 0 } }, 'the correction of meters'],
    ] as const) {
      expect(having({ ...bare, ...over })).toEqual({ index, problem: `Say where ${words} of blackwood is from` });
      expect(having({ ...bare, ...over, sources: { ...none, [figure]: 'Our own trials' } })).toBeUndefined();
    }
    expect(having({ restricted: true })?.problem).toBe('Say by what list or law the trade in blackwood is restricted');
  });
});

describe('defects', () => {
  test('each is named once; what a stage usually causes comes first', () => {
    expect(checkDefects(DEFECTS)).toBeUndefined();
    expect(checkDefects([])).toEqual({ index: 0, problem: 'Name at least one thing that can be wrong' });
    expect(checkDefects([...DEFECTS, { name: 'RUN ', stages: [] }])?.index).toBe(DEFECTS.length);
    expect(factory.defectsFrom('machining').usual).toEqual(['tear-out', 'off dimension', 'crack']);
    for (const stage of STAGES) {
      const { usual, other } = factory.defectsFrom(stage);
      expect([...usual, ...other].sort()).toEqual(DEFECTS.map((d) => d.name).sort());
    }
  });
  test('only what is in the register is known', () => {
    expect([factory.knowsDefect('crack'), factory.knowsDefect('Crack'), factory.knowsDefect('')]).toEqual([true, false, false]);
  });
});

describe('the registers of cautions and of causes', () => {
  test('begin with what is usual', () => {
    expect(checkNoted(CAUTIONS, 'caution')).toBeUndefined();
    expect(checkNoted(PAUSE_CAUSES, 'cause')).toBeUndefined();
    expect([factory.knowsPauseCause('material'), factory.knowsPauseCause('weather')]).toEqual([true, false]);
  });
  test('name each once, and something', () => {
    expect(checkNoted([], 'caution')).toEqual({ index: 0, problem: 'Name at least one caution' });
    expect(checkNoted([...CAUTIONS, { key: ' Dust', text: 'Again' }], 'caution')).toEqual({
      index: CAUTIONS.length,
      problem: '" Dust" stands there twice',
    });
  });
});

test('a step that shows a caution nobody wrote is told', () => {
  const model = factory.model('short');
  if (!model) throw new Error('There is no model');
  const world = { ...factory.worldOf(model, START_MS), cautionKeys: new Set(['dust']) };
  const route = changed(SHORT_ROUTE, ['cut', { cautions: ['dust', 'lava'] }]);
  expect(checkRoute(route, world).map((p) => p.message)).toContain('"cut" shows the caution "lava", which is not in the register');
});

test('a step that lays a coating nobody has on record is told', () => {
  const model = factory.model('short');
  if (!model) throw new Error('There is no model');
  const said = (materialIds: string[]) =>
    checkRoute(SHORT_ROUTE, { ...factory.worldOf(model, START_MS), materialIds: new Set(materialIds) }).map((p) => p.message);
  expect(said([])).toContain('"spray" lays lacquer, which is no coating on record');
  expect(said(['lacquer'])).not.toContain('"spray" lays lacquer, which is no coating on record');
});

test('a step is known as it was once, on another version of the route', () => {
  const next = { ...SHORT_ROUTE, id: 'short@2', version: 2, operations: SHORT_ROUTE.operations.filter((o) => o.id !== 'rest') };
  const both = testFactory(new Map([SHORT_ROUTE, next].map((r) => [r.id, r])), CARRIERS);
  expect(both.stepOnceOf('short@2', 'rest').name).toBe('rest');
  expect(both.stepOnceOf('short@2', 'lost')).toEqual({ name: 'lost' });
  expect([both.personName(null), both.personName('ann'), both.personName('eve')]).toEqual(['The system', 'Ann', 'eve']);
});
