import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { HOUR_MS, MINUTE_MS } from '../units/index.ts';
import {
  deviceTroubles,
  paced,
  placeObjection,
  standingOf,
  toldInWords,
  USUAL_PACE,
  type DeviceKind,
  type DevicePlace,
  type DeviceSeen,
  type DeviceStanding,
  type PaceLeft,
  type Told,
} from './index.ts';

const NOW = 1_000 * HOUR_MS;
const seen = (over: Partial<DeviceSeen> = {}): DeviceSeen => ({
  kind: 'climate sensor',
  active: true,
  connected: true,
  heardMs: NOW - MINUTE_MS,
  aheadMs: 0,
  ...over,
});

describe('how a device stands', () => {
  test.each<[string, Partial<DeviceSeen>, DeviceStanding, string[]]>([
    ['speaks', {}, 'on', []],
    ['has not spoken for long', { heardMs: NOW - 91 * MINUTE_MS }, 'silent', ['silent for 1 h 31 min']],
    ['is on the line, and has said nothing yet', { heardMs: null }, 'never', []],
    ['left the line a moment ago', { connected: false }, 'off', ['not on the line']],
    ['left long ago', { connected: false, heardMs: NOW - 3 * HOUR_MS }, 'silent', ['silent for 3 h']],
    ['never came', { connected: false, heardMs: null }, 'never', []],
    ['was put away', { active: false, heardMs: NOW - 3 * HOUR_MS, aheadMs: HOUR_MS }, 'put away', []],
    ['is pressed when it is wanted', { kind: 'caliper', heardMs: NOW - 300 * HOUR_MS }, 'on', []],
    ['is pressed when it is wanted, and has been laid down', { kind: 'caliper', connected: false }, 'off', []],
    ['was set by nobody', { aheadMs: -3 * HOUR_MS }, 'on', ['its clock is 3 h behind']],
    ['is ahead of its time', { aheadMs: 2 * MINUTE_MS + 1 }, 'on', ['its clock is 3 min ahead']],
    ['is a little out', { aheadMs: 2 * MINUTE_MS }, 'on', []],
    [
      'a machine that says nothing for six minutes',
      { kind: 'machine controller', heardMs: NOW - 6 * MINUTE_MS },
      'silent',
      ['silent for 6 min'],
    ],
  ])('%s', (_, over, standing, troubles) => {
    expect([standingOf(seen(over), NOW), deviceTroubles(seen(over), NOW)]).toEqual([standing, troubles]);
  });
});

describe('the pace of a device', () => {
  test('over any stretch no more is taken than the pace allows, and no less than it could be', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 400 }), (gaps) => {
        let left: PaceLeft | undefined;
        let nowMs = 0;
        const taken: number[] = [];
        for (const gap of gaps) {
          nowMs += gap;
          const next = paced(left, nowMs);
          if (next) {
            taken.push(nowMs);
            left = next;
          }
        }
        for (let i = 0; i < taken.length; i += 7)
          for (let j = i; j < taken.length; j += 11) {
            const spanS = ((taken[j] ?? 0) - (taken[i] ?? 0)) / 1000;
            expect(j - i + 1).toBeLessThanOrEqual(USUAL_PACE.atOnce + USUAL_PACE.aSecond * spanS + 1e-6);
          }
        expect(taken.length).toBeGreaterThanOrEqual(Math.min(gaps.length, USUAL_PACE.atOnce));
      }),
    );
  });
  test('who speaks slowly is never held back, and a clock that was set back brings nobody to a halt', () => {
    let left: PaceLeft | undefined;
    for (let i = 0; i < 1000; i++) {
      const next = paced(left, i * 20);
      expect(next).not.toBeNull();
      left = next ?? undefined;
    }
    expect(paced({ left: 5, atMs: NOW }, NOW - HOUR_MS)).toEqual({ left: 4, atMs: NOW - HOUR_MS });
  });
});

describe('where a device belongs', () => {
  const nowhere = { stationCode: null, bench: null, zoneId: null };
  test.each<[DeviceKind, Partial<DevicePlace>, string | undefined]>([
    ['caliper', { stationCode: 'MC1' }, undefined],
    ['caliper', {}, 'stationCode'],
    ['caliper', { stationCode: 'MC1', bench: 1 }, 'bench'],
    ['scale', { stationCode: 'MC1', zoneId: 'wood' }, 'zoneId'],
    ['moisture meter', { zoneId: 'wood' }, undefined],
    ['moisture meter', { stationCode: 'MC1' }, 'zoneId'],
    ['climate sensor', { zoneId: 'wood', stationCode: 'MC1' }, 'stationCode'],
    ['machine controller', { stationCode: 'MC1', bench: 1 }, undefined],
    ['machine controller', { stationCode: 'MC1' }, 'bench'],
  ])('%s %j', (kind, place, field) => {
    expect(placeObjection(kind, { ...nowhere, ...place })?.field).toBe(field);
  });
});

describe('what was told, in words', () => {
  test.each<[Told, string]>([
    [{ kind: 'value', quantity: 'length', value: 9.525 }, '9.525\u00a0mm'],
    [{ kind: 'value', quantity: 'moisture', value: 8.4 }, '8.4 %'],
    [{ kind: 'air', tempC: 21.44, relativeHumidity: 0.463 }, '21.4\u00a0°C, 46 %'],
    [{ kind: 'machine', state: 'running', program: 'A.nc', parts: 1, cutters: [] }, 'runs A.nc, 1 part'],
    [{ kind: 'machine', state: 'held', program: 'A.nc', parts: 4, cutters: [] }, 'feed is held, A.nc, 4 parts'],
    [{ kind: 'machine', state: 'idle', program: null, parts: 0, cutters: [] }, 'stands, no program loaded'],
  ])('%j', (told, words) => {
    expect(toldInWords(told)).toBe(words);
  });
});
