import type { Factory } from '../factory/index.ts';
import { waitMs } from '../planning/index.ts';
import { before, isAttended, operationOf, type Component, type Operation, type Route } from '../routing/index.ts';
import { MINUTE_MS } from '../units/index.ts';
import { always, type Chance } from './chance.ts';
import { modelStep, type ModelPerson, type ModelStation, type ModelStep } from './model.ts';

/** Makes routes, stations and people into a model of the floor, as far as they are asked for. */
export class Compiler {
  readonly steps: ModelStep[] = [];
  readonly stations: ModelStation[] = [];
  private readonly stationIndex = new Map<string, number>();
  private readonly skills = new Map<string, number>();
  private readonly stepIndex = new Map<string, number>();

  constructor(private readonly factory: Factory) {}

  /** The place of a route's step in the model; the whole route comes with it. */
  step(route: Route, operationId: string): number {
    if (!this.stepIndex.has(keyOf(route, operationId))) this.add(route);
    const index = this.stepIndex.get(keyOf(route, operationId));
    if (index === undefined) throw new RangeError(`Route ${route.id} has no operation "${operationId}"`);
    return index;
  }

  /** Those who work here, with what they hold on the day, those who can little else first. */
  people(atMs: number): ModelPerson[] {
    const { people, setUp } = this.factory;
    return [...setUp.people.values()]
      .filter((p) => p.active)
      .sort((a, b) => a.skills.length - b.skills.length)
      .map(({ id, skills, away }) => ({
        id,
        away,
        levels: [...this.skills.keys()].map((skill) =>
          Math.max(0, ...skills.filter((s) => s.skill === skill && people.holds(id, skill, s.level, atMs)).map((s) => s.level)),
        ),
      }));
  }

  private add(route: Route): void {
    const first = this.steps.length;
    route.operations.forEach((operation, i) => this.stepIndex.set(keyOf(route, operation.id), first + i));
    for (const operation of route.operations) this.steps.push(this.stepFrom(route, operation));
  }

  private stepFrom(route: Route, operation: Operation): ModelStep {
    const attended = isAttended(operation);
    const { coat, repeat, skill } = operation;
    const indexOf = (id: string) => this.step(route, id);
    return modelStep(operation.id, {
      station: attended ? this.station(operation.stationCode) : null,
      skill: attended && skill !== undefined ? this.skill(skill) : null,
      level: operation.skillLevel ?? 1,
      setupMs: operation.setupMinutes * MINUTE_MS,
      pieceMs: operation.minutesPerPiece * MINUTE_MS,
      leastMs: coat ? (coat.coats + 1) * coat.flashMinutes * MINUTE_MS : 0,
      waitMs: waitMs(operation, this.factory),
      reworkAlone: operation.reworkAlone === true,
      meets: meets(route, operation),
      next: (operation.kind === 'part' ? operation.next : operation.next.slice(0, 1)).map((id) => ({
        step: indexOf(id),
        as: operation.kind === 'part' ? operationOf(route, id).component : operation.component,
      })),
      loop: repeat
        ? { backTo: indexOf(repeat.backTo), rounds: repeat.kind === 'count' ? always(repeat.times) : untilAccepted(repeat) }
        : null,
    });
  }

  private station(code: string): number {
    const known = this.stationIndex.get(code);
    if (known !== undefined) return known;
    this.stationIndex.set(code, this.stations.length);
    return this.stations.push({ code, places: this.factory.placesAt(code) }) - 1;
  }

  private skill(name: string): number {
    const known = this.skills.get(name) ?? this.skills.size;
    this.skills.set(name, known);
    return known;
  }
}

// A route as one set of choices leaves it differs from another by its steps.
const keyOf = (route: Route, operationId: string): string =>
  `${route.id} ${operationId} ${route.operations.map((o) => `${o.id}${o.repeat?.kind === 'count' ? o.repeat.times : ''}`).join()}`;

/** What meets at a step, the host first; nothing where what comes goes on alone. */
function meets(route: Route, { id, kind, component }: Operation): Component[] {
  const coming = [...new Set(before(route, id).map((o) => o.component))];
  if (kind === 'join') return [component, ...coming.filter((c) => c !== component)];
  if ((kind === 'fit' || kind === 'refit') && coming.length > 1) return ['body', ...coming.filter((c) => c !== 'body')];
  return [];
}

/** As many rounds as it takes, each as likely to please as the next, to the most there may be. */
function untilAccepted({ expected, maximum }: { expected: number; maximum: number }): Chance {
  return (random) => {
    let rounds = 1;
    while (rounds < maximum && random.next() >= 1 / expected) rounds += 1;
    return rounds;
  };
}
