import { expect, test } from '@jest/globals';
import { fretSlots, slotsCsv, slotsDxf, slotsSvg } from './index.ts';

const slots = fretSlots({
  bassScaleMm: 686,
  trebleScaleMm: 648,
  frets: 22,
  squareFret: 7,
  nutSpreadMm: 36,
  saddleSpreadMm: 52,
  nutOverhangMm: 3.5,
  endOverhangMm: 3.5,
  blindMm: 1.5,
});

test('comma-separated: a line for the nut and each fret, read back to the same places', () => {
  const [heading, ...lines] = slotsCsv(slots).trim().split('\r\n');
  expect(heading?.split(',')).toHaveLength(9);
  expect(lines).toHaveLength(23);
  const twelfth = lines[12]?.split(',').map(Number);
  expect(twelfth?.[0]).toBe(12);
  expect(twelfth?.[1]).toBeCloseTo(343, 4);
  expect(twelfth?.[2]).toBeCloseTo(324, 4);
});

test('a drawing for a machine: millimetres, a line a slot on its layer', () => {
  const lines = slotsDxf(slots).split(/\r?\n/);
  const pairs = Array.from({ length: Math.floor(lines.length / 2) }, (_, i) => [lines[2 * i]?.trim(), lines[2 * i + 1]?.trim()] as const);
  const entities = pairs.flatMap(([code, value], i) => (code === '0' && value === 'LINE' ? [pairs.slice(i + 1)] : []));
  expect(entities).toHaveLength(23);
  entities.forEach((rest, n) => {
    const value = (code: string) => rest.find((pair) => pair[0] === code)?.[1];
    expect(value('8')).toBe(n === 0 ? 'NUT' : 'SLOTS');
    expect([value('10'), value('20')].map(Number)).toEqual(
      [slots[n]?.bass.xMm, slots[n]?.bass.yMm].map((mm) => expect.closeTo(mm ?? NaN, 6)),
    );
    expect([value('11'), value('21')].map(Number)).toEqual(
      [slots[n]?.treble.xMm, slots[n]?.treble.yMm].map((mm) => expect.closeTo(mm ?? NaN, 6)),
    );
  });
  // Millimetres are unit 4.
  expect(pairs[pairs.findIndex(([, value]) => value === '$INSUNITS') + 1]).toEqual(['70', '4']);
});

test('a print at its true size: one unit is one millimetre, with a ruler to see that it stayed so', () => {
  const svg = slotsSvg(slots);
  const [, width, height, box] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="([^"]+)"/.exec(svg) ?? [];
  expect(box?.split(' ').slice(2)).toEqual([width, height]);
  expect(svg.match(/<line/g)).toHaveLength(23 + 3);
  expect(svg).toContain('100 mm: measure it before you trust the print');
});
