import { People, type Random } from '@ample-crane/core';
import type { Scenario } from './scenario.ts';

/** The people: who is there, who can, who is free. */
export class Crew {
  private readonly busy = new Set<string>();
  private readonly known: People;

  constructor(
    private readonly scenario: Pick<Scenario, 'people' | 'workWeek'>,
    private readonly random: Random,
  ) {
    this.known = new People(new Map(scenario.people.map((p) => [p.id, p])), scenario.workWeek);
  }

  /** A free person who can, those who can little else first. */
  free(skill: string | undefined, atMs: number, level = 1): string | undefined {
    return this.able(skill, level, atMs)
      .filter((p) => !this.busy.has(p.id) && this.known.isThere(p, atMs))
      .sort((a, b) => a.skills.length - b.skills.length)[0]?.id;
  }

  /** Somebody who can: a free person if there is one. */
  anyone(skill: string | undefined, atMs: number): string {
    return this.free(skill, atMs) ?? this.random.pick(this.able(skill, 1, atMs)).id;
  }

  isAway(personId: string, atMs: number): boolean {
    const person = this.scenario.people.find((p) => p.id === personId);
    return person !== undefined && this.known.awayUntil(person, atMs) !== null;
  }

  begins(personId: string): void {
    this.busy.add(personId);
  }

  ends(personId: string): void {
    this.busy.delete(personId);
  }

  private able(skill: string | undefined, level: number, atMs: number) {
    return skill === undefined ? this.scenario.people : this.known.holders(skill, level, atMs);
  }
}
