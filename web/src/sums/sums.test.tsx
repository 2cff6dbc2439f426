import { describe, expect, test } from '@jest/globals';
import { MOVEMENT_LIMITS, SPECIES } from '@ample-crane/core';
import { FRET_SUMS } from './frets.tsx';
import { MACHINE_SUMS } from './machines.tsx';
import { SHOP_SUMS } from './shop.tsx';
import { figure, type SumDefinition } from './Sum.tsx';
import { WOOD_SUMS } from './wood.tsx';

const SUMS = [...WOOD_SUMS, ...FRET_SUMS, ...MACHINE_SUMS, ...SHOP_SUMS];

function work(sum: SumDefinition, over: Record<string, string> = {}): Record<string, string> {
  const input = { ...Object.fromEntries(sum.fields.map((f) => [f.name, f.value])), ...over };
  return Object.fromEntries(
    sum
      .work(input, (name) => figure(input[name as keyof typeof input]), { movementLimits: MOVEMENT_LIMITS, species: SPECIES })
      .map((r) => [r.label, r.value]),
  );
}
const of = (id: string, over?: Record<string, string>) => {
  const sum = SUMS.find((s) => s.id === id);
  if (!sum) throw new Error(`No sum ${id}`);
  return work(sum, over);
};

test.each(SUMS.map((s) => [s.id, s] as const))('%s works with what stands in it at first, and says formula and source', (_, sum) => {
  expect(Object.values(work(sum)).every((value) => value !== '' && !value.includes('NaN'))).toBe(true);
  expect(sum.formula.length).toBeGreaterThan(5);
  expect(sum.source.length).toBeGreaterThan(5);
});
test('no two sums share an address', () => {
  expect(new Set(SUMS.map((s) => s.id)).size).toBe(SUMS.length);
});

describe('published values', () => {
  test.each([
    ['21.1', '50', '9.2 %'],
    ['21.1', '65', '12.0 %'],
    ['10', '80', '16.4 %'],
    ['43.3', '30', '5.6 %'],
  ])('wood in air of %s °C and %s %% tends to %s', (temp, humidity, expected) => {
    expect(of('emc', { temp, humidity })['Wood tends to']).toBe(expected);
  });
  test('meter, dew point, frets and board feet', () => {
    expect(of('meter', { reading: '10', temp: '35' })['Pin meter']).toBe('8.9 %');
    expect(of('dew-point', { temp: '25', humidity: '70' })['Dew point']).toBe('19.1 °C');
    expect(of('frets', { bass: '648', treble: '648' })['Fret 12']).toBe('324.00 mm');
    expect(of('frets', { bass: '686', treble: '648' })['Fret 12']).toBe('343.00 mm bass, 324.00 mm treble');
    expect(of('board-feet', { thickness: '1', width: '12', length: '1' })['Board']).toContain('1.00 bf');
  });
  test('a board that cannot be is refused; measured slots are told by what is off', () => {
    expect(() => of('frets', { bass: '600', treble: '648' })).toThrow(/bass scale is the longer/);
    expect(of('slot-check', { scale: '650', measured: '36.48 70.92 103.9' })).toEqual({
      'Fret 3': '0.48 mm too far, 1.5 cents sharp',
      'Within 0.1 mm': '2 of 3 slots',
    });
    expect(() => of('slot-check', { measured: 'nut' })).toThrow(/"nut" is not a number/);
    expect(() => of('slot-check', { measured: '700' })).toThrow(/beyond the saddle/);
  });
  test('what a rig can give, and who waits for whom', () => {
    expect(of('ceiling')).toEqual({
      'At most': '17.1 an hour',
      'Hands wait': '23 min of every 35 min',
      'Each place or spindle stands empty': '0 min of every 35 min',
    });
    expect(of('ceiling', { cycle: 'tables with a spindle each' })).toMatchObject({
      'At most': '25.5 an hour',
      'Each place or spindle stands empty': '12 min of every 47 min',
    });
    expect(of('ceiling', { cycle: 'a timer for each place', places: '6', dwell: '30', hands: '0' })['At most']).toBe('12.0 an hour');
    expect(of('worn-head')['The gang saw is cheaper']).toBe('from 2 pieces in one go');
    expect(() => of('worn-head', { 'a-lasts': '0' })).toThrow(/lasts for some pieces/);
  });
  test('more action needs less neck angle', () => {
    expect(of('neck-angle', { string: '2' })['Angle']).toBe('1.49°');
    expect(of('neck-angle', { string: '4' })['Angle']).toBe('1.00°');
    expect(() => of('neck-angle', { distance: '0' })).toThrow(/beyond the joint/);
  });
  test('movement shrinks into dry air and grows into damp', () => {
    expect(of('movement')['It shrinks by']).toMatch(/^1\.\d\d mm, give or take 0\.\d\d$/);
    expect(of('movement', { rh2: '70' })['It grows by']).toMatch(/^\d\.\d\d mm, give or take/);
  });
  test('air that never gets there says so, and a figure that is none is refused', () => {
    expect(of('drying', { humidity: '75' })['Time']).toBe('never in this air');
    expect(() => of('emc', { humidity: '145' })).toThrow(RangeError);
    expect(() => of('board-feet', { blank: '520 178' })).toThrow(/three figures/);
  });
});
