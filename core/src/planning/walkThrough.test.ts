import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { everyChoice, NO_FACTS, type Route } from '../routing/index.ts';
import { walkThrough } from './index.ts';
import { anyRoute } from '../test/anyRoute.ts';
import { testFactory } from '../test/factory.ts';
import { step, wait } from '../test/parts.ts';
import { WIDE_ROUTE } from '../test/routes.ts';

const route: Route = {
  id: 'r',
  modelId: 'r',
  version: 1,
  operations: [
    step('cut', 'body', ['rest'], { setupMinutes: 10, minutesPerPiece: 5 }),
    wait('rest', 'body', ['coat'], 48, { place: { kind: 'rack' } }),
    step('coat', 'body', ['fit'], { skill: 'spraying', skillLevel: 2, repeat: { kind: 'count', backTo: 'coat', times: 3 } }),
    step('carve', 'neck', ['fit'], { setupMinutes: 0, minutesPerPiece: 30 }),
    step('fit', 'instrument', ['ship'], { kind: 'fit', setupMinutes: 5, minutesPerPiece: 10 }),
    step('ship', 'instrument', [], { kind: 'dispatch', setupMinutes: 0, minutesPerPiece: 3 }),
  ],
};

const GLUES = testFactory(new Map(), []);

describe('an order walked through its route', () => {
  const walk = walkThrough(route, NO_FACTS, 4, GLUES);
  test('adds up its work by set-up and piece, every round of it', () => {
    // Cut 10 + 4 × 5; coat three times 10 + 4 × 5; carve 4 × 30; fit 5 + 4 × 10; ship 4 × 3.
    expect(walk.touchMinutes).toBe(30 + 3 * 30 + 120 + 45 + 12);
    expect(walk.streams.map((s) => [s.component, s.steps.map((x) => [x.operation.id, x.times, x.touchMinutes, x.waitHours])])).toEqual([
      [
        'body',
        [
          ['cut', 1, 30, 0],
          ['rest', 1, 0, 48],
          ['coat', 3, 90, 0],
        ],
      ],
      ['neck', [['carve', 1, 120, 0]]],
      [
        'instrument',
        [
          ['fit', 1, 45, 0],
          ['ship', 1, 12, 0],
        ],
      ],
    ]);
  });
  test('finds the slowest way through, not the one with the most work', () => {
    expect(walk.longest).toEqual({ operationIds: ['cut', 'rest', 'coat', 'fit', 'ship'], touchMinutes: 177, waitHours: 48 });
  });
  test('tells the skills at their highest level, the most used first, and the places', () => {
    expect(walk.skills).toEqual([
      { skill: 'cutting', level: 1, minutes: 207 },
      { skill: 'spraying', level: 2, minutes: 90 },
    ]);
    expect(walk.places).toEqual([{ kind: 'rack', pieces: 4, hours: 48 }]);
  });
  test('a loop until accepted counts as often as it is expected to go round', () => {
    const aged = walkThrough(WIDE_ROUTE, NO_FACTS, 1, GLUES).streams.find((s) => s.component === 'instrument');
    expect(aged?.steps.find((s) => s.operation.id === 'age')?.times).toBe(2);
  });
  test('a choice adds its steps and its rounds', () => {
    const chosen = (binding: string) => walkThrough(WIDE_ROUTE, { ...NO_FACTS, choices: { binding, finish: 'bare' } }, 2, GLUES);
    const set = (binding: string) => {
      const found = chosen(binding)
        .streams.flatMap((s) => s.steps)
        .find((s) => s.operation.id === 'bindset');
      return found && [found.times, found.waitHours];
    };
    expect([set('none'), set('one'), set('both')]).toEqual([undefined, [1, 14], [2, 28]]);
    // The neck goes away for four days, which is slower still.
    expect(chosen('both').longest.operationIds).toContain('plate');
  });
  test('of any route, the way is part of the whole, and more pieces are never less work', () => {
    fc.assert(
      fc.property(anyRoute, fc.integer({ min: 1, max: 20 }), (any, n) => {
        for (const choices of everyChoice(any.options ?? []).slice(0, 4)) {
          const facts = { ...NO_FACTS, choices };
          const [few, more] = [walkThrough(any, facts, n, GLUES), walkThrough(any, facts, n + 1, GLUES)];
          expect(few.longest.touchMinutes).toBeLessThanOrEqual(few.touchMinutes + 1e-9);
          expect(more.touchMinutes).toBeGreaterThanOrEqual(few.touchMinutes);
          expect(few.skills.reduce((sum, s) => sum + s.minutes, 0)).toBeLessThanOrEqual(few.touchMinutes + 1e-9);
        }
      }),
      { numRuns: 100 },
    );
  });
});
