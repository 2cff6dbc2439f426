import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  compareRoutes,
  type Condition,
  everyChoice,
  holds,
  operationOf,
  pathFrom,
  resolveRoute,
  type Route,
  type RouteFacts,
  sameStepIn,
  stationPass,
  stepsOfLoop,
  waysOf,
  withDefaults,
} from './index.ts';
import { anyRoute } from '../test/anyRoute.ts';
import { SHORT_ROUTE, WIDE_ROUTE } from '../test/routes.ts';

const facts = (choices: Record<string, string>, over: Partial<RouteFacts> = {}): RouteFacts => ({
  choices,
  species: { body: 'mahogany' },
  construction: 'carved',
  ...over,
});
const body = (choices: Record<string, string>) => pathFrom(resolveRoute(WIDE_ROUTE, facts(choices)), 'bend').map((o) => o.id);

describe('options', () => {
  test('the usual value stands for what an order does not say, or says wrongly', () => {
    expect(withDefaults(WIDE_ROUTE.options ?? [], {})).toEqual({ binding: 'one', finish: 'oil' });
    expect(withDefaults(WIDE_ROUTE.options ?? [], { binding: 'both', finish: 'gold' })).toEqual({ binding: 'both', finish: 'oil' });
  });
  test('insert, remove and replace steps', () => {
    expect(body({ binding: 'one' }).slice(0, 7)).toEqual(['bend', 'cool', 'press', 'bind', 'bindset', 'sand', 'stock']);
    expect(body({ binding: 'none' }).slice(0, 5)).toEqual(['bend', 'cool', 'press', 'sand', 'stock']);
    expect(resolveRoute(WIDE_ROUTE, facts({ finish: 'bare' })).operations.find((o) => o.id === 'part')?.next).toEqual(['spray', 'polish']);
  });
  test('count the rounds of a loop', () => {
    const loop = (binding: string) => operationOf(resolveRoute(WIDE_ROUTE, facts({ binding })), 'bindset').repeat;
    expect(loop('both')).toEqual({ kind: 'count', backTo: 'bind', times: 2 });
    expect(loop('one')).toBeUndefined();
  });
  test('a loop begins at the first step kept, and is gone with the last', () => {
    const without = (id: string): Route => ({
      ...WIDE_ROUTE,
      operations: WIDE_ROUTE.operations.map((o) => (o.id === id ? { ...o, when: { kind: 'construction', in: ['never'] } } : o)),
    });
    const loopOf = (route: Route, id: string) => operationOf(resolveRoute(route, facts({ binding: 'both' })), id).repeat;
    expect(loopOf(without('bind'), 'bindset')).toEqual({ kind: 'count', backTo: 'bindset', times: 2 });
    expect(loopOf(WIDE_ROUTE, 'age')).toEqual({ kind: 'until accepted', backTo: 'age', maximum: 3, expected: 2 });
    const toNowhere = {
      ...WIDE_ROUTE,
      operations: [
        ...WIDE_ROUTE.operations.map((o) => (o.id === 'age' ? { ...o, repeat: { kind: 'count' as const, backTo: 'end', times: 3 } } : o)),
        { ...operationOf(WIDE_ROUTE, 'ship'), id: 'end', next: [], when: { kind: 'construction' as const, in: ['never'] } },
      ],
    };
    expect(loopOf(toNowhere, 'age')).toBeUndefined();
  });
  test('rounds that no option counts are those of the step', () => {
    const counted = (times: number, timesByOption?: object): Route => ({
      ...WIDE_ROUTE,
      operations: WIDE_ROUTE.operations.map((o) =>
        o.id === 'bindset'
          ? {
              ...o,
              repeat: { kind: 'count' as const, backTo: 'bind', times, ...(timesByOption ? { timesByOption } : {}) } as NonNullable<
                typeof o.repeat
              >,
            }
          : o,
      ),
    });
    const rounds = (route: Route, binding = 'both') => operationOf(resolveRoute(route, facts({ binding })), 'bindset').repeat;
    expect(rounds(counted(3))).toEqual({ kind: 'count', backTo: 'bind', times: 3 });
    expect(rounds(counted(1))).toBeUndefined();
    expect(rounds(counted(3, { option: 'binding', times: { one: 1 } }))).toEqual({ kind: 'count', backTo: 'bind', times: 3 });
    expect(rounds(counted(3, { option: 'binding', times: { one: 1 } }), 'one')).toBeUndefined();
    expect(rounds(counted(3, { option: 'colour', times: { one: 1 } }))).toEqual({ kind: 'count', backTo: 'bind', times: 3 });
  });
  test('a route that only counts by an option depends on it; one without options at all does too by its wood', () => {
    const { options: _, ...plain } = WIDE_ROUTE;
    const wood: Route = {
      ...plain,
      operations: SHORT_ROUTE.operations.map((o) =>
        o.id === 'rest' ? { ...o, when: { kind: 'species', component: 'body', in: ['oak'] } } : o,
      ),
    };
    expect(resolveRoute(wood, facts({})).operations.map((o) => o.id)).not.toContain('rest');
    expect(operationOf(resolveRoute(wood, facts({})), 'cut').next).toEqual(['fit']);
    const counts: Route = {
      ...SHORT_ROUTE,
      options: WIDE_ROUTE.options ?? [],
      operations: SHORT_ROUTE.operations.map((o) =>
        o.id === 'cure'
          ? { ...o, repeat: { kind: 'count', backTo: 'spray', times: 1, timesByOption: { option: 'binding', times: { both: 2 } } } }
          : o,
      ),
    };
    expect(operationOf(resolveRoute(counts, facts({ binding: 'both' })), 'cure').repeat).toEqual({
      kind: 'count',
      backTo: 'spray',
      times: 2,
    });
    expect(operationOf(resolveRoute(counts, facts({ binding: 'one' })), 'cure').repeat).toBeUndefined();
  });
  test('a route without conditions is itself; the same choice is the same object', () => {
    expect(resolveRoute(SHORT_ROUTE, facts({}))).toBe(SHORT_ROUTE);
    expect(resolveRoute(WIDE_ROUTE, facts({ binding: 'both' }))).toBe(resolveRoute(WIDE_ROUTE, facts({ binding: 'both' })));
  });
  test.each<[Condition, boolean]>([
    [{ kind: 'species', component: 'body', in: ['mahogany', 'alder'] }, true],
    [{ kind: 'species', component: 'neck', in: ['maple'] }, false],
    [{ kind: 'construction', in: ['carved'] }, true],
    [{ kind: 'not', of: { kind: 'construction', in: ['carved'] } }, false],
    [
      {
        kind: 'all',
        of: [
          { kind: 'construction', in: ['carved'] },
          { kind: 'option', option: 'binding', in: ['one'] },
        ],
      },
      true,
    ],
    [{ kind: 'any', of: [] }, false],
    [{ kind: 'all', of: [] }, true],
  ])('%j', (condition, expected) => {
    expect(holds(condition, facts({}), WIDE_ROUTE.options)).toBe(expected);
  });
  test('every choice is tried, or each value once where there are too many', () => {
    expect(everyChoice(WIDE_ROUTE.options ?? [])).toHaveLength(6);
    const many = Array.from({ length: 12 }, (_, i) => ({
      id: `o${i}`,
      name: '',
      values: [
        { id: 'a', name: '' },
        { id: 'b', name: '' },
      ],
    }));
    const choices = everyChoice(many);
    expect(choices.length).toBeLessThan(600);
    for (const { id } of many) for (const value of ['a', 'b']) expect(choices.some((c) => c[id] === value)).toBe(true);
    for (const choice of choices) expect(Object.keys(choice)).toHaveLength(12);
  });
  test('leaving steps out never leaves a link to nowhere', () => {
    fc.assert(
      fc.property(anyRoute, fc.constantFrom('yes', 'no'), (route, extra) => {
        const { operations } = resolveRoute(route, facts({ extra }));
        const ids = new Set(operations.map((o) => o.id));
        for (const o of operations) for (const id of [...o.next, ...(o.repeat ? [o.repeat.backTo] : [])]) expect(ids).toContain(id);
      }),
    );
  });
});

describe('steps', () => {
  test('a loop is the steps from where it goes back to', () => {
    const route = resolveRoute(WIDE_ROUTE, facts({ binding: 'both' }));
    expect(stepsOfLoop(route, operationOf(route, 'bindset')).map((o) => o.id)).toEqual(['bind', 'bindset']);
    expect(stepsOfLoop(route, operationOf(route, 'sand'))).toEqual([]);
  });
  test('a station visited again knows which time it is', () => {
    const again = {
      ...SHORT_ROUTE,
      operations: SHORT_ROUTE.operations.map((o) => ({ ...o, stationCode: o.stage === 'finishing' ? 'FN' : 'X' })),
    };
    expect(stationPass(again, operationOf(again, 'cure'))).toEqual({ nth: 2, of: 2 });
  });
  test('a step has its own way and the others', () => {
    expect(waysOf(operationOf(WIDE_ROUTE, 'press')).map((w) => [w.id, w.name, w.minutesPerPiece])).toEqual([
      ['own', 'By machine', 5],
      ['pin', 'By template and pin', 25],
    ]);
  });
});

describe('versions', () => {
  const later = {
    ...WIDE_ROUTE,
    operations: WIDE_ROUTE.operations
      .filter((o) => o.id !== 'oil' && o.id !== 'age')
      .map((o) => (o.id === 'press' ? { ...o, minutesPerPiece: 4, grit: 80 } : o))
      .map((o) => (o.id === 'refit' ? { ...o, next: ['rest'] } : o))
      .concat([{ ...operationOf(WIDE_ROUTE, 'cure'), id: 'rest', component: 'instrument', next: ['ship'] }]),
  };
  test('are compared step by step', () => {
    const changes = compareRoutes(WIDE_ROUTE, later).filter((c) => c.kind !== 'same');
    expect(changes.map((c) => [c.operationId, c.kind, c.fields])).toEqual([
      ['press', 'changed', ['minutesPerPiece', 'grit']],
      ['oil', 'removed', []],
      ['refit', 'changed', ['next']],
      ['age', 'removed', []],
      ['rest', 'added', []],
    ]);
    expect(compareRoutes(WIDE_ROUTE, WIDE_ROUTE).every((c) => c.kind === 'same')).toBe(true);
  });
  test('work finds its step on the other, or the next they share', () => {
    expect(sameStepIn(WIDE_ROUTE, 'sand', later)?.id).toBe('sand');
    expect(sameStepIn(WIDE_ROUTE, 'oil', later)?.id).toBe('polish');
    expect(sameStepIn(WIDE_ROUTE, 'age', { ...later, operations: [] })).toBeUndefined();
  });
});
