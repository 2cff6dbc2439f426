import { describe, expect, test } from '@jest/globals';
import { shiftWindows, WorkingTime, type WorkWeek } from '../maths/index.ts';
import { operationOf } from '../routing/index.ts';
import { testFactory } from '../test/factory.ts';
import { batchOf, wait } from '../test/parts.ts';
import { SHORT_ROUTE } from '../test/routes.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { afterWorking, forecastRoute, waitMs } from './index.ts';

const NOW = Date.parse('2026-06-30T10:00:00Z');
const WEEK: WorkWeek = { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:00', holidays: [] };

const GLUES = testFactory(new Map(), []);

describe('forecast', () => {
  const time = new WorkingTime(shiftWindows(NOW - 10 * DAY_MS, NOW + 60 * DAY_MS, WEEK));
  test('work runs in working time and waits in clock time', () => {
    // Tuesday 10:00 and 5 h of shift left; 6 h of work end on Wednesday 08:00.
    expect(afterWorking(time, NOW, 6 * HOUR_MS)).toBe(Date.parse('2026-07-01T08:00:00Z'));
    expect(afterWorking(time, NOW, 0)).toBe(NOW);
  });
  test('what is done with the shift is done then, not the next morning', () => {
    expect(afterWorking(time, NOW, 5 * HOUR_MS)).toBe(Date.parse('2026-06-30T15:00:00Z'));
  });
  test('the earliest way out passes every wait', () => {
    const batch = batchOf({ operationId: 'cut', status: 'queued', quantity: 5, arrivedMs: NOW });
    const steps = forecastRoute(SHORT_ROUTE, batch, NOW, time, GLUES);
    expect(steps.map((s) => s.operation.id)).toEqual(['cut', 'rest', 'fit', 'spray', 'cure', 'ship']);
    const leave = (id: string) => steps.find((s) => s.operation.id === id)?.leaveMs ?? 0;
    expect(leave('cut')).toBe(NOW + 35 * MINUTE_MS);
    expect(leave('rest') - leave('cut')).toBe(2 * DAY_MS);
    expect(leave('cure') - leave('spray')).toBe(DAY_MS);
    expect(waitMs(operationOf(SHORT_ROUTE, 'rest'), GLUES)).toBe(2 * DAY_MS);
  });
  test('glue is waited for as long as it asks: in its clamps, and then until it may be machined', () => {
    const clamped = wait('clamp', 'body', [], 0, { gate: [{ kind: 'pressed', what: 'Clamped', adhesiveId: 'pva' }] });
    expect(waitMs(clamped, GLUES)).toBe(45 * MINUTE_MS);
    expect(waitMs({ ...clamped, gate: [{ kind: 'pressed', what: 'Clamped', adhesiveId: 'pva', material: 'light parts' }] }, GLUES)).toBe(
      30 * MINUTE_MS,
    );
    expect(waitMs({ ...clamped, gate: [{ kind: 'pressed', what: 'Bent', minutes: 7 }] }, GLUES)).toBe(7 * MINUTE_MS);
    expect(waitMs({ ...clamped, gate: [{ kind: 'glueSet', what: 'Set', adhesiveId: 'pva' }] }, GLUES)).toBe(DAY_MS - 45 * MINUTE_MS);
  });
});
