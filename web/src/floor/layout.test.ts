import { describe, expect, test } from '@jest/globals';
import type { View } from '../ground/api.ts';
import { hoursAt, PLACES, thickness, tokensAt, type Place } from './layout.ts';

const at = PLACES.find((p) => p.key === 'b-mill') as Place;
const batch = (id: string, fields: Partial<View<'BatchView'>> = {}) =>
  ({
    id,
    component: 'body',
    stage: 'roughMill',
    status: 'queued',
    touchMinutes: 90,
    ...fields,
  }) as View<'BatchView'>;

describe('the floor drawing', () => {
  test('a place takes only its own stream and stages', () => {
    const tokens = tokensAt(at, [batch('B1'), batch('B2', { component: 'neck' }), batch('B3', { stage: 'machining' })]);
    expect(tokens.map((t) => t.batch.id)).toEqual(['B1']);
  });
  test('no two tokens stand on one another', () => {
    const tokens = tokensAt(
      at,
      Array.from({ length: 11 }, (_, i) => batch(`B${i}`)),
    );
    expect(new Set(tokens.map((t) => `${t.x},${t.y}`)).size).toBe(11);
  });
  test('a stream is as thick as the hours that wait, within limits', () => {
    expect(hoursAt(at, [batch('B1'), batch('B2', { status: 'running' })])).toBe(1.5);
    expect(thickness(0)).toBeLessThan(thickness(20));
    expect(thickness(1e6)).toBe(84);
  });
  test('every component has a place for every stage it can be at', () => {
    for (const component of ['body', 'neck'] as const)
      for (const stage of ['roughMill', 'machining', 'necks', 'bodies', 'finishing', 'fitting'] as const)
        expect(PLACES.filter((p) => p.lane === component && p.stages.includes(stage))).toHaveLength(1);
    for (const stage of ['fitting', 'finishing', 'assembly', 'finalRest', 'dispatch'] as const)
      expect(PLACES.filter((p) => p.lane === 'instrument' && p.stages.includes(stage))).toHaveLength(1);
  });
});
