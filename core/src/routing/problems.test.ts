import { describe, expect, test } from '@jest/globals';
import { step, wait } from '../test/parts.ts';
import { changed, SHORT_ROUTE, WIDE_ROUTE } from '../test/routes.ts';
import { checkRoute, type Operation, type Route } from './index.ts';

// All that is said of a route with one thing wrong in it: no more, and each once.

const said = (route: Route) => checkRoute(route).map((p) => `${p.operationId ?? 'route'}: ${p.message}`);
const having = (...changes: [string, Partial<Operation>][]) => said(changed(SHORT_ROUTE, ...changes));
const wide = (...changes: [string, Partial<Operation>][]) => said(changed(WIDE_ROUTE, ...changes));
const joining: Route = {
  id: 'j@1',
  modelId: 'j',
  version: 1,
  operations: [
    step('plane', 'neck', ['glue']),
    step('slot', 'fingerboard', ['glue']),
    step('glue', 'neck', ['fit'], { kind: 'join' }),
    step('cut', 'body', ['fit']),
    step('fit', 'instrument', ['ship'], { kind: 'fit' }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
};
const withJoin = (...changes: [string, Partial<Operation>][]) => said(changed(joining, ...changes));
const plus = (route: Route, ...steps: Operation[]): Route => ({ ...route, operations: [...route.operations, ...steps] });

describe('where a step leads', () => {
  test('nowhere, though it is no end', () => {
    expect(having(['cure', { next: [] }])).toContain('cure: "cure" leads nowhere');
    expect(having(['cut', { next: [] }])).toContain('cut: "cut" leads nowhere');
  });
  test('a box of small parts is an end; a buffer of bodies is none, nor are small parts at work', () => {
    const boxed = (over: Partial<Operation>): Route => ({
      id: 'b@1',
      modelId: 'b',
      version: 1,
      operations: [step('split', 'small part', ['box']), step('box', 'small part', [], { kind: 'buffer', ...over })],
    });
    expect(said(boxed({}))).toEqual([]);
    expect(said(boxed({ kind: 'work' }))).toEqual(['box: "box" leads nowhere']);
    expect(having(['cut', { next: [], kind: 'buffer' }])).toContain('cut: "cut" leads nowhere');
  });
  test('into another stream, without a joining or a fitting', () => {
    expect(having(['carve', { next: ['cut'] }])).toContain('carve: "carve" (neck) leads to "cut" (body) without a joining or a fitting');
    expect(having(['rest', { next: ['spray'] }])).toContain(
      'rest: "rest" (body) leads to "spray" (instrument) without a joining or a fitting',
    );
    expect(withJoin()).toEqual([]);
    // A fitting fits into instruments alone.
    const oddly = having(['fit', { component: 'body' }]);
    expect(oddly).toContain('carve: "carve" (neck) leads to "fit" (body) without a joining or a fitting');
    expect(oddly).toContain('fit: "fit" fits instruments, so it belongs to their stream');
  });
  test('to a step there is not, said once', () => {
    expect(having(['cut', { next: ['rest', 'lost', 'lost'] }])).toEqual([
      'cut: "cut" leads to "lost", which does not exist',
      'cut: "cut" leads two ways at once',
    ]);
  });
});

describe('what meets', () => {
  test('bodies without a way in, or by two ways', () => {
    expect(having(['rest', { next: ['ship'] }])).toContain('fit: No body ever reaches "fit", so it can never be completed');
    expect(said(plus(SHORT_ROUTE, step('plane', 'body', ['fit'])))).toContain('fit: Two body branches reach "fit"');
    expect(said(plus(SHORT_ROUTE, step('plane', 'neck', ['fit'])))).toContain('fit: Two neck branches reach "fit"');
    expect(said(plus(SHORT_ROUTE, step('plane', 'neck', ['fit']))).filter((m) => m.includes('branches'))).toHaveLength(1);
  });
  test('at a joining: nothing to join, nobody to join it to, or two of them', () => {
    expect(withJoin(['slot', { component: 'neck' }])).toEqual([
      'glue: Nothing is ever joined at "glue", so it can never be completed',
      'glue: Two neck branches reach "glue"',
      'plane: The neck starts at two places, one of them "plane"',
    ]);
    expect(withJoin(['plane', { component: 'fingerboard' }])).toContain('glue: No neck ever reaches "glue", so it can never be completed');
  });
  test('two branches that meet at neither a joining nor a fitting', () => {
    expect(said(plus(SHORT_ROUTE, step('plane', 'body', ['rest'])))).toEqual([
      'rest: Branches merge at "rest", which is neither a joining nor a fitting',
      'cut: The body starts at two places, one of them "cut"',
    ]);
  });
  test('what is fitted again was taken apart before', () => {
    expect(having(['fit', { kind: 'refit' }])).toContain('fit: What comes to "fit" was never taken apart');
    expect(wide(['cure', { next: ['age'] }])).toContain(
      'refit: The body of a pair does not come back to "refit", so it can never be completed',
    );
    // One half that was never taken apart is enough.
    const stranger = plus(changed(WIDE_ROUTE, ['cure', { next: ['age'] }]), step('new', 'body', ['refit']));
    expect(said(stranger)).toContain('refit: What comes to "refit" was never taken apart');
  });
  test('taking apart leads to one step for the body and one for the neck, in any order', () => {
    const sentence = 'part: "part" has to lead to one step for the body and one for the neck';
    expect(wide(['part', { next: ['oil', 'spray'] }])).toEqual([]);
    expect(wide(['part', { next: ['spray'] }])).toContain(sentence);
    expect(wide(['part', { next: ['spray', 'cure'] }])).toContain(sentence);
    expect(wide(['part', { component: 'body' }])).toContain(sentence);
  });
});

describe('what can be reached', () => {
  test('round and round: no first step, and no way out', () => {
    const ring = { ...SHORT_ROUTE, operations: [step('a', 'body', ['b']), step('b', 'body', ['a'])] };
    expect(said(ring)).toEqual(['route: The route has no first step', 'a: "a" can never be reached', 'b: "b" can never be reached']);
    const stuck = changed(SHORT_ROUTE, ['cure', { next: ['spray'] }]);
    expect(said(stuck)).toContain('spray: "spray" leads back to itself, and nothing leads out: make it a loop with an end');
  });
  test('two ways to one step are no ring', () => {
    expect(said(WIDE_ROUTE)).toEqual([]);
  });
  test('an instrument that would start before its parts', () => {
    expect(said(plus(SHORT_ROUTE, step('late', 'instrument', ['ship'])))).toContain(
      'late: "late" can never be reached: an instrument cannot start before its parts',
    );
    const alone = {
      ...SHORT_ROUTE,
      operations: [step('fit', 'body', ['ship'], { kind: 'fit' }), step('ship', 'body', [], { kind: 'dispatch' })],
    };
    expect(said(alone)).toContain('fit: "fit" can never be reached: an instrument cannot start before its parts');
  });
  test('a component that starts at two places', () => {
    expect(having(['cut', { next: ['fit'] }]).filter((m) => m.includes('two places'))).toEqual([
      'cut: The body starts at two places, one of them "cut"',
    ]);
    expect(said(SHORT_ROUTE)).toEqual([]);
  });
});

describe('what an order may choose', () => {
  const value = (id: string) => ({ id, name: id });
  const offering = (...values: string[]): Route => ({ ...SHORT_ROUTE, options: [{ id: 'o', name: 'Colour', values: values.map(value) }] });
  test('more than one thing, each once', () => {
    expect(said(offering('red', 'blue'))).toEqual([]);
    expect(said(offering('red'))).toEqual(['route: The option "Colour" leaves no choice']);
    expect(said(offering('red', 'blue', 'red'))).toEqual(['route: The option "Colour" offers one value twice']);
  });
  test('what some choice breaks is said once, with the choice; what is always so, without', () => {
    const when = { kind: 'option', option: 'o', in: ['red'] } as const;
    const broken = changed({ ...offering('red', 'blue'), operations: joining.operations }, ['slot', { when }]);
    expect(said(broken)).toEqual(['glue: Colour blue: Nothing is ever joined at "glue", so it can never be completed']);
  });
});

test('a gate looks at a measure of its own name, taken on any step up to it', () => {
  const gate = [
    { kind: 'inBand', what: 'pockets', characteristic: 'pocket', low: 1, high: 2, needed: 1, unit: 'mm', tooLow: '', tooHigh: '' },
  ] as const;
  const measured = (id: string) => ({ id, name: id, unit: 'mm', low: 1, target: 1.5, high: 2 });
  const gated = (...ids: string[]) =>
    having(
      ['rest', { gate: [...gate, { kind: 'elapsed', what: 'x', minimumMinutes: 1 }] }],
      ['cut', { characteristics: ids.map(measured) }],
    );
  expect(gated('pocket')).toEqual([]);
  expect(gated('width', 'pocket')).toEqual([]);
  expect(gated('width')).toEqual(['rest: The gate of "rest" looks at "pockets", which no step up to it measures']);
  expect(wait('x', 'body', [], 1).kind).toBe('dwell');
});

describe('a loop', () => {
  const counted = (times: number, over: object = {}) => wide(['bindset', { repeat: { kind: 'count', backTo: 'bind', times, ...over } }]);
  test('is counted in whole rounds, none at the least', () => {
    const sentence = 'bindset: The loop at "bindset" has no exit: rounds are counted in whole numbers';
    expect(counted(0)).toEqual([]);
    expect(counted(2)).toEqual([]);
    expect(counted(-1)).toEqual([sentence]);
    expect(counted(1, { timesByOption: { option: 'binding', times: { both: 2, one: 1.5 } } })).toEqual([sentence]);
  });
  test('is counted by an option that the route has', () => {
    expect(counted(1, { timesByOption: { option: 'binding', times: { both: 2 } } })).toEqual([]);
    expect(counted(1, { timesByOption: { option: 'colour', times: {} } })).toEqual([
      'bindset: "bindset" asks for the option "colour", which the route does not have',
    ]);
  });
  const until = (backTo: string, maximum: number, expected: number) =>
    wide(['age', { repeat: { kind: 'until accepted', backTo, maximum, expected } }]);
  test('that runs until somebody accepts ends once or more, and is expected to end before', () => {
    expect(until('age', 1, 1)).toEqual([]);
    expect(until('age', 0, 0)).toEqual(['age: The loop at "age" has no exit: say how often it may go round at most']);
    expect(until('age', 2, 3)).toEqual(['age: The loop at "age" is expected to go round more often than it may']);
    expect(until('lost', 2, 1)).toEqual(['age: "age" goes back to "lost", which does not exist']);
  });
});
