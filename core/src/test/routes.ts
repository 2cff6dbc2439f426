import type { Carrier } from '../carriers/index.ts';
import type { Operation, Route } from '../routing/index.ts';
import { step, wait } from './parts.ts';

/** Two streams, a rest on each side of the fitting, coats, and dispatch. */
export const SHORT_ROUTE: Route = {
  id: 'short@1',
  modelId: 'short',
  version: 1,
  operations: [
    step('cut', 'body', ['rest']),
    step('rest', 'body', ['fit'], { kind: 'dwell', gate: [{ kind: 'elapsed', what: 'Rested', minimumMinutes: 48 * 60 }] }),
    step('carve', 'neck', ['fit']),
    step('fit', 'instrument', ['spray'], { kind: 'fit', stage: 'fitting' }),
    step('spray', 'instrument', ['cure'], {
      stage: 'finishing',
      coat: { materialId: 'lacquer', volumeSolids: 0.25, coats: 2, wetUm: 100, flashMinutes: 60, recoatMaxMinutes: 600 },
    }),
    step('cure', 'instrument', ['ship'], {
      kind: 'dwell',
      stage: 'finishing',
      gate: [{ kind: 'elapsed', what: 'Cured', minimumMinutes: 24 * 60 }],
    }),
    step('ship', 'instrument', [], { kind: 'dispatch', stage: 'dispatch' }),
  ],
};

const bound = { kind: 'option', option: 'binding', in: ['one', 'both'] } as const;

/** Everything the route language can say, in one model. */
export const WIDE_ROUTE: Route = {
  id: 'wide@1',
  modelId: 'wide',
  version: 1,
  options: [
    {
      id: 'binding',
      name: 'Binding',
      values: [
        { id: 'one', name: 'one face' },
        { id: 'both', name: 'both faces' },
        { id: 'none', name: 'none' },
      ],
    },
    {
      id: 'finish',
      name: 'Neck finish',
      values: [
        { id: 'oil', name: 'oil' },
        { id: 'bare', name: 'bare' },
      ],
    },
  ],
  operations: [
    step('bend', 'body', ['cool'], { noWait: true, needs: [{ kind: 'fixture', what: 'bending iron' }] }),
    wait('cool', 'body', ['press'], 2, { place: { kind: 'form', outline: true } }),
    step('press', 'body', ['bind'], {
      wayName: 'By machine',
      ways: [
        {
          id: 'pin',
          name: 'By template and pin',
          stationCode: 'S-pin',
          skill: 'pin routing',
          skillLevel: 2,
          setupMinutes: 5,
          minutesPerPiece: 25,
        },
      ],
      draws: [{ modelId: 'braces', perPiece: 2 }],
    }),
    step('bind', 'body', ['bindset'], { when: bound, stationCode: 'S-bind' }),
    wait('bindset', 'body', ['sand'], 14, {
      when: bound,
      repeat: { kind: 'count', backTo: 'bind', times: 1, timesByOption: { option: 'binding', times: { both: 2 } } },
    }),
    step('sand', 'body', ['stock'], {
      handOver: true,
      grit: 120,
      sheet: {
        instructions: ['Sand along the grain'],
        ticks: [{ key: 'dust', text: 'The dust port was open' }],
        notes: [{ id: 'feed', name: 'Feed', figure: { unit: 'm/min', low: 3, high: 6 } }],
      },
    }),
    step('stock', 'body', ['fit'], { kind: 'buffer' }),
    step('blank', 'neck', ['glue']),
    step('slot', 'fingerboard', ['glue'], {
      needs: [
        { kind: 'program', what: 'fret slots' },
        { kind: 'kit', what: 'fret wire' },
      ],
    }),
    step('glue', 'neck', ['clamp'], { kind: 'join', matchedSet: true }),
    wait('clamp', 'neck', ['plate'], 3, { place: { kind: 'table' } }),
    step('plate', 'neck', ['truck'], { kind: 'outside', awayDays: 3 }),
    step('truck', 'neck', ['fit'], { kind: 'transfer', awayDays: 1 }),
    step('fit', 'instrument', ['part'], { kind: 'fit', stage: 'fitting' }),
    step('part', 'instrument', ['spray', 'oil'], { kind: 'part', stage: 'fitting' }),
    step('spray', 'body', ['cure'], {
      stage: 'finishing',
      coat: { materialId: 'lacquer', volumeSolids: 0.25, coats: 1, wetUm: 100, flashMinutes: 60, recoatMaxMinutes: 600 },
    }),
    wait('cure', 'body', ['refit'], 24),
    step('oil', 'neck', ['polish'], { when: { kind: 'option', option: 'finish', in: ['oil'] } }),
    step('polish', 'neck', ['refit'], { grit: 400 }),
    step('refit', 'instrument', ['age'], { kind: 'refit', stage: 'fitting' }),
    step('age', 'instrument', ['ship'], { repeat: { kind: 'until accepted', backTo: 'age', maximum: 3, expected: 2 } }),
    step('ship', 'instrument', [], { kind: 'dispatch', stage: 'dispatch' }),
  ],
};

/** Small parts made ahead for it. */
export const BRACES_ROUTE: Route = {
  id: 'braces@1',
  modelId: 'braces',
  version: 1,
  operations: [step('split', 'small part', ['box']), step('box', 'small part', [], { kind: 'buffer' })],
};

const carrier = (id: string, kind: Carrier['kind'], places: number, outline: string | null = null): Carrier => ({
  id,
  name: id,
  kind,
  places,
  zoneId: 'bench',
  outline,
  rig: null,
});

export const CARRIERS: readonly Carrier[] = [
  carrier('F1', 'form', 3, 'wide'),
  carrier('F2', 'form', 3, 'wide'),
  carrier('F9', 'form', 9, 'another'),
  carrier('T1', 'table', 5),
  carrier('R1', 'rack', 8),
  carrier('R2', 'rack', 4),
];

/** A route with some properties of some steps changed. */
export const changed = (route: Route, ...changes: [string, Partial<Operation>][]): Route => ({
  ...route,
  operations: route.operations.map((o) => ({ ...o, ...changes.find(([id]) => id === o.id)?.[1] })),
});
