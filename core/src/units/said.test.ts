import { describe, expect, test } from '@jest/globals';
import { IMPERIAL, inUnits, METRIC, said, saidWarmer } from './index.ts';

describe('an amount in a sentence', () => {
  test('reads as SI to whoever thinks in it', () => {
    const sentence = `Booth at ${said('20.1', '°C')}; ${said('56.05–56.20', 'mm')}, ${said('0.213', 'm³')}, ${said(640, 'g')}, ${said(4, 'bar')}`;
    expect(inUnits(sentence, METRIC)).toBe('Booth at 20.1 °C; 56.05–56.20 mm, 0.213 m³, 640 g, 4 bar');
  });
  test.each([
    ['a temperature', said(21, '°C'), '69.8 °F'],
    ['below nought', said('-5.0', '°C'), '23.0 °F'],
    ['a difference, which is no temperature', saidWarmer(1.8), '3.2 °F'],
    ['a joint, in ten-thousandths', said('56.05', 'mm'), '2.2067 in'],
    ['a band of a joint, its unit once', said('56.05–56.20', 'mm'), '2.2067–2.2126 in'],
    ['a plank, in fractions', said(38, 'mm'), '1 1/2 in'],
    ['lumber', said('0.236', 'm³'), '100 bf'],
    ['a mass', said(3500, 'g'), '7 lb 11.5 oz'],
    ['what nobody turns into others', said(4, 'bar'), '4 bar'],
    ['points of moisture', said('8.4', '%'), '8.4 %'],
  ])('%s is told in a person’s own units', (_, sentence, told) => {
    expect(inUnits(`It is ${sentence} here`, IMPERIAL)).toBe(`It is ${told} here`);
  });
  test('words that happen to look like one stay as they are', () => {
    expect(inUnits('Step 12 mm says lot 5 g', IMPERIAL)).toBe('Step 12 mm says lot 5 g');
  });
});
