import type { Interval } from '../maths/index.ts';
import type { People, Person } from './people.ts';

/** Who is away in a day's working time, and who can do what they would do. */
export interface Gap {
  person: Person;
  /** from when until when they are away */
  away: Interval;
  /** of each skill they hold, who else holds it and is there all day */
  skills: { skill: string; by: Person[] }[];
}

/** A skill that hangs on one person of those who are there. */
export interface Alone {
  skill: string;
  person: Person;
}

/** Who misses some of a day's work, and who of those there can stand in for each of their skills. @param day or what is left of it */
export function gapsOn(people: People, all: Iterable<Person>, day: Interval): Gap[] {
  return [...all].flatMap((person) => {
    const away = person.away.find((a) => a.fromMs < day.toMs && a.toMs > day.fromMs);
    if (!person.active || !away || misses(people, person, day) === 0) return [];
    const skills = person.skills
      .filter(({ skill }) => people.holds(person.id, skill, 1, day.fromMs))
      .map(({ skill }) => ({ skill, by: people.holders(skill, 1, day.fromMs).filter((p) => p.id !== person.id && isIn(people, p, day)) }));
    return [{ person, away, skills }];
  });
}

/**
 * What nobody could do if one person more stayed away: the skills that only one of those there holds.
 *
 * @param asked skills that the factory's work asks for
 */
export function aloneOn(people: People, asked: Iterable<string>, day: Interval): Alone[] {
  return [...new Set(asked)].sort().flatMap((skill) => {
    const there = people.holders(skill, 1, day.fromMs).filter((p) => isIn(people, p, day));
    const [person] = there;
    return person && there.length === 1 ? [{ skill, person }] : [];
  });
}

/** Whether somebody works that day, and misses nothing of it. */
const isIn = (people: People, person: Person, day: Interval): boolean =>
  person.active && people.hoursMs(person, day) > 0 && misses(people, person, day) === 0;

const misses = (people: People, person: Person, day: Interval): number =>
  people.hoursMs({ week: person.week, away: [] }, day) - people.hoursMs(person, day);
