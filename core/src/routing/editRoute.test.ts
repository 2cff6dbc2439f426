import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  addStream,
  changeStep,
  checkRoute,
  conditionInWords,
  freeId,
  insertAfter,
  insertBefore,
  moveEarlier,
  moveLater,
  operationOf,
  pathFrom,
  removeStep,
  type Route,
  ruleInWords,
  simplestRoute,
  stepMarks,
  type StepSeed,
} from './index.ts';
import { anyRoute } from '../test/anyRoute.ts';
import { SHORT_ROUTE, WIDE_ROUTE } from '../test/routes.ts';

const seed: StepSeed = { name: 'Scrape', kind: 'work', stage: 'bodies', stationCode: 'S1' };
const ids = (route: Route, from: string) => pathFrom(route, from).map((o) => o.id);

describe('editing a route', () => {
  test('a step is put after or before another, in its stream', () => {
    const after = insertAfter(SHORT_ROUTE, 'cut', seed);
    expect(ids(after.route, 'cut').slice(0, 3)).toEqual(['cut', 'scrape', 'rest']);
    const earlier = insertBefore(after.route, 'cut', seed);
    expect(earlier.id).toBe('scrape-2');
    expect(ids(earlier.route, 'scrape-2').slice(0, 3)).toEqual(['scrape-2', 'cut', 'scrape']);
    const beforeFit = insertBefore(SHORT_ROUTE, 'fit', seed).route;
    // Bodies and necks go on to the fitting as they did.
    expect(operationOf(beforeFit, 'rest').next).toEqual(['fit']);
    expect(insertBefore(SHORT_ROUTE, 'spray', seed).route.operations.find((o) => o.id === 'fit')?.next).toEqual(['scrape']);
  });
  test('after taking apart, it belongs to the stream it stands before', () => {
    const { route, id } = insertAfter(WIDE_ROUTE, 'part', seed);
    expect(operationOf(route, id)).toMatchObject({ component: 'body', next: ['spray'] });
    expect(operationOf(route, 'part').next).toEqual([id, 'oil']);
    expect(checkRoute(route)).toEqual([]);
  });
  test('a stream is begun that leads into a joining', () => {
    const joined = changeStep(insertAfter(SHORT_ROUTE, 'carve', { ...seed, name: 'Glue' }).route, 'glue', { kind: 'join' });
    expect(checkRoute(joined)[0]?.message).toBe('Nothing is ever joined at "Glue", so it can never be completed');
    const { route, id } = addStream(joined, 'fingerboard', 'glue', { ...seed, name: 'Slot' });
    expect(operationOf(route, id)).toMatchObject({ component: 'fingerboard', next: ['glue'] });
    expect(checkRoute(route)).toEqual([]);
  });
  test('a step taken out closes the gap; a loop that began at it begins after it', () => {
    expect(ids(removeStep(SHORT_ROUTE, 'rest'), 'cut')).toEqual(['cut', 'fit', 'spray', 'cure', 'ship']);
    const without = removeStep(WIDE_ROUTE, 'bind');
    expect(operationOf(without, 'bindset').repeat).toMatchObject({ backTo: 'bindset' });
    expect(removeStep(WIDE_ROUTE, 'age').operations.some((o) => o.repeat?.kind === 'until accepted')).toBe(false);
  });
  test('neighbours change places, but not across a fitting', () => {
    expect(ids(moveLater(SHORT_ROUTE, 'cut'), 'rest').slice(0, 2)).toEqual(['rest', 'cut']);
    expect(ids(moveEarlier(SHORT_ROUTE, 'cure'), 'fit').slice(0, 4)).toEqual(['fit', 'cure', 'spray', 'ship']);
    expect(ids(moveEarlier(WIDE_ROUTE, 'sand'), 'bind').slice(0, 3)).toEqual(['bind', 'sand', 'bindset']);
    expect(moveLater(SHORT_ROUTE, 'rest')).toBe(SHORT_ROUTE);
    expect(moveEarlier(SHORT_ROUTE, 'cut')).toBe(SHORT_ROUTE);
  });
  test('a step stands in the list where it stands in its stream', () => {
    const listed = (route: Route) => route.operations.map((o) => o.id);
    expect(listed(insertAfter(SHORT_ROUTE, 'carve', seed).route)).toEqual([
      'cut',
      'rest',
      'carve',
      'scrape',
      'fit',
      'spray',
      'cure',
      'ship',
    ]);
    expect(listed(insertBefore(SHORT_ROUTE, 'carve', seed).route)).toEqual([
      'cut',
      'rest',
      'scrape',
      'carve',
      'fit',
      'spray',
      'cure',
      'ship',
    ]);
    expect(listed(addStream(SHORT_ROUTE, 'top', 'fit', seed).route)).toEqual([
      'cut',
      'rest',
      'carve',
      'scrape',
      'fit',
      'spray',
      'cure',
      'ship',
    ]);
    const before = insertBefore(WIDE_ROUTE, 'spray', seed);
    expect(operationOf(before.route, 'part').next).toEqual([before.id, 'oil']);
    // Bodies lead on as they did; only the neck's own stream is led through the new step.
    expect(operationOf(insertBefore(WIDE_ROUTE, 'glue', seed).route, 'slot').next).toEqual(['glue']);
  });
  test('a step that parts, meets or ends does not change places', () => {
    for (const id of ['fit', 'part', 'ship', 'blank', 'slot', 'stock', 'polish', 'cure', 'refit'])
      expect(moveLater(WIDE_ROUTE, id)).toBe(WIDE_ROUTE);
    for (const id of ['bend', 'glue', 'fit', 'part', 'spray', 'oil', 'refit', 'blank'])
      expect(moveEarlier(WIDE_ROUTE, id)).toBe(WIDE_ROUTE);
    expect(operationOf(moveLater(WIDE_ROUTE, 'age'), 'ship').next).toEqual(['age']);
  });
  test('a third step of one name gets a third id', () => {
    const twice = insertAfter(insertAfter(SHORT_ROUTE, 'cut', seed).route, 'cut', seed);
    expect(twice.id).toBe('scrape-2');
    expect(insertAfter(twice.route, 'cut', seed).id).toBe('scrape-3');
  });
  test('a loop that ends where it began is gone with its step; others stay', () => {
    const looped = changeStep(SHORT_ROUTE, 'spray', { repeat: { kind: 'count', backTo: 'cure', times: 2 } });
    expect(operationOf(removeStep(looped, 'cure'), 'spray').repeat).toEqual({ kind: 'count', backTo: 'ship', times: 2 });
    expect(operationOf(removeStep(looped, 'cut'), 'spray').repeat).toEqual({ kind: 'count', backTo: 'cure', times: 2 });
    const toEnd = changeStep(SHORT_ROUTE, 'spray', { repeat: { kind: 'count', backTo: 'ship', times: 2 } });
    expect(operationOf(removeStep(toEnd, 'ship'), 'spray').repeat).toBeUndefined();
  });
  test('a property is changed or taken away', () => {
    const changed = changeStep(WIDE_ROUTE, 'sand', { grit: undefined, name: 'Sand by hand' });
    expect(operationOf(changed, 'sand')).toMatchObject({ name: 'Sand by hand', handOver: true });
    expect('grit' in operationOf(changed, 'sand')).toBe(false);
  });
  test('the simplest route can be run', () => {
    const route = simplestRoute(
      { id: 'new-1', modelId: 'new', version: 1 },
      {
        body: { ...seed, name: 'Cut' },
        fit: { ...seed, name: 'Serial', kind: 'fit', stage: 'fitting' },
        ship: { ...seed, name: 'Dispatch', kind: 'dispatch', stage: 'dispatch' },
      },
    );
    expect(checkRoute(route)).toEqual([]);
    expect(ids(route, 'cut')).toEqual(['cut', 'serial', 'dispatch']);
  });
  test('ids are free and made of the name', () => {
    expect(freeId(SHORT_ROUTE, 'Cut')).toBe('cut-2');
    expect(freeId(SHORT_ROUTE, 'Läck & brush!')).toBe('l-ck-brush');
    expect(freeId(SHORT_ROUTE, '…')).toBe('step');
  });
  test('a plain step put anywhere, and taken out again, leaves the route as it was', () => {
    fc.assert(
      fc.property(anyRoute, fc.nat(), fc.boolean(), (route, n, after) => {
        const at = route.operations[n % route.operations.length];
        // Nothing is put before a joining, nor after the end.
        if (!at || (after ? at.kind === 'dispatch' : at.kind !== 'work')) return;
        const put = after ? insertAfter(route, at.id, seed) : insertBefore(route, at.id, seed);
        expect(put.route.operations).toHaveLength(route.operations.length + 1);
        const back = removeStep(put.route, put.id);
        expect(back.operations.map((o) => [o.id, o.next])).toEqual(route.operations.map((o) => [o.id, o.next]));
      }),
    );
  });
});

describe('a route in words', () => {
  test.each([
    [{ kind: 'elapsed', what: 'Set', minimumMinutes: 45 }, 'Set at least 45 min'],
    [{ kind: 'elapsed', what: 'Set', minimumMinutes: 1440, maximumMinutes: 2880 }, 'Set at least 1 d, at most 2 d'],
    [{ kind: 'window', minimumMinutes: 20, maximumMinutes: 600, afterwards: 'Scuff' }, 'Recoat after 20 min, before 10 h'],
    [{ kind: 'signOff', skill: 'eye' }, 'Accepted by someone with eye'],
    [{ kind: 'spread', limit: 2, unit: '%' }, 'Spread up to 2 %'],
    [{ kind: 'parts' }, 'Kit complete'],
  ] as const)('%j: %s', (rule, words) => {
    expect(ruleInWords(rule)).toBe(words);
  });
  test('conditions name options and values', () => {
    const options = WIDE_ROUTE.options ?? [];
    expect(conditionInWords({ kind: 'option', option: 'binding', in: ['one', 'both'] }, options)).toBe('Binding one face or both faces');
    const walnut = { kind: 'species', component: 'body', in: ['black walnut'] } as const;
    expect(conditionInWords({ kind: 'all', of: [walnut, { kind: 'not', of: { kind: 'construction', in: ['bolt-on'] } }] })).toBe(
      'body of black walnut, and not bolt-on',
    );
    expect(conditionInWords({ kind: 'any', of: [walnut, walnut] })).toBe('body of black walnut, or body of black walnut');
    const carved = { kind: 'construction', in: ['carved'] } as const;
    expect(conditionInWords({ kind: 'any', of: [carved, { kind: 'all', of: [walnut, { kind: 'not', of: carved }] }] })).toBe(
      'carved, or (body of black walnut, and not carved)',
    );
    const begun = { kind: 'construction', in: [] } as const;
    expect(conditionInWords({ kind: 'any', of: [begun, { kind: 'all', of: [] }] })).toBe('(nothing yet), or (nothing yet)');
  });
  test('a step is marked with what is special about it', () => {
    expect(stepMarks(operationOf(WIDE_ROUTE, 'bindset'), WIDE_ROUTE.options)).toEqual([
      'if Binding one face or both faces',
      'rounds by option',
    ]);
    expect(stepMarks(operationOf(WIDE_ROUTE, 'press'))).toEqual(['2 ways', 'draws small parts']);
    expect(stepMarks(operationOf(WIDE_ROUTE, 'age'))).toEqual(['until accepted, 3 rounds at most']);
  });
});
