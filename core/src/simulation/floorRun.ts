import type { Random } from '../maths/index.ts';
import { afterWorking } from '../planning/index.ts';
import { howMany, type Chance } from './chance.ts';
import { Engine } from './engine.ts';
import { Line } from './line.ts';
import { Meeting } from './meeting.ts';
import type { FloorModel, ModelStep, Unit } from './model.ts';

/** What comes again and again. */
export interface Source {
  /** from one to the next */
  betweenMs: Chance;
  unit: (atMs: number) => Unit;
}

/** Who looks on as a run goes. Says nothing of what it does not tell: without one a run is the cheaper for it. */
export interface Onlooker {
  /** Work is begun on a unit that had waited so long. */
  began?(unit: Unit, station: number, waitedMs: number, atMs: number): void;
  /** Work that took so long is over. */
  ended?(unit: Unit, station: number, workMs: number, atMs: number): void;
  /** Pieces of a unit are scrapped. */
  lost?(unit: Unit, pieces: number, atMs: number): void;
  /** A unit has gone all its way. */
  left?(unit: Unit, atMs: number): void;
}

type Happening =
  | { kind: 'source'; source: Source }
  | { kind: 'come'; unit: Unit }
  | { kind: 'done'; unit: Unit; station: number; workMs: number; person: number }
  | { kind: 'may leave'; unit: Unit }
  | { kind: 'work opens' };

const NOBODY = -1;

/** One run of a model, from any state, as far as asked. It writes no logbook; whoever wants to know looks on. */
export class FloorRun {
  private readonly engine: Engine<Happening>;
  private readonly lines: Line<Unit>[];
  private readonly busy: number[];
  private readonly isFree: boolean[];
  private readonly meeting = new Meeting();

  constructor(
    private readonly model: FloorModel,
    private readonly random: Random,
    fromMs: number,
    private readonly onlooker: Onlooker = {},
  ) {
    this.engine = new Engine(fromMs);
    this.lines = model.stations.map(() => new Line(model.policy));
    this.busy = model.stations.map(() => 0);
    this.isFree = (model.people ?? []).map(() => true);
    for (const { fromMs: opensMs } of model.time?.windows ?? []) if (opensMs > fromMs) this.engine.plan(opensMs, { kind: 'work opens' });
  }

  /** How many events have happened. */
  get happened(): number {
    return this.engine.happened;
  }

  /** A unit comes to its step at a time to come, or now. */
  enter(unit: Unit, atMs = this.engine.nowMs): void {
    this.engine.plan(atMs, { kind: 'come', unit });
  }

  /** A unit whose work is over, or whose wait has begun, may leave its step from then on. */
  mayLeave(unit: Unit, atMs: number): void {
    this.engine.plan(Math.max(atMs, this.engine.nowMs), { kind: 'may leave', unit });
  }

  /** A unit is being worked on already, by somebody where people count. */
  atWork(unit: Unit, person: number | null): void {
    const { station } = this.stepOf(unit);
    if (station === null) return this.enter(unit);
    const free = person !== null && this.isFree[person] === true;
    if (free) this.isFree[person] = false;
    this.begin(unit, station, free ? person : NOBODY, this.engine.nowMs);
  }

  /** Units come from a source from now on. */
  feed(source: Source): void {
    this.engine.plan(this.engine.nowMs + source.betweenMs(this.random), { kind: 'source', source });
  }

  run(untilMs: number): void {
    this.engine.run(untilMs, (happening, atMs) => this.happen(happening, atMs));
  }

  private happen(happening: Happening, atMs: number): void {
    switch (happening.kind) {
      case 'source':
        this.come(happening.source.unit(atMs), atMs);
        return this.feed(happening.source);
      case 'come':
        return this.come(happening.unit, atMs);
      case 'done':
        return this.done(happening, atMs);
      case 'may leave':
        return this.goOn(happening.unit, atMs);
      case 'work opens':
        return this.beginAll(atMs);
    }
  }

  private stepOf({ step }: Unit): ModelStep {
    const known = this.model.steps[step];
    if (!known) throw new RangeError(`The model has no step ${step}`);
    return known;
  }

  private come(unit: Unit, atMs: number): void {
    unit.cameMs = atMs;
    const step = this.stepOf(unit);
    if (step.meets.length === 0) return this.take(unit, step, atMs);
    for (const met of this.meeting.come(step, unit)) this.take(met, step, atMs);
  }

  private take(unit: Unit, { station, waitMs }: ModelStep, atMs: number): void {
    if (station === null) return this.leaveLater(unit, atMs + waitMs);
    this.lines[station]?.add(unit);
    this.beginAt(station, atMs);
  }

  /** Somebody takes it on when the house is at work. */
  private leaveLater(unit: Unit, atMs: number): void {
    this.engine.plan(this.model.time?.nextWorking(atMs) ?? atMs, { kind: 'may leave', unit });
  }

  private beginAll(atMs: number): void {
    // The end of the line first, so that it pulls.
    for (let station = this.lines.length - 1; station >= 0; station--) this.beginAt(station, atMs);
  }

  /** Begins what can be begun at a station: while there is a place, and somebody free who can. */
  private beginAt(station: number, atMs: number): void {
    const line = this.lines[station];
    const places = this.model.stations[station]?.places ?? 0;
    if (!line || line.length === 0 || this.model.time?.isWorking(atMs) === false) return;
    while ((this.busy[station] ?? 0) < places) {
      let person = NOBODY;
      const unit = line.take((waiting) => {
        if (this.model.people === null) return true;
        person = this.somebodyFor(this.stepOf(waiting), atMs);
        return person !== NOBODY;
      });
      if (!unit) return;
      if (person !== NOBODY) this.isFree[person] = false;
      this.begin(unit, station, person, atMs);
    }
  }

  /** A free person who is there and can, those who can little else first: people stand in that order. */
  private somebodyFor({ skill, level }: ModelStep, atMs: number): number {
    return (this.model.people ?? []).findIndex(
      ({ levels, away }, person) =>
        this.isFree[person] === true &&
        (skill === null || (levels[skill] ?? 0) >= level) &&
        !away.some((a) => a.fromMs <= atMs && a.toMs > atMs),
    );
  }

  private begin(unit: Unit, station: number, person: number, atMs: number): void {
    this.busy[station] = (this.busy[station] ?? 0) + 1;
    const workMs = unit.leftMs ?? this.workOn(unit);
    unit.leftMs = null;
    this.onlooker.began?.(unit, station, atMs - unit.cameMs, atMs);
    const doneMs = this.model.time ? afterWorking(this.model.time, atMs, workMs) : atMs + workMs;
    this.engine.plan(doneMs, { kind: 'done', unit, station, workMs, person });
  }

  private workOn(unit: Unit): number {
    const { setupMs, pieceMs, leastMs } = this.stepOf(unit);
    return Math.max(leastMs, (setupMs + pieceMs * (unit.again ?? unit.pieces)) * this.model.chances.touch(this.random));
  }

  private done({ unit, station, workMs, person }: Extract<Happening, { kind: 'done' }>, atMs: number): void {
    this.busy[station] = (this.busy[station] ?? 1) - 1;
    if (person !== NOBODY) this.isFree[person] = true;
    this.onlooker.ended?.(unit, station, workMs, atMs);
    this.judge(unit, atMs);
    if (person === NOBODY) this.beginAt(station, atMs);
    else this.beginAll(atMs);
  }

  /** What came out: some of it lost, some to be done again, the rest good. */
  private judge(unit: Unit, atMs: number): void {
    const { rework, scrap } = this.model.chances;
    const step = this.stepOf(unit);
    const worked = unit.again ?? unit.pieces;
    const lost = howMany(worked, scrap, this.random);
    const again = howMany(worked - lost, rework, this.random);
    unit.pieces -= lost;
    unit.again = null;
    if (lost > 0) this.onlooker.lost?.(unit, lost, atMs);
    if (unit.pieces === 0) return;
    if (again === 0) return this.rest(unit, step, atMs);
    if (!step.reworkAlone || again === unit.pieces) {
      unit.again = again;
      return this.take(Object.assign(unit, { cameMs: atMs }), step, atMs);
    }
    this.take({ ...unit, pieces: again, again: null, cameMs: atMs, rounds: unit.rounds && new Map(unit.rounds) }, step, atMs);
    unit.pieces -= again;
    this.rest(unit, step, atMs);
  }

  /** What is good rests as long as its step asks for, and goes on. */
  private rest(unit: Unit, { waitMs }: ModelStep, atMs: number): void {
    if (waitMs > 0) this.leaveLater(unit, atMs + waitMs);
    else this.goOn(unit, atMs);
  }

  private goOn(unit: Unit, atMs: number): void {
    const { loop, next } = this.stepOf(unit);
    if (loop !== null && this.goesRound(unit, loop)) {
      unit.step = loop.backTo;
      return this.come(unit, atMs);
    }
    const [only, ...others] = next;
    if (!only) return this.onlooker.left?.(unit, atMs);
    for (const { step, as } of others) this.come({ ...unit, step, component: as, rounds: null }, atMs);
    unit.step = only.step;
    unit.component = only.as;
    this.come(unit, atMs);
  }

  private goesRound(unit: Unit, { rounds }: NonNullable<ModelStep['loop']>): boolean {
    unit.rounds ??= new Map();
    const left = (unit.rounds.get(unit.step) ?? rounds(this.random)) - 1;
    if (left > 0) unit.rounds.set(unit.step, left);
    else unit.rounds.delete(unit.step);
    return left > 0;
  }
}
