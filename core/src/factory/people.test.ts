import { describe, expect, test } from '@jest/globals';
import { heldSkill, People, type Person } from './index.ts';

const WEEK = { timeZone: 'America/New_York', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: ['2026-12-25'] };
const person = (id: string, over: Partial<Person> = {}): Person => ({
  id,
  name: id,
  skills: [heldSkill('buffing', 2)],
  away: [],
  week: null,
  active: true,
  ...over,
});
const people = (...all: Person[]) => new People(new Map(all.map((p) => [p.id, p])), WEEK);
/** New York is five hours behind UTC in winter. */
const at = (local: string) => Date.parse(`${local}-05:00`);

describe('a skill', () => {
  const lapsing = people(person('ann', { skills: [{ skill: 'spraying', level: 3, since: '2026-01-10', until: '2026-03-31' }] }));
  test.each([
    ['the evening before it begins', '2026-01-09T23:59', false],
    ['its first minute', '2026-01-10T00:00', true],
    ['its last evening, when it is the next day in London', '2026-03-31T21:30', true],
    ['the day after', '2026-04-01T05:00', false],
  ])('is held by the factory’s own days: %s', (_, local, held) => {
    expect(lapsing.holds('ann', 'spraying', 1, at(local))).toBe(held);
    expect(lapsing.levels(at(local)).get('spraying')).toBe(held ? 3 : undefined);
  });
  test('counts from its level down, and only of who works here', () => {
    const all = people(person('ann'), person('bob', { skills: [heldSkill('buffing', 1)] }), person('cas', { active: false }));
    const now = at('2026-03-02T10:00');
    expect(all.holders('buffing', 2, now).map((p) => p.id)).toEqual(['ann']);
    expect(all.holders('buffing', 1, now).map((p) => p.id)).toEqual(['ann', 'bob']);
    expect(all.holds('nobody', 'buffing', 1, now)).toBe(false);
    expect(all.holders('ivory turning', 1, now)).toEqual([]);
  });
});

describe('who is there', () => {
  const evening = person('eve', { week: { days: [1, 6], startsAt: '15:00', endsAt: '21:00' } });
  const away = person('ann', { away: [{ fromMs: at('2026-03-02T12:00'), toMs: at('2026-03-03T00:00') }] });
  const friday = person('eve', { week: { days: [5], startsAt: '15:00', endsAt: '21:00' } });
  const all = people(evening, away);
  test.each([
    ['who keeps the factory’s hours', away, '2026-03-02T10:00', true],
    ['while away', away, '2026-03-02T12:00', false],
    ['back again', away, '2026-03-03T00:00', true],
    ['in hours of their own', evening, '2026-03-07T20:00', true],
    ['not in others', evening, '2026-03-02T10:00', false],
    ['nor on a holiday, whatever their hours', friday, '2026-12-25T16:00', false],
    ['who has left', { ...away, active: false }, '2026-03-02T10:00', false],
  ])('%s', (_, who, local, there) => {
    expect(all.isThere(who, at(local))).toBe(there);
  });
  test('says until when somebody is away', () => {
    expect(all.awayUntil(away, at('2026-03-02T11:59'))).toBeNull();
    expect(all.awayUntil(away, at('2026-03-02T12:00'))).toBe(at('2026-03-03T00:00'));
  });
});
