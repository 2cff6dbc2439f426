import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { openFactory, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let lead: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  lead = await factory.as('lead');
});
afterAll(() => factory.close());

const setup = async () => (await manager.get('/setup')).body;
const NIGHTS = { days: [1, 2, 3, 4], startsAt: '22:00', endsAt: '06:00', breaks: [{ startsAt: '02:00', endsAt: '02:30' }] };

describe('the working time', () => {
  test('is shown as it is, and changed with a night, a break, a holiday and a short day', async () => {
    const { workingTime, tags } = await setup();
    expect(workingTime).toMatchObject({
      timeZone: 'Europe/Dublin',
      shifts: [{ startsAt: '07:00', endsAt: '15:30', breaks: [] }],
      holidays: [],
    });
    const [first] = workingTime.shifts;
    const changed = {
      ...workingTime,
      shifts: [{ ...first, breaks: [{ startsAt: '12:00', endsAt: '12:30' }] }, NIGHTS],
      holidays: [{ date: '2026-03-17' }],
      shortDays: [{ date: '2026-03-13', endsAt: '12:00' }],
    };
    expect((await manager.put('/settings/working-time', { ...changed, seen: tags.workingTime })).status).toBe(200);
    expect((await setup()).workingTime).toEqual(changed);
    // Somebody else saw it as it was before.
    expect((await manager.put('/settings/working-time', { ...workingTime, seen: tags.workingTime })).status).toBe(409);
    // Seven days until nine on Tuesday: five days of eight hours, the last of two, and four nights, breaks left out.
    const { stations } = (await manager.get('/flow?days=7')).body;
    const one = stations.find((s: { code: string }) => s.code === 'DP1');
    expect(one.availableHours / one.benches).toBeCloseTo(6 + 4 * 8 + 2 + 4 * 7.5, 1);
  });
  test.each([
    ['without a shift', { shifts: [] }, 'shifts'],
    ['with a time that is none', { shifts: [{ ...NIGHTS, startsAt: '25:00' }] }, 'shifts.0.startsAt'],
    ['on no day', { shifts: [{ ...NIGHTS, days: [] }] }, 'shifts.0.days'],
    ['with a break outside', { shifts: [{ ...NIGHTS, breaks: [{ startsAt: '12:00', endsAt: '13:00' }] }] }, 'shifts.0.breaks'],
    ['in a zone there is not', { timeZone: 'Mars/Olympus' }, 'timeZone'],
    ['with a day that is none', { holidays: [{ date: '2026-02-30' }] }, 'holidays.0.date'],
  ])('%s is refused by its field, and nothing is changed', async (_, over, field) => {
    const { workingTime } = await setup();
    const refused = await manager.put('/settings/working-time', { ...workingTime, ...over });
    expect(refused.status).toBe(400);
    expect(refused.body.fields.map((f: { field: string }) => f.field)).toContain(field);
    expect((await setup()).workingTime).toEqual(workingTime);
  });
  test('is the manager’s to change', async () => {
    const { workingTime } = await setup();
    expect((await lead.put('/settings/working-time', workingTime)).status).toBe(403);
  });
});
