import type { Random } from '../maths/index.ts';
import {
  decide,
  earliestMs,
  gateFindings,
  livePieces,
  operationOf,
  piecesInPass,
  worst,
  type Batch,
  type BatchCommand,
  type Component,
  type DecisionContext,
  type Evidence,
  type Operation,
} from '../routing/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import type { EventQueue } from './eventQueue.ts';
import { FittingBench } from './fittingBench.ts';
import { touchMinutes } from './forecast.ts';
import { Inspection } from './inspection.ts';
import type { Recorder } from './recorder.ts';
import type { Scenario } from './scenario.ts';

export type FloorEvent =
  | { kind: 'shift ends'; batchId: string }
  | { kind: 'shift begins'; batchId: string }
  | { kind: 'work done'; batchId: string }
  | { kind: 'try to move'; batchId: string }
  | { kind: 'fit'; batchId: string }
  | { kind: 'ship'; batchId: string };

interface Job {
  workerId: string;
  remainingMs: number;
  runFromMs: number;
}

/** Batches moving through stations, worked on by people in working time. */
export class Floor {
  private readonly jobs = new Map<string, Job>();
  private readonly queues = new Map<string, string[]>();
  private readonly busy = new Set<string>();
  private readonly running = new Map<string, number>();
  private readonly inspection: Inspection;
  private readonly bench: FittingBench;
  private batchNumber = 0;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly events: Pick<EventQueue<FloorEvent>, 'add'>,
    private readonly random: Random,
  ) {
    this.inspection = new Inspection(scenario, recorder, random);
    this.bench = new FittingBench(scenario, recorder, {
      nextBatchNumber: () => this.nextBatchNumber(),
      fitter: (atMs) =>
        this.freeWorker('neck fitting', atMs) ?? random.pick(scenario.people.filter((p) => p.skills.includes('neck fitting'))).id,
    });
  }

  /** Pieces at the bench whose set has been fitted without them. */
  leftovers(modelId: string, component: Component): number {
    return this.bench.leftovers(modelId, component);
  }

  nextBatchNumber(): number {
    return ++this.batchNumber;
  }

  /** A batch has come to a step: queue it, let it dwell, fit it or ship it. */
  arrived(batchId: string, atMs: number): void {
    const batch = this.batch(batchId);
    if (batch.status === 'done') return;
    const operation = this.operation(batch);
    switch (operation.kind) {
      case 'work': {
        const queue = this.queues.get(batch.stationCode) ?? [];
        queue.push(batchId);
        this.queues.set(batch.stationCode, queue);
        return;
      }
      case 'dwell':
        this.planMove(batch, atMs);
        return;
      case 'fit':
        this.events.add(this.scenario.time.nextWorking(atMs + this.random.integer(60, 540) * MINUTE_MS), {
          kind: 'fit',
          batchId,
        });
        return;
      case 'dispatch':
        this.events.add(this.scenario.time.nextWorking(atMs + this.random.integer(60, 480) * MINUTE_MS), {
          kind: 'ship',
          batchId,
        });
        return;
    }
  }

  handle(event: FloorEvent, atMs: number): void {
    const batch = this.batch(event.batchId);
    switch (event.kind) {
      case 'shift ends':
        this.command(batch, { kind: 'pause', cause: 'shift end' }, atMs);
        this.events.add(this.scenario.time.nextWorking(atMs + 1), {
          kind: 'shift begins',
          batchId: batch.id,
        });
        return;
      case 'shift begins': {
        const job = this.job(batch.id);
        if (this.isAway(job.workerId, atMs)) {
          this.events.add(this.scenario.time.nextWorking(atMs + DAY_MS), {
            kind: 'shift begins',
            batchId: batch.id,
          });
          return;
        }
        this.command(batch, { kind: 'resume', personId: job.workerId }, atMs);
        this.planRun(batch.id, atMs);
        return;
      }
      case 'work done':
        return this.finish(batch, atMs);
      case 'try to move':
        if (batch.status === 'dwelling' || batch.status === 'finished') this.tryMove(batch, atMs);
        return;
      case 'fit':
        if (batch.status === 'queued') for (const id of this.bench.fit(batch, atMs)) this.arrived(id, atMs);
        return;
      case 'ship':
        return this.ship(batch, atMs);
    }
  }

  /** Starts whatever a free bench and a free, able person can start; the end of the line first, so that it pulls. */
  startWork(atMs: number): void {
    if (!this.scenario.time.isWorking(atMs)) return;
    for (const station of [...this.scenario.stations].reverse()) {
      const queue = this.queues.get(station.code);
      while (queue && queue.length > 0 && (this.running.get(station.code) ?? 0) < benchesAt(station.benches, atMs)) {
        const best = queue.reduce((a, b) => ((this.batch(b).dueMs ?? Infinity) < (this.batch(a).dueMs ?? Infinity) ? b : a));
        const batch = this.batch(best);
        const operation = this.operation(batch);
        const worker = this.freeWorker(operation.skill, atMs);
        if (!worker) break;
        queue.splice(queue.indexOf(best), 1);
        this.start(batch, operation, worker, atMs);
      }
    }
  }

  private start(batch: Batch, operation: Operation, workerId: string, atMs: number): void {
    this.command(batch, { kind: 'start', personId: workerId }, atMs);
    this.busy.add(workerId);
    this.running.set(batch.stationCode, (this.running.get(batch.stationCode) ?? 0) + 1);
    const pieces = piecesInPass(batch, this.recorder.state.pieces(batch.id)).length;
    const flashMs = operation.coat && batch.pass === 1 ? (operation.coat.coats + 1) * operation.coat.flashMinutes * MINUTE_MS : 0;
    const plannedMs = touchMinutes(operation, pieces) * MINUTE_MS;
    this.jobs.set(batch.id, {
      workerId,
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
    if (atMs + job.remainingMs <= shiftEndMs) this.events.add(atMs + job.remainingMs, { kind: 'work done', batchId });
    else {
      job.remainingMs -= shiftEndMs - atMs;
      this.events.add(shiftEndMs, { kind: 'shift ends', batchId });
    }
  }

  private finish(batch: Batch, atMs: number): void {
    const job = this.job(batch.id);
    const operation = this.operation(batch);
    if (batch.pass === 1) this.inspection.logCoats(batch, operation, job.workerId, atMs);
    const pieces = piecesInPass(batch, this.recorder.state.pieces(batch.id));
    const outcomes = this.inspection.judge(batch, operation, pieces, job.workerId, atMs);
    const scrap = outcomes.filter((o) => o.outcome === 'scrap').length;
    const rework = outcomes.length - scrap;
    this.command(batch, { kind: 'finish', good: pieces.length - scrap - rework, rework, scrap, outcomes }, atMs);
    this.jobs.delete(batch.id);
    this.busy.delete(job.workerId);
    this.running.set(batch.stationCode, (this.running.get(batch.stationCode) ?? 1) - 1);
    const after = this.batch(batch.id);
    if (after.status === 'finished') this.planMove(after, atMs);
    else this.arrived(after.id, atMs);
  }

  private planMove(batch: Batch, atMs: number): void {
    const findings = gateFindings(batch, this.operation(batch), this.evidence(batch, atMs));
    const openMs = worst(findings) === 'wait' ? (earliestMs(findings) ?? atMs + DAY_MS) : atMs;
    const dawdleMs = this.random.integer(5, 110) * MINUTE_MS;
    this.events.add(this.scenario.time.nextWorking(Math.max(openMs, atMs) + dawdleMs), {
      kind: 'try to move',
      batchId: batch.id,
    });
  }

  private tryMove(batch: Batch, atMs: number): void {
    if (atMs >= this.scenario.movesUntilMs) return;
    const decision = decide(batch, { kind: 'move' }, this.context(batch, atMs));
    if (decision.kind === 'refuse') {
      // A forecast that came too early: look again when it now says.
      this.events.add(this.scenario.time.nextWorking(Math.max(atMs + HOUR_MS, earliestMs(decision.because) ?? atMs)), {
        kind: 'try to move',
        batchId: batch.id,
      });
      return;
    }
    const mover = this.freeWorker(undefined, atMs) ?? this.random.pick(this.scenario.people).id;
    for (const entry of decision.entries) this.recorder.record(entry.kind, atMs, mover, { batchId: batch.id }, entry.payload);
    this.arrived(batch.id, atMs);
  }

  private ship(batch: Batch, atMs: number): void {
    const consignee = batch.orderId === null ? 'Stock' : this.recorder.state.get('order', batch.orderId).customer;
    const packer = this.freeWorker('packing', atMs) ?? this.random.pick(this.scenario.people).id;
    for (const piece of livePieces(this.recorder.state.pieces(batch.id)))
      this.recorder.record('instrument.shipped', atMs, packer, { batchId: batch.id, serial: piece.id }, { consignee, shipper: 'Own van' });
  }

  private command(batch: Batch, command: BatchCommand, atMs: number): void {
    const decision = decide(batch, command, this.context(batch, atMs));
    if (decision.kind === 'refuse')
      throw new Error(`The simulation asked for ${command.kind} of ${batch.id}: ${decision.because.map((f) => f.sentence).join('; ')}`);
    const personId = this.jobs.get(batch.id)?.workerId ?? ('personId' in command ? command.personId : null);
    for (const entry of decision.entries) this.recorder.record(entry.kind, atMs, personId, { batchId: batch.id }, entry.payload);
  }

  private context(batch: Batch, atMs: number): DecisionContext {
    const coats = this.operation(batch).coat?.coats ?? 0;
    return {
      route: this.recorder.state.route(batch.routeId),
      pieces: this.recorder.state.pieces(batch.id),
      evidence: this.evidence(batch, atMs),
      holdsSkill: (personId, skill) => this.scenario.people.some((p) => p.id === personId && p.skills.includes(skill)),
      coatsLogged: Array.from({ length: coats }, (_, i) => this.recorder.state.find('coat', `${batch.visitId}/${i + 1}`)).filter(Boolean)
        .length,
    };
  }

  private evidence(batch: Batch, atMs: number): Evidence {
    const needsClimate = this.operation(batch).gate.some((r) => r.kind === 'equivalent');
    if (!needsClimate) return { nowMs: atMs };
    const zoneId = this.scenario.stations.find((s) => s.code === batch.stationCode)?.zoneId ?? this.scenario.woodRoomZoneId;
    const temperatures = [];
    for (let t = Math.ceil(batch.arrivedMs / HOUR_MS) * HOUR_MS; t <= atMs; t += HOUR_MS)
      temperatures.push({ atMs: t, tempC: this.scenario.climate(zoneId, t).tempC });
    return { nowMs: atMs, temperatures };
  }

  private freeWorker(skill: string | undefined, atMs: number): string | undefined {
    return this.scenario.people
      .filter((p) => (skill === undefined || p.skills.includes(skill)) && !this.busy.has(p.id) && !this.isAway(p.id, atMs))
      .sort((a, b) => a.skills.length - b.skills.length)[0]?.id;
  }

  private isAway(personId: string, atMs: number): boolean {
    const person = this.scenario.people.find((p) => p.id === personId);
    return person?.away.some((a) => atMs >= a.fromMs && atMs < a.toMs) ?? false;
  }

  private batch(id: string): Batch {
    return this.recorder.state.get('batch', id);
  }

  private operation(batch: Batch): Operation {
    return operationOf(this.recorder.state.route(batch.routeId), batch.operationId);
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
