import type { Random } from '../maths/index.ts';
import { formatSerial, proposePairs, sequencePeriod } from '../fitting/index.ts';
import { dryFilmUm } from '../finishing/index.ts';
import { DEFECTS } from '../quality/index.ts';
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
  type PieceOutcome,
  type Stage,
} from '../routing/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import type { EventQueue } from './eventQueue.ts';
import type { Recorder } from './recorder.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';

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

const FIRST_DEFECT: Partial<Record<Stage, readonly (typeof DEFECTS)[number][]>> = {
  roughMill: ['knot or pitch', 'crack', 'glue line open'],
  machining: ['tear-out', 'off dimension', 'crack'],
  necks: ['fret high', 'twist', 'back bow', 'glue line open'],
  bodies: ['binding gap', 'sand-through', 'glue line open'],
  fitting: ['off dimension', 'dent'],
  finishing: ['run', 'dust in film', 'orange peel', 'sand-through', 'blush'],
  assembly: ['electrics fault', 'rattle', 'dent'],
};

/** Batches moving through stations, worked on by people in working time. */
export class Floor {
  private readonly jobs = new Map<string, Job>();
  private readonly queues = new Map<string, string[]>();
  private readonly busy = new Set<string>();
  private readonly running = new Map<string, number>();
  private readonly serials = new Map<string, number>();
  private batchNumber = 0;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly events: Pick<EventQueue<FloorEvent>, 'add'>,
    private readonly random: Random,
  ) {}

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
        if (batch.status === 'queued') this.fit(batch, atMs);
        return;
      case 'ship':
        return this.ship(batch, atMs);
    }
  }

  /** Pieces at the bench whose set has been fitted without them. */
  leftovers(modelId: string, component: Component): number {
    return this.recorder.state
      .all('batch')
      .filter(
        (b) =>
          b.modelId === modelId &&
          b.component === component &&
          b.status === 'queued' &&
          this.operation(b).kind === 'fit' &&
          !this.counterpartOnItsWay(b),
      )
      .reduce((sum, b) => sum + b.quantity, 0);
  }

  /** Whether the other half of a set has still to come to the bench. */
  private counterpartOnItsWay(batch: Batch): boolean {
    return this.recorder.state
      .all('batch')
      .some(
        (b) =>
          b.orderId === batch.orderId &&
          b.component !== 'instrument' &&
          b.component !== batch.component &&
          b.status !== 'done' &&
          b.operationId !== batch.operationId,
      );
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
    const plannedMs = (operation.setupMinutes + operation.minutesPerPiece * pieces) * MINUTE_MS;
    this.jobs.set(batch.id, {
      workerId,
      remainingMs: Math.max(5 * MINUTE_MS, Math.round((plannedMs * Math.exp(this.random.normal(0, 0.18))) / MINUTE_MS) * MINUTE_MS),
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
    if (batch.pass === 1) this.logCoats(batch, operation, job, atMs);
    const pieces = piecesInPass(batch, this.recorder.state.pieces(batch.id));
    const outBand = this.measure(
      batch,
      operation,
      pieces.map((p) => p.id),
      job.workerId,
      atMs,
    );
    const outcomes: PieceOutcome[] = [];
    for (const piece of pieces) {
      const chance = this.random.next();
      const outcome =
        chance < this.scenario.scrapShare
          ? 'scrap'
          : batch.pass < 3 && (outBand.has(piece.id) || chance < this.scenario.scrapShare + this.scenario.reworkShare)
            ? 'rework'
            : null;
      if (outcome === null) continue;
      const defect =
        outBand.has(piece.id) && outcome === 'rework' ? 'off dimension' : this.random.pick(FIRST_DEFECT[operation.stage] ?? DEFECTS);
      outcomes.push({ pieceId: piece.id, outcome, defect, originOperationId: operation.id, note: '' });
    }
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

  private logCoats(batch: Batch, operation: Operation, job: Job, atMs: number): void {
    const { coat } = operation;
    if (!coat) return;
    for (let i = 1; i <= coat.coats; i++) {
      const wetUm = Math.round(this.random.normal(coat.wetUm, coat.wetUm * 0.05));
      this.recorder.record(
        'coat.logged',
        job.runFromMs + ((atMs - job.runFromMs) * i) / (coat.coats + 1),
        job.workerId,
        { batchId: batch.id },
        {
          coatId: `${batch.visitId}/${i}`,
          operationId: operation.id,
          materialId: coat.materialId,
          wetUm,
          dryUm: Math.round(dryFilmUm(wetUm, coat.volumeSolids) * 10) / 10,
          flashMinutes: coat.flashMinutes,
          override: null,
        },
      );
    }
  }

  /** Measures every piece of the pass. @returns those out of band */
  private measure(batch: Batch, operation: Operation, pieceIds: readonly string[], workerId: string, atMs: number): Set<string> {
    const out = new Set<string>();
    const { characteristics } = operation;
    if (!characteristics || pieceIds.length === 0) return out;
    const measures = pieceIds.flatMap((pieceId) =>
      characteristics.map((c) => {
        const value = Math.round(this.random.normal(c.target, (c.high - c.low) / (batch.pass === 1 ? 6.4 : 10)) * 1000) / 1000;
        if (value < c.low || value > c.high) out.add(pieceId);
        return {
          id: `${batch.visitId}/${pieceId}/${c.id}`,
          pieceId,
          characteristicId: c.id,
          value,
          low: c.low,
          high: c.high,
        };
      }),
    );
    this.recorder.record('measures.taken', atMs, workerId, { batchId: batch.id }, { operationId: operation.id, measures });
    return out;
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

  /** Fits what waits at the bench: the batch's own set first, then leftovers of the model. */
  private fit(arrivedBatch: Batch, atMs: number): void {
    const model = this.model(arrivedBatch.modelId);
    // A set is fitted whole: what came first waits for its counterpart.
    if (this.counterpartOnItsWay(arrivedBatch)) return;
    const waiting = (component: 'body' | 'neck') =>
      this.recorder.state
        .all('batch')
        .filter(
          (b) => b.modelId === model.id && b.component === component && b.status === 'queued' && b.operationId === arrivedBatch.operationId,
        )
        .sort((a, b) => Number(b.orderId === arrivedBatch.orderId) - Number(a.orderId === arrivedBatch.orderId) || a.number - b.number);
    for (const body of waiting('body')) {
      if (model.wood.neck === null) {
        this.fitPair(model, body, null, atMs);
        continue;
      }
      for (const neck of waiting('neck')) {
        if (this.batch(body.id).status !== 'queued') break;
        this.fitPair(model, body, neck, atMs);
      }
    }
  }

  private fitPair(model: ScenarioModel, body: Batch, neck: Batch | null, atMs: number): void {
    const bodies = livePieces(this.recorder.state.pieces(body.id));
    const pairs = neck
      ? proposePairs(
          bodies.map((p) => ({ pieceId: p.id, widthMm: this.width(p.id, 'pocketWidth') })),
          livePieces(this.recorder.state.pieces(neck.id)).map((p) => ({
            pieceId: p.id,
            widthMm: this.width(p.id, 'tenonWidth'),
          })),
          model.clearance,
        )
      : bodies.map((p) => ({ bodyId: p.id, neckId: null, clearanceMm: null }));
    if (pairs.length === 0) return;
    const fitter =
      this.freeWorker('neck fitting', atMs) ?? this.random.pick(this.scenario.people.filter((p) => p.skills.includes('neck fitting'))).id;
    const number = this.nextBatchNumber();
    const { serialPattern, timeZone } = this.scenario;
    const period = sequencePeriod(atMs, timeZone, serialPattern.reset);
    this.recorder.record(
      'instruments.fitted',
      atMs,
      fitter,
      { batchId: `B${number}` },
      {
        number,
        bodyBatchId: body.id,
        neckBatchId: neck?.id ?? null,
        carrier: body.carrier,
        pairs: pairs.map((pair) => {
          const sequence = (this.serials.get(period) ?? 0) + 1;
          this.serials.set(period, sequence);
          return {
            ...pair,
            serial: formatSerial(serialPattern, { atMs, timeZone, modelCode: model.code, sequence }),
          };
        }),
      },
    );
    this.arrived(`B${number}`, atMs);
  }

  private width(pieceId: string, characteristicId: string): number | null {
    const batchId = this.recorder.state.get('piece', pieceId).batchId;
    const operation = this.scenario.routes
      .get(this.batch(batchId).routeId)
      ?.operations.find((o) => o.characteristics?.some((c) => c.id === characteristicId));
    if (!operation) return null;
    for (let pass = 3; pass >= 1; pass--) {
      const measure = this.recorder.state.find('measure', `${batchId}/${operation.id}/${pass}/${pieceId}/${characteristicId}`);
      if (measure) return measure.value;
    }
    return null;
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

  private model(id: string): ScenarioModel {
    const model = this.scenario.models.find((m) => m.id === id);
    if (!model) throw new Error(`No model ${id}`);
    return model;
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
