import type { Component } from '../routing/index.ts';
import type { ModelStep, Unit } from './model.ts';

/** What waits at steps for its counterparts. */
export class Meeting {
  private readonly waiting = new Map<string, Unit[]>();

  /** A unit comes to a step where things meet. @returns what can go on now as one, and what is left of it waits */
  come(step: ModelStep, unit: Unit): Unit[] {
    this.at(unit.step, unit.group, unit.component).push(unit);
    const met: Unit[] = [];
    for (;;) {
      const sides = step.meets.map((component) => this.at(unit.step, unit.group, component));
      const pieces = Math.min(...sides.map((side) => side[0]?.pieces ?? 0));
      if (pieces === 0) return met;
      const [host] = sides.map((side) => take(side, pieces));
      if (host) met.push(host);
    }
  }

  private at(step: number, group: string, component: Component): Unit[] {
    const key = `${step} ${component} ${group}`;
    const known = this.waiting.get(key) ?? [];
    this.waiting.set(key, known);
    return known;
  }
}

/** So many pieces of the first in line. */
function take(side: Unit[], pieces: number): Unit | undefined {
  const [first] = side;
  if (!first) return undefined;
  if (first.pieces === pieces) return side.shift();
  first.pieces -= pieces;
  return { ...first, pieces };
}
