import fc from 'fast-check';
import type { Component, Operation, Route } from '../routing/index.ts';
import { step, wait } from './parts.ts';

/** What a step of a stream may be like. */
const ANY_STEP = fc.constantFrom(
  'work',
  'work',
  'dwell',
  'press',
  'no-wait',
  'outside',
  'transfer',
  'buffer',
  'hand-over',
  'optional',
  'coat',
  'twice',
  'until accepted',
  'program',
  'machine',
  'sign-off',
  'measured',
  'rework alone',
  'clamped',
  'clamped',
  'pressed',
  'pressed',
);
type StepKind = typeof ANY_STEP extends fc.Arbitrary<infer T> ? T : never;

const steps = (max: number) => fc.array(ANY_STEP, { minLength: 1, maxLength: max });

interface Plan {
  body: StepKind[];
  neck: StepKind[];
  board: StepKind[] | null;
  apart: { body: StepKind[]; neck: StepKind[] } | null;
  instrument: StepKind[];
}

const anyPlan: fc.Arbitrary<Plan> = fc.record({
  body: steps(5),
  neck: steps(4),
  board: fc.option(steps(2)),
  apart: fc.option(fc.record({ body: steps(3), neck: steps(2) })),
  instrument: steps(4),
});

/** Steps in a row, plain work first; one kind may make two. */
function chain(component: Component, prefix: string, kinds: readonly StepKind[], last: string): Operation[] {
  const made: Operation[] = [
    step(prefix, component, []),
    ...kinds.flatMap((kind, i): Operation[] => {
      const id = `${prefix}${i}`;
      switch (kind) {
        case 'work':
          return [step(id, component, [], { grit: 100 + i })];
        case 'dwell':
          return [wait(id, component, [], 5)];
        case 'press':
          return [wait(id, component, [], 3, { place: { kind: 'press' } })];
        case 'clamped':
          return [
            step(id, component, []),
            wait(`${id}c`, component, [], 1, {
              rig: { kind: 'clamp rack' },
              gate: [{ kind: 'pressed', what: 'Clamped', adhesiveId: 'pva' }],
              ...(i % 2 === 0 ? {} : { wipe: { withWhat: 'acetone', minutes: 20 } }),
            }),
          ];
        case 'pressed':
          return [
            step(id, component, []),
            wait(`${id}p`, component, [], 1, {
              rig: { kind: 'brace press' },
              gate: [{ kind: 'pressed', what: 'Pressed', adhesiveId: 'pva', material: 'light parts' }],
            }),
            wait(`${id}s`, component, [], 1, { gate: [{ kind: 'glueSet', what: 'Set', adhesiveId: 'pva' }] }),
          ];
        case 'no-wait':
          return [step(id, component, [], { noWait: true }), wait(`${id}w`, component, [], 2, { place: { kind: 'mould', outline: true } })];
        case 'outside':
        case 'transfer':
          return [step(id, component, [], { kind, awayDays: 1 })];
        case 'buffer':
          return [step(id, component, [], { kind })];
        case 'hand-over':
          return [step(id, component, [], { handOver: true })];
        case 'optional':
          return [step(id, component, [], { when: { kind: 'option', option: 'extra', in: ['yes'] } })];
        case 'coat':
          return [
            step(id, component, [], {
              coat: { materialId: 'l', volumeSolids: 0.3, coats: 1, wetUm: 90, flashMinutes: 10, recoatMaxMinutes: 600 },
              gate: [{ kind: 'elapsed', what: 'Flashed', minimumMinutes: 30 }],
            }),
          ];
        case 'twice':
          return [step(id, component, []), step(`${id}b`, component, [], { repeat: { kind: 'count', backTo: id, times: 2 } })];
        case 'until accepted':
          return [step(id, component, [], { repeat: { kind: 'until accepted', backTo: id, maximum: 2, expected: 1 } })];
        case 'sign-off':
          return [step(id, component, [], { gate: [{ kind: 'signOff', skill: 'eye' }] })];
        case 'measured':
          return [
            step(id, component, [], { characteristics: [{ id: 'width', name: 'Width', unit: 'mm', low: 55, target: 56, high: 57 }] }),
          ];
        case 'rework alone':
          return [step(id, component, [], { reworkAlone: true })];
        case 'program':
          return [step(id, component, [], { needs: [{ kind: 'program', what: id }] })];
        case 'machine':
          return [step(id, component, [], { needs: [{ kind: 'program', what: id, checked: true }] })];
      }
    }),
  ];
  return made.map((o, i) => ({ ...o, next: [made[i + 1]?.id ?? last] }));
}

function build(plan: Plan): Route {
  const neck = chain('neck', 'n', plan.neck, 'fit');
  const [firstNeck, ...restOfNeck] = neck;
  // The fingerboard is joined right after the neck's first step.
  const joined: Operation[] =
    plan.board === null || !firstNeck
      ? neck
      : [
          { ...firstNeck, next: ['glue'] },
          ...chain('fingerboard', 'f', plan.board, 'glue'),
          step('glue', 'neck', firstNeck.next as string[], { kind: 'join' }),
          ...restOfNeck,
        ];
  const apart = plan.apart;
  return {
    id: 'any@1',
    modelId: 'any',
    version: 1,
    options: [
      {
        id: 'extra',
        name: 'Extra',
        values: [
          { id: 'yes', name: 'yes' },
          { id: 'no', name: 'no' },
        ],
      },
    ],
    operations: [
      ...chain('body', 'b', plan.body, 'fit'),
      ...joined,
      step('fit', 'instrument', [apart ? 'part' : 'i'], { kind: 'fit' }),
      ...(apart
        ? [
            step('part', 'instrument', ['pb', 'pn'], { kind: 'part' }),
            ...chain('body', 'pb', apart.body, 'refit'),
            ...chain('neck', 'pn', apart.neck, 'refit'),
            step('refit', 'instrument', ['i'], { kind: 'refit' }),
          ]
        : []),
      ...chain('instrument', 'i', plan.instrument, 'ship'),
      step('ship', 'instrument', [], { kind: 'dispatch' }),
    ],
  };
}

/** Any route of two or three streams that may be taken apart again, with steps of every kind. */
export const anyRoute: fc.Arbitrary<Route> = anyPlan.map(build);
