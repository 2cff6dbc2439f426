import { coatsOnVisit } from '../finishing/index.ts';
import {
  Batch,
  type BatchCommand,
  type BatchEntry,
  batchIdOf,
  batchNumbersOf,
  contextOf,
  decide,
  livePieces,
  type Piece,
  piecesIn,
} from '../batches/index.ts';
import type { Decision } from '../ledger/index.ts';

import { Measure, measureEvidence } from '../quality/index.ts';
import { type Evidence, type Operation, operationOf, USUAL_LEVEL } from '../routing/index.ts';
import { HOUR_MS } from '../units/index.ts';
import type { Recorder } from './recorder.ts';
import type { Scenario } from './scenario.ts';

/** Judges commands as the application would, and writes down what was decided. */
export class Mover {
  private number = 0;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
  ) {}

  nextBatchNumber(): number {
    return ++this.number;
  }

  batch(id: string): Batch {
    return this.recorder.rows.get(Batch, id);
  }

  operation(batch: Batch): Operation {
    return operationOf(this.recorder.routes.routeOf(batch), batch.operationId);
  }

  live(batchId: string): Piece[] {
    return livePieces(piecesIn(this.recorder.rows, batchId));
  }

  /** Batches that wait at a step to be worked on, by number. */
  queuedAt(operationId: string, modelId: string): Batch[] {
    return this.recorder.rows
      .all(Batch)
      .filter((b) => b.status === 'queued' && b.operationId === operationId && b.modelId === modelId)
      .sort((a, b) => a.number - b.number);
  }

  judge(batch: Batch, command: BatchCommand, atMs: number): Decision<BatchEntry> {
    return decide(
      batch,
      command,
      contextOf(this.recorder.rows, this.recorder.routes, batch, command, {
        evidence: this.evidence(batch, atMs),
        holdsSkill: (personId, skill, level) => {
          const person = this.scenario.people.find((p) => p.id === personId);
          return person?.skills.includes(skill) === true && (person.skillLevels?.[skill] ?? USUAL_LEVEL) >= level;
        },
        missing: () => null,
        carriers: this.scenario.carriers,
        coatsLogged: coatsOnVisit(this.recorder.rows, batch.visitId, this.operation(batch).coat?.coats ?? 0),
        nextBatchNumber: this.number + 1,
      }),
    );
  }

  /** Does what is asked, if it is allowed. @returns the batches that it made; undefined when it was refused */
  attempt(batch: Batch, command: BatchCommand, atMs: number, by: string | null): string[] | undefined {
    const decision = this.judge(batch, command, atMs);
    return decision.kind === 'refuse' ? undefined : this.write(batch, decision.entries, atMs, by);
  }

  /** Does what is asked. @throws Error when it is refused: the simulation asked for what cannot be */
  carryOut(batch: Batch, command: BatchCommand, atMs: number, by: string | null): string[] {
    const decision = this.judge(batch, command, atMs);
    if (decision.kind === 'refuse')
      throw new Error(`The simulation asked for ${command.kind} of ${batch.id}: ${decision.because.map((f) => f.sentence).join('; ')}`);
    return this.write(batch, decision.entries, atMs, by);
  }

  evidence(batch: Batch, atMs: number): Evidence {
    const { gate } = this.operation(batch);
    return {
      nowMs: atMs,
      ...(gate.some((r) => r.kind === 'equivalent') ? { temperatures: this.temperatures(batch, atMs) } : {}),
      ...(gate.some((r) => r.kind === 'inBand') ? this.measures(batch) : {}),
    };
  }

  private write(batch: Batch, entries: readonly BatchEntry[], atMs: number, by: string | null): string[] {
    for (const entry of entries) this.recorder.record(entry.kind, atMs, by, { batchId: entry.batchId ?? batch.id }, entry.payload);
    const numbers = entries.flatMap(batchNumbersOf);
    this.number = Math.max(this.number, ...numbers);
    return numbers.map(batchIdOf);
  }

  private temperatures(batch: Batch, atMs: number): { atMs: number; tempC: number }[] {
    const zoneId = this.scenario.stations.find((s) => s.code === batch.stationCode)?.zoneId ?? this.scenario.woodRoomZoneId;
    const temperatures = [];
    for (let t = Math.ceil(batch.arrivedMs / HOUR_MS) * HOUR_MS; t <= atMs; t += HOUR_MS)
      temperatures.push({ atMs: t, tempC: this.scenario.climate(zoneId, t).tempC });
    return temperatures;
  }

  private measures(batch: Batch): Pick<Evidence, 'measures' | 'courses'> {
    const live = new Set(this.live(batch.id).map((p) => p.id));
    return measureEvidence(this.recorder.rows.all(Measure).filter((m) => live.has(m.pieceId)));
  }
}
