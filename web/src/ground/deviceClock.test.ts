import { describe, expect, test } from '@jest/globals';
import { factoryNow, noteTime } from './deviceClock.ts';

describe('the time that an answer tells', () => {
  test('is taken for the middle of its way; the demo’s shifted clock is no fault of the device', () => {
    expect(factoryNow()).toBeUndefined();
    const now = Date.now();
    noteTime(`${now} ${now - 86_400_000}`, now - 40, now + 40);
    expect(Math.abs((factoryNow() ?? 0) - (Date.now() - 86_400_000))).toBeLessThan(50);
  });
  test('is left alone where it is none, or the device’s clock was set meanwhile', () => {
    const before = factoryNow() ?? 0;
    noteTime(null, 1, 2);
    noteTime('soon later', 1, 2);
    noteTime('5 5', 2, 1);
    expect(Math.abs((factoryNow() ?? 0) - before)).toBeLessThan(100);
  });
});
