import { describe, expect, test } from '@jest/globals';
import { outdoorAir, roomAir } from './climateSensors.ts';

const HOUR = 3_600_000;
const year = Array.from({ length: 365 * 4 }, (_, i) => Date.parse('2025-01-01T00:00:00Z') + i * 6 * HOUR);
const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;

describe('the stand-in weather', () => {
  test('is the same for the same time and seed', () => {
    expect(outdoorAir(year[7] ?? 0, 41)).toEqual(outdoorAir(year[7] ?? 0, 41));
    expect(outdoorAir(year[7] ?? 0, 41)).not.toEqual(outdoorAir(year[7] ?? 0, 42));
  });
  test('has a warm July and a cold January', () => {
    const month = (m: number) => mean(year.filter((t) => new Date(t).getUTCMonth() === m).map((t) => outdoorAir(t, 41).tempC));
    expect(month(6)).toBeGreaterThan(month(0) + 10);
  });
  test('stays within what air can be', () => {
    for (const t of year) {
      const { tempC, relativeHumidity } = roomAir({ setTempC: 13, setHumidity: 0.8, leak: 1 }, t, 41);
      expect(tempC).toBeGreaterThan(-25);
      expect(tempC).toBeLessThan(45);
      expect(relativeHumidity).toBeGreaterThanOrEqual(0.15);
      expect(relativeHumidity).toBeLessThanOrEqual(0.98);
    }
  });
});

describe('a room', () => {
  const spread = (leak: number) => {
    const temps = year.map((t) => roomAir({ setTempC: 21, setHumidity: 0.45, leak }, t, 41).tempC);
    return Math.max(...temps) - Math.min(...temps);
  };
  test('follows the weather as far as it leaks', () => {
    expect(spread(0)).toBeLessThan(1);
    expect(spread(0.1)).toBeLessThan(spread(0.5));
  });
});
