import { aloneOn, DAY_MS, gapsOn, WallClock, type Gap, type Interval } from '@ample-crane/core';
import type { FactoryNow } from '../factory/factory.service.ts';
import type { DayPeopleView, GapView } from './morning.dto.ts';

/** So far ahead the next working day is looked for. */
const REACH_DAYS = 21;
const NAMED = 3;

/** Who is missed today and on the next working day, who stands in, and what hangs on one person. */
export function peopleDays(factory: FactoryNow, nowMs: number): DayPeopleView[] {
  const clock = new WallClock(factory.setUp.settings.workWeek.timeZone);
  const midnight = (atMs: number, days: number) => {
    const wallMs = (Math.floor((atMs + clock.offsetMs(atMs)) / DAY_MS) + days) * DAY_MS;
    return clock.instantsOf(wallMs)[0] ?? wallMs - clock.offsetMs(wallMs);
  };
  const tonightMs = midnight(nowMs, 1);
  const [next] = factory.calendar.windows(tonightMs, nowMs + REACH_DAYS * DAY_MS);
  const days: Interval[] = [{ fromMs: nowMs, toMs: tonightMs }];
  if (next) days.push({ fromMs: midnight(next.fromMs, 0), toMs: midnight(next.fromMs, 1) });
  return days.map((day) => ({
    fromMs: day.fromMs,
    gaps: gapsOn(factory.people, factory.setUp.people.values(), day).map(toView),
    alone: aloneOn(factory.people, factory.skillsAsked(nowMs), day).map(({ skill, person }) => ({ skill, name: person.name })),
  }));
}

/** "spraying: Ana or Piet; inlay: nobody else" */
function toView({ person, away, skills }: Gap): GapView {
  const told = skills.map(({ skill, by }) => {
    const names = by.slice(0, NAMED).map((p) => p.name);
    if (names.length === 0) return `${skill}: nobody else`;
    const more = by.length - names.length;
    return `${skill}: ${names.join(' or ')}${more > 0 ? `, or ${more} more` : ''}`;
  });
  return {
    name: person.name,
    ...away,
    alone: skills.some(({ by }) => by.length === 0),
    sentence: told.length === 0 ? 'No bench work' : `Can stand in — ${told.join('; ')}`,
  };
}
