import {
  allot,
  type Batch,
  type BatchCommand,
  type Component,
  DAY_MS,
  type Engine,
  HOUR_MS,
  MINUTE_MS,
  Order,
  OWN_WAY,
  piecesIn,
  piecesInPass,
  type Placement,
  type Random,
  type Recorder,
  ShipInstrument,
  takenOn,
  type Way,
} from '@ample-crane/core';
import { Crew } from './crew.ts';
import { Departures } from './departures.ts';
import type { FloorEvent } from './floorEvent.ts';
import { FittingBench } from './fittingBench.ts';
import { Inspection } from './inspection.ts';
import { Joinery } from './joinery.ts';
import { Machines } from './machines.ts';
import type { Mover } from './mover.ts';
import { notesOn, sheetOf } from './notes.ts';
import { PressingHabits } from './pressing.ts';
import { Queues } from './queues.ts';
import type { Scenario } from './scenario.ts';

const AT_A_BENCH: ReadonlySet<FloorEvent['kind']> = new Set(['fit', 'join', 'part', 'refit']);

interface Beginning {
  batch: Batch;
  command: BatchCommand;
  way: Way;
  workerId: string;
}

interface Job {
  workerId: string;
  way: Way;
  remainingMs: number;
  runFromMs: number;
}

/** Batches moving through stations, worked on by people in working time. */
export class Floor {
  private readonly jobs = new Map<string, Job>();
  private readonly queues: Queues;
  private readonly departures: Departures;
  private readonly crew: Crew;
  private readonly running = new Map<string, number>();
  private readonly inspection: Inspection;
  private readonly bench: FittingBench;
  private readonly joinery: Joinery;
  private readonly pressing: PressingHabits;
  readonly machines: Machines;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    private readonly events: Pick<Engine<FloorEvent>, 'plan'>,
    private readonly random: Random,
  ) {
    this.inspection = new Inspection(scenario, recorder, mover, random);
    this.crew = new Crew(scenario, random);
    this.machines = new Machines(scenario, recorder, mover, random);
    this.bench = new FittingBench(scenario, recorder, mover, (atMs) => this.crew.anyone('neck fitting', atMs));
    this.queues = new Queues(mover);
    this.departures = new Departures(scenario, mover, this.crew, events, random);
    this.pressing = new PressingHabits(scenario, recorder, mover, this.crew, events, random.fork('pressing'));
    this.joinery = new Joinery(recorder, mover, (skill, atMs) => this.crew.anyone(skill, atMs));
  }

  /** Pieces at the bench whose set has been fitted without them. */
  leftovers(modelId: string, component: Component): number {
    return this.bench.leftovers(modelId, component);
  }

  /** A batch has come to a step: queue it, let it dwell, fit it or ship it. */
  arrived(batchId: string, atMs: number): void {
    const batch = this.mover.batch(batchId);
    if (batch.status === 'done') return;
    const operation = this.mover.operation(batch);
    switch (operation.kind) {
      case 'work':
        return this.queues.join(batch);
      case 'dwell':
        return operation.rig ? this.pressing.press(batch, atMs) : this.departures.plan(batch, atMs);
      case 'buffer':
        // Bodies that wait for necks may be fitted now.
        for (const next of operation.next)
          for (const waiting of this.mover.queuedAt(next, batch.modelId)) this.soon('fit', waiting.id, atMs, 240);
        return;
      case 'dispatch':
        return this.soon('ship', batchId, atMs, 480);
      case 'outside':
      case 'transfer':
        return this.soon('send', batchId, atMs, 300);
      default:
        return this.soon(operation.kind, batchId, atMs, operation.kind === 'fit' ? 540 : 240);
    }
  }

  /** In an hour or a few. */
  private soon(kind: 'fit' | 'join' | 'part' | 'refit' | 'ship' | 'send', batchId: string, atMs: number, maxMinutes: number): void {
    this.events.plan(this.scenario.time.nextWorking(atMs + this.random.integer(60, maxMinutes) * MINUTE_MS), { kind, batchId });
  }

  handle(event: FloorEvent, atMs: number): void {
    const batch = this.mover.batch(event.batchId);
    if (AT_A_BENCH.has(event.kind) && batch.status !== 'queued') return;
    switch (event.kind) {
      case 'shift ends':
        this.mover.carryOut(batch, { command: 'pause work', cause: 'shift end' }, atMs, this.job(batch.id).workerId);
        this.events.plan(this.scenario.time.nextWorking(atMs + 1), {
          kind: 'shift begins',
          batchId: batch.id,
        });
        return;
      case 'shift begins':
        return this.resume(batch, atMs);
      case 'work done':
        return this.finish(batch, atMs);
      case 'try to move':
        if ((batch.status === 'dwelling' || batch.status === 'finished') && this.departures.attempt(batch, atMs))
          this.arrived(batch.id, atMs);
        return;
      case 'press':
        return batch.status === 'dwelling' ? this.pressing.press(batch, atMs) : undefined;
      case 'unload':
        return this.pressing.unload(batch, atMs) ? this.arrived(batch.id, atMs) : undefined;
      case 'fit':
        return this.gone(batch, this.bench.fit(batch, atMs), atMs);
      case 'join':
        return this.gone(batch, this.joinery.join(batch, atMs), atMs);
      case 'part':
        return this.gone(batch, this.joinery.part(batch, atMs), atMs);
      case 'refit':
        return this.gone(batch, this.joinery.refit(batch, atMs), atMs);
      case 'ship':
        return this.ship(batch, atMs);
      case 'send':
        return this.send(batch, atMs);
      case 'come back': {
        const good = this.mover.live(batch.id).length;
        const by = this.crew.anyone(undefined, atMs);
        this.mover.carryOut(batch, { command: 'receive batch', good, rework: 0, scrap: 0, outcomes: [] }, atMs, by);
        return this.finished(batch.id, atMs);
      }
    }
  }

  /** Whoever began goes on, or somebody else who can where they are away. */
  private resume(batch: Batch, atMs: number): void {
    const job = this.job(batch.id);
    if (this.crew.isAway(job.workerId, atMs)) {
      const other = this.crew.free(job.way.skill, atMs, job.way.skillLevel);
      if (!other) {
        this.events.plan(this.scenario.time.nextWorking(atMs + DAY_MS), { kind: 'shift begins', batchId: batch.id });
        return;
      }
      this.crew.ends(job.workerId);
      this.crew.begins(other);
      job.workerId = other;
    }
    this.mover.carryOut(batch, { command: 'resume work', personId: job.workerId }, atMs, job.workerId);
    this.planRun(batch.id, atMs);
  }

  /** Starts whatever a free bench and a free, able person can start; the end of the line first, so that it pulls. */
  startWork(atMs: number): void {
    if (!this.scenario.time.isWorking(atMs)) return;
    for (const station of [...this.scenario.stations].reverse())
      while ((this.running.get(station.code) ?? 0) < benchesAt(station.benches, atMs)) {
        const next = this.firstThatCanStart(station.code, atMs);
        if (!next) break;
        this.start(next, atMs);
      }
  }

  /** The first batch with a free, able person and, where it asks for places, room. */
  private firstThatCanStart(stationCode: string, atMs: number): Beginning | undefined {
    for (const { batchId, way } of this.queues.at(stationCode)) {
      const workerId = this.crew.free(way.skill, atMs, way.skillLevel);
      if (!workerId || !this.takeOver(batchId, workerId, atMs)) continue;
      const batch = this.mover.batch(batchId);
      const settings = this.mover.operation(batch).settings ?? [];
      const check = this.machines.check(batch, way);
      const command: BatchCommand = {
        command: 'start work',
        personId: workerId,
        ...(check ? { check } : {}),
        ...(way.id === OWN_WAY ? {} : { wayId: way.id }),
        ...(settings.length > 0 ? { settings: notesOn(settings, batch) } : {}),
      };
      if (this.mover.judge(batch, command, atMs).kind === 'accept') return { batch, command, way, workerId };
    }
    return undefined;
  }

  /** Whoever takes a batch over looks at the step before; now and then a piece goes back. @returns whether any stays */
  private takeOver(batchId: string, workerId: string, atMs: number): boolean {
    const batch = this.mover.batch(batchId);
    if (!this.mover.operation(batch).handOver || batch.accepted || batch.redo) return true;
    const back = this.random.chance(this.scenario.refusedShare) ? this.inspection.refusal(batch, this.mover.live(batchId)) : undefined;
    const sent = back && this.mover.attempt(batch, { command: 'refuse work', pieces: [back] }, atMs, workerId);
    for (const id of sent ?? []) this.arrived(id, atMs);
    // A single piece goes back as it is.
    if (this.mover.batch(batchId).operationId !== batch.operationId) {
      this.queues.leave(batch);
      this.arrived(batchId, atMs);
      return false;
    }
    this.mover.carryOut(this.mover.batch(batchId), { command: 'accept batch' }, atMs, workerId);
    return true;
  }

  /** Where a batch begins: on a rack with room, if there is one; one of its own where one is empty. */
  rackFor(quantity: number): Placement[] {
    const racks = this.scenario.carriers
      .filter((c) => c.kind === 'rack')
      .map((carrier) => ({ carrier, taken: takenOn(this.recorder.rows, carrier.id), own: 0 }));
    const empty = racks.filter((r) => r.taken === 0);
    return allot(quantity, empty.length > 0 ? empty : racks) ?? [];
  }

  private start({ batch, command, way, workerId }: Beginning, atMs: number): void {
    this.queues.leave(batch);
    const operation = this.mover.operation(batch);
    const minutesEach = way.minutesPerPiece * this.machines.share(batch);
    const setUp = this.machines.setUpMinutes(batch, way);
    this.mover.carryOut(batch, command, atMs, workerId);
    this.crew.begins(workerId);
    this.running.set(way.stationCode, (this.running.get(way.stationCode) ?? 0) + 1);
    const pieces = piecesInPass(batch, piecesIn(this.recorder.rows, batch.id)).length;
    const flashMs = operation.coat && !batch.redo ? (operation.coat.coats + 1) * operation.coat.flashMinutes * MINUTE_MS : 0;
    const plannedMs = (setUp + minutesEach * pieces) * MINUTE_MS;
    this.jobs.set(batch.id, {
      workerId,
      way,
      remainingMs: Math.max(
        5 * MINUTE_MS,
        flashMs,
        Math.round((plannedMs * Math.exp(this.random.normal(0, 0.18))) / MINUTE_MS) * MINUTE_MS,
      ),
      runFromMs: atMs,
    });
    this.planRun(batch.id, atMs);
  }

  private planRun(batchId: string, atMs: number): void {
    const job = this.job(batchId);
    job.runFromMs = atMs;
    const shiftEndMs = this.scenario.time.windowOf(atMs)?.toMs ?? atMs;
    if (atMs + job.remainingMs <= shiftEndMs) this.events.plan(atMs + job.remainingMs, { kind: 'work done', batchId });
    else {
      job.remainingMs -= shiftEndMs - atMs;
      this.events.plan(shiftEndMs, { kind: 'shift ends', batchId });
    }
  }

  private finish(batch: Batch, atMs: number): void {
    const job = this.job(batch.id);
    const operation = this.mover.operation(batch);
    this.inspection.logCoats(batch, operation, job.workerId, atMs);
    const pieces = piecesInPass(batch, piecesIn(this.recorder.rows, batch.id));
    const outcomes = this.inspection.judge(batch, operation, pieces, job.workerId, atMs);
    if (this.mover.batch(batch.id).status === 'held') return this.leave(batch.id, job);
    const scrap = outcomes.filter((o) => o.outcome === 'scrap').length;
    const rework = outcomes.length - scrap;
    const good = pieces.length - scrap - rework;
    const sheet = operation.sheet && good > 0 ? { sheet: sheetOf(operation.sheet, batch) } : {};
    const back = this.mover.carryOut(batch, { command: 'finish work', good, rework, scrap, outcomes, ...sheet }, atMs, job.workerId);
    this.leave(batch.id, job);
    this.machines.keepSharp(job.way.stationCode, job.workerId, atMs);
    this.finished(batch.id, atMs);
    for (const id of back) this.arrived(id, atMs);
  }

  /** Whoever worked on a batch, and their bench, are free. */
  private leave(batchId: string, { workerId, way }: Job): void {
    this.jobs.delete(batchId);
    this.crew.ends(workerId);
    this.running.set(way.stationCode, (this.running.get(way.stationCode) ?? 1) - 1);
  }

  /** What is done either waits for its gate or has gone on. */
  private finished(batchId: string, atMs: number): void {
    const after = this.mover.batch(batchId);
    if (after.status === 'finished') this.departures.plan(after, atMs);
    else this.arrived(after.id, atMs);
  }

  /** Sends a batch out; it comes back about when it is due. */
  private send(batch: Batch, atMs: number): void {
    const operation = this.mover.operation(batch);
    const dueBackMs = atMs + (operation.awayDays ?? 1) * DAY_MS;
    const to = operation.kind === 'transfer' ? 'The other building' : this.random.pick(this.scenario.houses);
    this.mover.carryOut(batch, { command: 'send batch', to, dueBackMs }, atMs, this.crew.anyone(undefined, atMs));
    const late = this.random.integer(-4, 20) * HOUR_MS;
    this.events.plan(this.scenario.time.nextWorking(dueBackMs + late), { kind: 'come back', batchId: batch.id });
  }

  /** What a bench has made or sent on arrives where it goes next. */
  private gone(batch: Batch, ids: readonly string[], atMs: number): void {
    for (const id of ids) this.arrived(id, atMs);
    // Too early: what belongs to it has not come yet, and tells when it does.
    if (ids.length === 0 && this.mover.batch(batch.id).status === 'queued' && this.mover.operation(batch).kind === 'join')
      this.soon('join', batch.id, atMs + HOUR_MS * 20, 240);
  }

  private ship(batch: Batch, atMs: number): void {
    const consignee = batch.orderId === null ? 'Stock' : this.recorder.rows.get(Order, batch.orderId).customer;
    const packer = this.crew.anyone('packing', atMs);
    for (const piece of this.mover.live(batch.id))
      this.mover.give(ShipInstrument, { serial: piece.id, consignee, shipper: 'Own van' }, atMs, packer);
  }

  private job(batchId: string): Job {
    const job = this.jobs.get(batchId);
    if (!job) throw new Error(`Nobody works on ${batchId}`);
    return job;
  }
}

function benchesAt(benches: readonly { fromMs: number; count: number }[], atMs: number): number {
  return benches.reduce((count, b) => (b.fromMs <= atMs ? b.count : count), benches[0]?.count ?? 0);
}
