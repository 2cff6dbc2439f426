import { describe, expect, test } from '@jest/globals';
import { aloneOn, gapsOn, heldSkill, People, type Person } from './index.ts';

const WEEK = { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] };
const at = (text: string) => Date.parse(`${text}Z`);
const day = { fromMs: at('2026-03-10T00:00'), toMs: at('2026-03-11T00:00') };
const week = { fromMs: at('2026-03-09T00:00'), toMs: at('2026-03-14T00:00') };
const person = (id: string, skills: string[], over: Partial<Person> = {}): Person => ({
  id,
  name: id,
  skills: skills.map((skill) => heldSkill(skill, 2)),
  away: [],
  week: null,
  active: true,
  ...over,
});
const told = (...all: Person[]) => {
  const people = new People(new Map(all.map((p) => [p.id, p])), WEEK);
  return {
    gaps: gapsOn(people, all, day).map(({ person: p, skills }) => [
      p.id,
      Object.fromEntries(skills.map((s) => [s.skill, s.by.map((b) => b.id)])),
    ]),
    alone: aloneOn(people, ['buffing', 'inlay', 'carving'], day).map((a) => `${a.skill} ${a.person.id}`),
  };
};

describe('who stands in', () => {
  test('is who holds the skill and is there', () => {
    const { gaps } = told(
      person('ann', ['buffing', 'inlay'], { away: [week] }),
      person('bob', ['buffing']),
      person('cas', ['buffing'], { away: [week] }),
      person('dan', ['inlay'], { active: false }),
    );
    expect(gaps).toEqual([
      ['ann', { buffing: ['bob'], inlay: [] }],
      ['cas', { buffing: ['bob'] }],
    ]);
  });

  test('is nobody who keeps other days, and who is away for an hour is away', () => {
    const noon = { fromMs: at('2026-03-10T12:00'), toMs: at('2026-03-10T13:00') };
    const { gaps } = told(
      person('ann', ['buffing'], { away: [noon] }),
      person('eve', ['buffing'], { week: { days: [1, 3], startsAt: '08:00', endsAt: '12:00' } }),
    );
    expect(gaps).toEqual([['ann', { buffing: [] }]]);
  });

  test('nobody is missed outside their own hours', () => {
    const evening = { fromMs: at('2026-03-10T17:00'), toMs: at('2026-03-10T23:00') };
    expect(told(person('ann', ['buffing'], { away: [evening] }), person('bob', ['buffing'])).gaps).toEqual([]);
  });
});

describe('a skill hangs on one person', () => {
  test('when nobody else who holds it is there', () => {
    const { alone } = told(person('ann', ['buffing', 'inlay']), person('bob', ['buffing']), person('cas', ['inlay'], { away: [week] }));
    expect(alone).toEqual(['inlay ann']);
  });

  test('and on none when nobody is', () => {
    expect(told(person('ann', ['buffing'], { away: [week] })).alone).toEqual([]);
  });
});
