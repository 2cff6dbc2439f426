import { WallClock, WorkCalendar, type Interval, type WorkWeek } from '../maths/index.ts';

/** A skill somebody holds, from and until which day; a certificate runs out. */
export interface HeldSkill {
  skill: string;
  /** 1 learns it, 2 does it alone, 3 teaches it */
  level: number;
  /** local days as 2026-03-31; null where there is no bound. The last day counts. */
  since: string | null;
  until: string | null;
}

/** A week of somebody's own; holidays are the factory's. */
export type OwnWeek = Pick<WorkWeek, 'days' | 'startsAt' | 'endsAt'>;

/** Who works here. Not an account: signing in is another matter. */
export interface Person {
  id: string;
  name: string;
  skills: readonly HeldSkill[];
  /** when they are not there */
  away: readonly Interval[];
  /** null where it is the factory's */
  week: OwnWeek | null;
  active: boolean;
}

/** A skill held at the usual level, for as long as anybody knows. */
export const heldSkill = (skill: string, level: number): HeldSkill => ({ skill, level, since: null, until: null });

/** The people of a factory: who holds what on a day, and who is there. */
export class People {
  private readonly clock: WallClock;
  private readonly calendars = new Map<string, WorkCalendar>();

  constructor(
    private readonly all: ReadonlyMap<string, Person>,
    private readonly week: WorkWeek,
  ) {
    this.clock = new WallClock(week.timeZone);
  }

  /** Whether a person who works here holds a skill at a level or above, on the day of an instant. */
  holds(personId: string, skill: string, level: number, atMs: number): boolean {
    const person = this.all.get(personId);
    return person?.active === true && person.skills.some((s) => s.skill === skill && s.level >= level && this.isValid(s, atMs));
  }

  /** The highest level at which somebody who works here holds each skill, on the day of an instant. */
  levels(atMs: number): Map<string, number> {
    const levels = new Map<string, number>();
    for (const { active, skills } of this.all.values())
      for (const held of active ? skills : [])
        if (this.isValid(held, atMs)) levels.set(held.skill, Math.max(levels.get(held.skill) ?? 0, held.level));
    return levels;
  }

  /** Who works here and holds a skill at a level or above, there or not. */
  holders(skill: string, level: number, atMs: number): Person[] {
    return [...this.all.values()].filter((p) => this.holds(p.id, skill, level, atMs));
  }

  /** Until when somebody is away; null when they are not. */
  awayUntil({ away }: Pick<Person, 'away'>, atMs: number): number | null {
    return away.find((a) => a.fromMs <= atMs && a.toMs > atMs)?.toMs ?? null;
  }

  /** Whether somebody is there while the factory works: not away, and in the hours of their own where they keep such. */
  isThere(person: Person, atMs: number): boolean {
    if (!person.active || this.awayUntil(person, atMs) !== null) return false;
    return person.week === null || this.calendarOf(person.week).windows(atMs, atMs + 1).length > 0;
  }

  /** How long somebody is there within a window: in their own week or the factory's, less what they are away. */
  hoursMs(person: Pick<Person, 'week' | 'away'>, window: Interval): number {
    const there = this.calendarOf(person.week ?? this.week).windows(window.fromMs, window.toMs);
    const shared = (a: Interval, b: Interval) => Math.max(0, Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs));
    return there.reduce((sum, w) => sum + w.toMs - w.fromMs - person.away.reduce((away, a) => away + shared(w, a), 0), 0);
  }

  private isValid({ since, until }: HeldSkill, atMs: number): boolean {
    if (since === null && until === null) return true;
    const day = new Date(atMs + this.clock.offsetMs(atMs)).toISOString().slice(0, 10);
    return (since === null || since <= day) && (until === null || until >= day);
  }

  private calendarOf(week: OwnWeek): WorkCalendar {
    const key = JSON.stringify([week.days, week.startsAt, week.endsAt]);
    const known = this.calendars.get(key) ?? new WorkCalendar({ ...this.week, ...week });
    this.calendars.set(key, known);
    return known;
  }
}
