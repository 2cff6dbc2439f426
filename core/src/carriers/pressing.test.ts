import { describe, expect, test } from '@jest/globals';
import { HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { pressedFor } from './pressing.ts';
import type { DwellLaw } from './stay.ts';

const CLOSED = Date.parse('2026-03-10T08:00:00Z');
const WOOD_GLUE: DwellLaw = { minutes: 45, law: { referenceTempC: 20, q10: 2, minimumTempC: 10 } };
const CEMENT: DwellLaw = { minutes: 14 * 60, law: { referenceTempC: 20, q10: 1, minimumTempC: 16 } };

/** A room that is as warm all day, read every half an hour. */
const room = (tempC: number, hours = 30) =>
  Array.from({ length: hours * 2 + 1 }, (_, i) => ({ atMs: CLOSED - HOUR_MS + (i * HOUR_MS) / 2, tempC }));
const after = (minutes: number, tempC: number, ...laws: DwellLaw[]) => pressedFor(laws, CLOSED, CLOSED + minutes * MINUTE_MS, room(tempC));

describe('time under pressure', () => {
  test('as the sheet says at 20 °C: 22 of 45 minutes, free at a quarter to', () => {
    expect(after(22, 20, WOOD_GLUE)).toMatchObject({ neededMinutes: 45, isOver: false, freeMs: CLOSED + 45 * MINUTE_MS, stands: null });
    expect(after(22, 20, WOOD_GLUE).servedMinutes).toBeCloseTo(22, 9);
    expect(after(45, 20, WOOD_GLUE)).toMatchObject({ servedMinutes: 45, isOver: true, freeMs: CLOSED + 45 * MINUTE_MS });
  });
  test.each([
    [30, 22.5],
    [25, 45 / Math.SQRT2],
    [10, 90],
  ])('at %d °C it takes %d minutes', (tempC, minutes) => {
    expect(after(minutes - 0.1, tempC, WOOD_GLUE).isOver).toBe(false);
    expect(after(minutes + 0.01, tempC, WOOD_GLUE).isOver).toBe(true);
    expect(Math.abs((after(5, tempC, WOOD_GLUE).freeMs ?? 0) - CLOSED - minutes * MINUTE_MS)).toBeLessThan(2);
    // It was over then, whenever somebody looks.
    expect(Math.abs((after(600, tempC, WOOD_GLUE).freeMs ?? 0) - CLOSED - minutes * MINUTE_MS)).toBeLessThan(2);
  });
  test('below its lower limit the clock stands, and goes on when it is warm again', () => {
    expect(after(600, 9.9, WOOD_GLUE)).toMatchObject({ servedMinutes: 0, isOver: false, freeMs: null, stands: 'cold' });
    const coldNight = room(20).map((s) => (s.atMs >= CLOSED + 30 * MINUTE_MS && s.atMs < CLOSED + 4 * HOUR_MS ? { ...s, tempC: 5 } : s));
    const at = (minutes: number) => pressedFor([WOOD_GLUE], CLOSED, CLOSED + minutes * MINUTE_MS, coldNight);
    expect(at(60)).toMatchObject({ stands: 'cold' });
    expect(at(60).servedMinutes).toBeCloseTo(30, 9);
    expect(at(245).freeMs).toBe(CLOSED + 255 * MINUTE_MS);
    expect(at(256).isOver).toBe(true);
  });
  test('a room that nobody hears of cures nothing', () => {
    expect(pressedFor([WOOD_GLUE], CLOSED, CLOSED + 60 * MINUTE_MS, [])).toMatchObject({
      servedMinutes: 0,
      stands: 'silent',
      freeMs: null,
    });
    const fellSilent = room(20).filter((s) => s.atMs <= CLOSED);
    expect(pressedFor([CEMENT], CLOSED, CLOSED + 8 * HOUR_MS, fellSilent)).toMatchObject({ stands: 'silent', servedMinutes: 360 });
  });
  test('of a mixed load the longest holds, and of nothing nothing', () => {
    expect(after(60, 20, WOOD_GLUE, CEMENT)).toMatchObject({ neededMinutes: 840, isOver: false, freeMs: CLOSED + 14 * HOUR_MS, atC: null });
    // In the cold the short one stands as well, and nobody can say when.
    expect(after(60, 12, WOOD_GLUE, CEMENT)).toMatchObject({ neededMinutes: 840, stands: 'cold' });
    expect(pressedFor([], CLOSED, CLOSED, [])).toMatchObject({ isOver: true, freeMs: CLOSED });
  });
});
