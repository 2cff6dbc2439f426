import type { Random } from '../maths/index.ts';
import { USUAL_LEVEL } from '../routing/index.ts';
import type { Scenario, ScenarioPerson } from './scenario.ts';

/** The people: who is there, who can, who is free. */
export class Crew {
  private readonly busy = new Set<string>();

  constructor(
    private readonly people: Scenario['people'],
    private readonly random: Random,
  ) {}

  /** A free person who can, those who can little else first. */
  free(skill: string | undefined, atMs: number, level = 1): string | undefined {
    return this.people
      .filter((p) => can(p, skill, level) && !this.busy.has(p.id) && !this.isAway(p.id, atMs))
      .sort((a, b) => a.skills.length - b.skills.length)[0]?.id;
  }

  /** Somebody who can: a free person if there is one. */
  anyone(skill: string | undefined, atMs: number): string {
    return this.free(skill, atMs) ?? this.random.pick(this.people.filter((p) => can(p, skill, 1))).id;
  }

  isAway(personId: string, atMs: number): boolean {
    const person = this.people.find((p) => p.id === personId);
    return person?.away.some((a) => atMs >= a.fromMs && atMs < a.toMs) ?? false;
  }

  begins(personId: string): void {
    this.busy.add(personId);
  }

  ends(personId: string): void {
    this.busy.delete(personId);
  }
}

const can = (person: ScenarioPerson, skill: string | undefined, level: number): boolean =>
  skill === undefined || (person.skills.includes(skill) && (person.skillLevels?.[skill] ?? USUAL_LEVEL) >= level);
