import { describe, expect, test } from '@jest/globals';
import { CAUTION_KINDS, checkRoute, STAGES } from '../routing/index.ts';
import { testFactory } from '../test/factory.ts';
import { START_MS } from '../test/start.ts';
import { CARRIERS, SHORT_ROUTE } from '../test/routes.ts';
import { checkSpecies, densityOf, priorDryingRatePerDay, SPECIES, speciesIn, type Species } from '../timber/index.ts';
import { CAUTIONS, checkDefects, DEFECTS, PAUSE_CAUSES, PAUSE_WORDS } from './index.ts';

const factory = testFactory(new Map([[SHORT_ROUTE.id, SHORT_ROUTE]]), CARRIERS);
const alder = speciesIn(SPECIES, 'red alder');
const having = (over: Partial<Species>) => checkSpecies([...SPECIES, { ...alder, name: 'blackwood', ...over }]);

describe('species', () => {
  test('the register that a factory begins with names the source of every figure', () => {
    expect(checkSpecies(SPECIES)).toBeUndefined();
    // Wood Handbook, table 13-5: mahogany and sugar maple.
    expect([speciesIn(SPECIES, 'mahogany').radial, speciesIn(SPECIES, 'sugar maple').tangential]).toEqual([0.00172, 0.00353]);
  });
  test('of one that is not in it nothing is known: a middling wood, read for temperature only, without papers', () => {
    const unknown = factory.species('ironwood');
    expect(unknown).toEqual({
      ...{ name: 'ironwood', radial: null, tangential: null, densityGPerCm3: null, ratePerDay: null },
      ...{ restricted: false, meter: null, source: '' },
    });
    expect([densityOf(unknown), priorDryingRatePerDay(unknown, 25)]).toEqual([0.55, 0.035]);
    expect([densityOf(alder), priorDryingRatePerDay(alder, 25)]).toEqual([0.44, 0.046]);
  });
  test('twice under one name, or with a figure from nowhere, is told', () => {
    expect(having({ name: ' Red Alder' })).toEqual({ index: 11, problem: 'There are two species called  Red Alder' });
    expect(having({ source: ' ' })).toEqual({ index: 11, problem: 'Say where the figures of blackwood are from' });
    const bare = { radial: null, tangential: null, densityGPerCm3: null, ratePerDay: null, source: '' };
    expect(having(bare)).toBeUndefined();
    for (const figure of ['radial', 'tangential', 'densityGPerCm3', 'ratePerDay'] as const)
      expect(having({ ...bare, [figure]: alder[figure] })?.index).toBe(11);
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

test('each hazard has its caution, each cause of a pause its words', () => {
  expect(Object.keys(CAUTIONS).sort()).toEqual([...CAUTION_KINDS].sort());
  expect(Object.keys(PAUSE_WORDS)).toEqual([...PAUSE_CAUSES]);
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
