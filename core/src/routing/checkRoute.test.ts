import { describe, expect, test } from '@jest/globals';
import { checkRoute, type Operation, type Route, type RouteWorld } from './index.ts';
import { step, wait } from '../test/parts.ts';
import { BRACES_ROUTE, CARRIERS, changed, SHORT_ROUTE, WIDE_ROUTE } from '../test/routes.ts';

const world: RouteWorld = {
  stationCodes: new Set([...WIDE_ROUTE.operations, ...BRACES_ROUTE.operations].map((o) => o.stationCode).concat('S-pin')),
  skillLevels: new Map([
    ['cutting', 2],
    ['pin routing', 2],
  ]),
  carriers: CARRIERS,
  modelIds: new Set(['wide', 'braces']),
  materialIds: new Set(['lacquer']),
  adhesives: new Map(),
  cautionKeys: new Set(['dust']),
  speciesNames: new Set(['mahogany', 'wenge']),
  facts: { species: { body: 'mahogany' }, construction: 'wide' },
};
const said = (route: Route, where = world) => checkRoute(route, where).map((p) => `${p.operationId ?? 'route'}: ${p.message}`);
const having = (...changes: [string, Partial<Operation>][]) => said(changed(WIDE_ROUTE, ...changes));
const without = (...ids: string[]): Route => ({ ...WIDE_ROUTE, operations: WIDE_ROUTE.operations.filter((o) => !ids.includes(o.id)) });

describe('a route that can be run', () => {
  test.each([SHORT_ROUTE, WIDE_ROUTE, BRACES_ROUTE])('$id has nothing wrong with it', (route) => {
    expect(checkRoute(route)).toEqual([]);
  });
  test('nor in its own factory', () => {
    expect(said(WIDE_ROUTE)).toEqual([]);
    expect(said(BRACES_ROUTE)).toEqual([]);
  });
});

describe('what is wrong is said of the step', () => {
  test('steps that cannot be reached', () => {
    const lonely = { ...WIDE_ROUTE, operations: [...WIDE_ROUTE.operations, step('lost', 'instrument', ['ship'])] };
    expect(said(lonely).join('\n')).toMatch(/"lost" can never be reached/);
  });
  test('a merge that can never complete', () => {
    expect(said(without('spray', 'cure')).join()).toMatch(/leads to "spray", which does not exist/);
    expect(said(without('slot'))).toEqual(['glue: Nothing is ever joined at "glue", so it can never be completed']);
    const dry = changed(WIDE_ROUTE, ['cure', { next: ['age'] }]);
    expect(said(dry).join('\n')).toMatch(/The body of a pair does not come back to "refit", so it can never be completed/);
  });
  test('what is neither body nor neck is not fitted', () => {
    const { operations } = SHORT_ROUTE;
    expect(said({ ...SHORT_ROUTE, operations: [...operations, step('slot', 'fingerboard', ['fit'])] })).toContain(
      'slot: "fit" fits bodies and necks; join the fingerboard to one of them before',
    );
  });
  test('a merge that some choice leaves incomplete names the choice', () => {
    expect(having(['slot', { when: { kind: 'option', option: 'finish', in: ['oil'] } }]).join('\n')).toMatch(
      /glue: Binding one face, Neck finish bare: Nothing is ever joined at "glue"/,
    );
  });
  test('a loop without an exit', () => {
    expect(having(['age', { repeat: { kind: 'until accepted', backTo: 'age', maximum: Infinity, expected: 2 } }])).toEqual([
      'age: The loop at "age" has no exit: say how often it may go round at most',
    ]);
    expect(having(['age', { repeat: { kind: 'count', backTo: 'age', times: 1.5 } }]).join()).toMatch(/no exit/);
    expect(having(['age', { next: ['refit'] }]).join('\n')).toMatch(/leads back to itself, and nothing leads out/);
  });
  test('a loop over what happens once, back to nowhere, or within another', () => {
    const until = (backTo: string) => ({ repeat: { kind: 'until accepted', backTo, maximum: 3, expected: 2 } as const });
    expect(having(['age', until('refit')])).toEqual(['age: The loop at "age" runs over "refit", which happens once']);
    expect(having(['age', until('polish')]).join()).toMatch(/runs over "refit"/);
    expect(having(['age', until('ship')])).toEqual(['age: "age" goes back to a step that does not lead to it']);
    expect(having(['sand', until('press')]).join('\n')).toMatch(/The loop at "sand" contains the loop at "bindset"/);
  });
  test('a no-wait link into a place that does not exist', () => {
    expect(said(WIDE_ROUTE, { ...world, carriers: CARRIERS.filter((c) => c.outline !== 'wide') })).toEqual([
      'bend: "bend" goes straight into a form at "cool", and there is none for this model',
    ]);
    expect(having(['press', { noWait: true }]).join()).toMatch(/"press" may not wait, but the step after it names no place/);
    expect(said(WIDE_ROUTE, { ...world, carriers: CARRIERS.filter((c) => c.kind !== 'table') })).toEqual([
      'clamp: "clamp" needs places in a table, and there is none for this model',
    ]);
  });
  test('a skill nobody holds, or not well enough; also for another way of the step', () => {
    const skills = (...held: [string, number][]) => said(WIDE_ROUTE, { ...world, skillLevels: new Map(held) });
    expect(skills(['cutting', 2])).toEqual(['press: "press" (By template and pin) needs pin routing, which nobody holds']);
    expect(skills(['cutting', 2], ['pin routing', 1])).toEqual([
      'press: "press" (By template and pin) needs pin routing at level 2; the highest held is 1',
    ]);
    expect(having(['sand', { stationCode: 'X9' }])).toEqual(['sand: "sand" is done at station X9, which does not exist']);
  });
  test('a gate on a characteristic that no step measures', () => {
    const gate = [
      { kind: 'inBand', what: 'pocket widths', characteristic: 'pocket', low: 1, high: 2, needed: 3, unit: 'mm', tooLow: '', tooHigh: '' },
    ] as const;
    expect(having(['sand', { gate }])).toEqual(['sand: The gate of "sand" looks at "pocket widths", which no step up to it measures']);
    const characteristics = [{ id: 'pocket', name: 'Pocket', unit: 'mm', low: 1, target: 1.5, high: 2 }];
    expect(having(['sand', { gate }], ['press', { characteristics }])).toEqual([]);
  });
  test('a rule that can never, or always, be met; an option that is not there', () => {
    expect(having(['oil', { when: { kind: 'option', option: 'finish', in: ['gold'] } }])).toEqual([
      'oil: The rule of "oil" can never be met: the step would never be done',
    ]);
    expect(having(['oil', { when: { kind: 'option', option: 'finish', in: ['oil', 'bare'] } }])).toEqual([
      'oil: The rule of "oil" is always met: leave it out',
    ]);
    expect(having(['oil', { when: { kind: 'option', option: 'colour', in: ['red'] } }])[0]).toMatch(/asks for the option "colour"/);
    expect(having(['oil', { when: { kind: 'species', component: 'body', in: ['spruce'] } }])).toEqual([
      'oil: The rule of "oil" can never be met: the step would never be done',
    ]);
    expect(having(['oil', { when: { kind: 'construction', in: ['wide'] } }])).toEqual([]);
  });
  test('what is taken apart and never fitted again, waits without a rule, ways that part', () => {
    const apart = changed(without('refit'), ['cure', { next: ['age'] }], ['polish', { next: ['age'] }]);
    expect(said(apart).join('\n')).toMatch(/What "part" takes apart is never fitted again/);
    expect(having(['cure', { gate: [] }])).toEqual(['cure: "cure" waits for nothing: a wait needs a rule']);
    expect(having(['sand', { next: ['stock', 'fit'] }]).join()).toMatch(/"sand" leads two ways at once/);
    expect(said({ ...WIDE_ROUTE, operations: [...WIDE_ROUTE.operations, wait('sand', 'body', ['stock'], 1)] })[0]).toBe(
      'sand: Two steps are called "sand"',
    );
    expect(having(['cool', { gate: [{ kind: 'elapsed', what: 'x', minimumMinutes: 60, maximumMinutes: 30 }] }])).toEqual([
      'cool: "cool" may wait no longer than it has to',
    ]);
  });
});
