import type { Batch } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import type { Random } from '../maths/index.ts';
import { touchMinutes } from '../routing/index.ts';
import { DAY_MS, MINUTE_MS } from '../units/index.ts';
import { Compiler } from './compile.ts';
import { FloorRun, type Onlooker } from './floorRun.ts';
import { EARLIEST_DUE, newUnit, type Chances, type FloorModel, type ModelPerson, type Unit } from './model.ts';

/** A batch in work, and what no row of its own says. */
export interface LiveBatch {
  batch: Batch;
  /** work already done on it at its present step */
  workedMs: number;
  /** who works on it */
  personId: string | null;
  /** pieces that are done again; null where all are worked on */
  again: number | null;
  /** when it may leave, as its gate foresees; null where it does not */
  opensMs: number | null;
}

/** However long somebody has been at it, there is something left to do. */
const LEAST_LEFT = 0.05;
/** Work is planned so far ahead. */
const REACH_DAYS = 400;

/** The floor as it stands, ready to be run forward as often as asked. */
export class FloorNow {
  readonly model: FloorModel;
  /** batches that somebody holds: nobody knows until when, so they take no part */
  readonly held: readonly Batch[];
  /** for each order, the bodies and instruments of it that are on the floor, held or not */
  readonly piecesOf: ReadonlyMap<string, number>;
  private readonly units: readonly { live: LiveBatch; unit: Unit }[];

  constructor(
    private readonly factory: Factory,
    batches: readonly LiveBatch[],
    readonly nowMs: number,
    chances: Chances,
  ) {
    const compiler = new Compiler(factory);
    this.held = batches.flatMap(({ batch }) => (batch.status === 'held' ? [batch] : []));
    const piecesOf = new Map<string, number>();
    for (const { batch } of batches)
      if (batch.orderId !== null && isWhole(batch) && batch.status !== 'done')
        piecesOf.set(batch.orderId, (piecesOf.get(batch.orderId) ?? 0) + batch.quantity);
    this.piecesOf = piecesOf;
    this.units = batches
      .filter(({ batch }) => batch.status !== 'held' && batch.status !== 'done' && batch.quantity > 0)
      .sort((a, b) => a.batch.arrivedMs - b.batch.arrivedMs)
      .map((live) => ({ live, unit: this.unitOf(compiler, live) }));
    this.model = {
      steps: compiler.steps,
      stations: compiler.stations,
      people: compiler.people(nowMs),
      time: factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS }),
      chances,
      policy: EARLIEST_DUE,
    };
  }

  /** A run that begins with what there is now. */
  run(random: Random, onlooker?: Onlooker): FloorRun {
    const run = new FloorRun(this.model, random, this.nowMs, onlooker);
    for (const { live, unit } of this.units) this.place(run, live, { ...unit, rounds: unit.rounds && new Map(unit.rounds) });
    return run;
  }

  private unitOf(compiler: Compiler, { batch, again }: LiveBatch): Unit {
    const route = this.factory.routeOf(batch);
    const rounds = Object.entries(batch.rounds).flatMap(([last, done]): [number, number][] => {
      const repeat = route.operations.find((o) => o.id === last)?.repeat;
      if (!repeat || done === 0) return [];
      const all = repeat.kind === 'count' ? repeat.times : repeat.expected;
      return [[compiler.step(route, last), Math.max(1, Math.round(all) - done)]];
    });
    return newUnit({
      step: compiler.step(route, batch.operationId),
      pieces: batch.quantity,
      component: batch.component,
      group: batch.modelId,
      orderId: batch.orderId,
      dueMs: batch.dueMs ?? Infinity,
      again,
      rounds: rounds.length === 0 ? null : new Map(rounds),
    });
  }

  private place(run: FloorRun, { batch, workedMs, personId, opensMs }: LiveBatch, unit: Unit): void {
    const step = this.model.steps[unit.step];
    switch (batch.status) {
      case 'running':
        unit.leftMs = this.left(batch, unit, workedMs);
        return run.atWork(unit, indexOf(this.model.people ?? [], personId));
      case 'paused':
        unit.leftMs = this.left(batch, unit, workedMs);
        return run.enter(unit);
      case 'finished':
      case 'dwelling':
        return run.mayLeave(unit, opensMs ?? (batch.status === 'dwelling' ? batch.arrivedMs : batch.sinceMs) + (step?.waitMs ?? 0));
      case 'away':
        return run.mayLeave(unit, batch.dueBackMs ?? this.nowMs + (step?.waitMs ?? 0));
      case 'stocked':
        return run.mayLeave(unit, this.nowMs);
      default:
        return run.enter(unit);
    }
  }

  private left(batch: Batch, unit: Unit, workedMs: number): number {
    const planned = touchMinutes(this.factory.operationAt(batch), unit.again ?? unit.pieces, batch.stationCode) * MINUTE_MS;
    return Math.max(planned * LEAST_LEFT, planned - workedMs);
  }
}

/** Whether pieces become an instrument each, or are one. */
export const isWhole = ({ component }: Pick<Batch, 'component'>): boolean => component === 'body' || component === 'instrument';

function indexOf(people: readonly ModelPerson[], personId: string | null): number | null {
  const index = people.findIndex((p) => p.id === personId);
  return index < 0 ? null : index;
}
