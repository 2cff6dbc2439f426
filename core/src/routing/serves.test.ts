import { describe, expect, test } from '@jest/globals';
import {
  chosenValues,
  extraPriceOf,
  factsOfChoice,
  lookOf,
  NO_FACTS,
  servesAs,
  type Route,
  type RouteFacts,
  type RouteOption,
} from './index.ts';
import { checkRoute } from './checkRoute.ts';
import { step } from '../test/parts.ts';

const OPTIONS: RouteOption[] = [
  {
    id: 'neckwood',
    name: 'Neck',
    values: [
      { id: 'maple', name: 'maple' },
      { id: 'wenge', name: 'wenge', wood: { neck: 'wenge', fingerboard: 'ebony' }, extraPrice: 180 },
    ],
  },
  {
    id: 'finish',
    name: 'Finish',
    values: [
      { id: 'black', name: 'black', look: 'solid' },
      { id: 'oil', name: 'oil', look: 'clear', extraPrice: 20.5 },
    ],
  },
];
const route: Route = {
  id: 'r@1',
  modelId: 'r',
  version: 1,
  options: OPTIONS,
  operations: [
    step('cut', 'body', ['stain']),
    step('stain', 'body', ['fit'], { when: { kind: 'option', option: 'finish', in: ['oil'] } }),
    step('board', 'fingerboard', ['glue']),
    step('neck', 'neck', ['glue']),
    step('glue', 'neck', ['fit'], { kind: 'join' }),
    step('fit', 'instrument', ['ship'], { kind: 'fit' }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
};
const usual = { species: { body: 'alder', neck: 'maple', fingerboard: 'rosewood' }, construction: 'bolt-on' };
const facts = (choices: Record<string, string> = {}): RouteFacts => factsOfChoice(usual, OPTIONS, choices);

describe('what an order has chosen', () => {
  test('makes its parts of other woods, the rest of the usual ones', () => {
    expect(facts({ neckwood: 'wenge' }).species).toEqual({ body: 'alder', neck: 'wenge', fingerboard: 'ebony' });
    expect(facts().species).toEqual(usual.species);
  });
  test('adds to the price, and says whether the wood shows', () => {
    expect(extraPriceOf(OPTIONS, { neckwood: 'wenge', finish: 'oil' })).toBe(200.5);
    expect(extraPriceOf(OPTIONS, {})).toBe(0);
    expect([lookOf(OPTIONS, { finish: 'oil' }), lookOf(OPTIONS, {}), lookOf([], {})]).toEqual(['clear', 'solid', 'solid']);
    expect(chosenValues(OPTIONS, { finish: 'nothing there is' }).map((v) => v.id)).toEqual(['maple', 'black']);
  });
  test.each([
    ['a wood there is not', { neck: 'unobtainium' }, '"Neck: wenge" makes the neck of unobtainium, which is no species on record'],
    ['a part there is not', { back: 'wenge' }, '"Neck: wenge" chooses a wood for the back, which this model does not make apart'],
  ])('is refused of %s when its route is checked', (_, wood, said) => {
    const [neck, ...rest] = OPTIONS;
    const values = (neck?.values ?? []).map((v) => (v.id === 'wenge' ? { ...v, wood } : v));
    const world = {
      stationCodes: new Set(route.operations.map((o) => o.stationCode)),
      skillLevels: new Map([['cutting', 2]]),
      carriers: [],
      modelIds: new Set(['r']),
      materialIds: new Set<string>(),
      adhesives: new Map(),
      cautionKeys: new Set<string>(),
      speciesNames: new Set(['alder', 'maple', 'rosewood', 'wenge', 'ebony']),
      facts: usual,
    };
    expect(checkRoute(route, world)).toEqual([]);
    const changed = { ...route, options: [{ id: 'neckwood', name: 'Neck', values }, ...rest] };
    expect(checkRoute(changed, world).map((p) => p.message)).toEqual([said]);
  });
});

describe('a part serves another order', () => {
  test('when its steps and its wood are the same, whatever the rest is like', () => {
    expect(servesAs(route, 'neck', facts({ finish: 'oil' }), facts({ finish: 'black' }))).toBe(true);
    expect(servesAs(route, 'body', facts({ neckwood: 'wenge' }), facts())).toBe(true);
  });
  test('not when it went another way', () => {
    expect(servesAs(route, 'body', facts({ finish: 'oil' }), facts({ finish: 'black' }))).toBe(false);
  });
  test('nor of another wood, its own or what is glued into it', () => {
    expect(servesAs(route, 'neck', facts({ neckwood: 'wenge' }), facts())).toBe(false);
    const boards = { ...facts(), species: { ...usual.species, fingerboard: 'ebony' } };
    expect(servesAs(route, 'neck', boards, facts())).toBe(false);
    expect(servesAs(route, 'body', boards, facts())).toBe(true);
  });
  test('when nobody wrote down what it is made of', () => {
    expect(servesAs(route, 'neck', NO_FACTS, facts())).toBe(true);
  });
});
