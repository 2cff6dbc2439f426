import { expect, test } from '@jest/globals';
import { demoMorning } from './morning.ts';

test.each([
  ['while people work, now', '2026-03-10T10:30:00Z', '2026-03-10T10:30:00.000Z'],
  ['in the evening, that morning', '2026-03-10T19:00:00Z', '2026-03-10T07:10:00.000Z'],
  ['in the night, the morning before', '2026-03-11T03:00:00Z', '2026-03-10T07:10:00.000Z'],
  ['on a Sunday, Friday morning', '2026-03-08T12:00:00Z', '2026-03-06T07:10:00.000Z'],
  ['on a Monday before the shift, Friday morning', '2026-03-09T06:00:00Z', '2026-03-06T07:10:00.000Z'],
  ['in summer, by the clock on the wall', '2026-07-04T12:00:00Z', '2026-07-03T06:10:00.000Z'],
])('the demo begins: %s', (_, now, expected) => {
  expect(new Date(demoMorning(Date.parse(now))).toISOString()).toBe(expected);
});
