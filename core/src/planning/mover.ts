import {
  Batch,
  batchCommand,
  type BatchCommand,
  type BatchEntry,
  batchIdOf,
  batchNumbersOf,
  gateAsks,
  gateEvidence,
  gateFindings,
  livePieces,
  type Piece,
  piecesIn,
} from '../batches/index.ts';
import type { HouseFactory } from '../ledger.ts';
import { Answers, judge, type Decision, type Finding, type Sight, type Written } from '../ledger/index.ts';
import { type Operation, operationOf } from '../routing/index.ts';
import type { Recorder } from './recorder.ts';
import type { Scenario } from './scenario.ts';
import { scenarioFactory } from './scenarioFactory.ts';
import { WholeHistory } from './wholeHistory.ts';

/** Judges commands as the application would, and writes down what was decided. */
export class Mover {
  readonly factory: HouseFactory;
  private readonly history: WholeHistory;
  private number = 0;

  constructor(
    scenario: Scenario,
    private readonly recorder: Recorder,
  ) {
    this.factory = scenarioFactory(scenario);
    this.history = new WholeHistory(recorder.rows, recorder.entries, this.factory, {
      air: (zoneId, atMs) => scenario.climate(zoneId, atMs),
      shopEmcPct: () => null,
    });
  }

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

  judge(batch: Batch, command: BatchCommand, atMs: number): Decision<Written> {
    const { command: name, ...said } = command;
    return judge(batchCommand(name), { batchId: batch.id, ...said }, this.sight(atMs), (asked) => this.history.answer(asked, atMs));
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
      throw new Error(`The simulation asked for ${command.command} of ${batch.id}: ${decision.because.map((f) => f.sentence).join('; ')}`);
    return this.write(batch, decision.entries, atMs, by);
  }

  /** What the gate before a batch says. */
  findings(batch: Batch, atMs: number): Finding[] {
    const operation = this.operation(batch);
    const answers = new Answers();
    for (const asked of gateAsks(batch, operation, this.factory, atMs)) answers.put(asked, this.history.answer(asked, atMs));
    return gateFindings(batch, operation, gateEvidence(batch, this.factory, atMs, answers));
  }

  private sight(nowMs: number): Sight<HouseFactory> {
    return { rows: this.recorder.rows, factory: this.factory, nowMs, by: { personId: null, role: 'lead' } };
  }

  private write(batch: Batch, entries: readonly Written[], atMs: number, by: string | null): string[] {
    const made = new Set<number>();
    for (const entry of entries) {
      this.recorder.write({ batchId: batch.id, ...entry }, atMs, by);
      for (const number of batchNumbersOf(entry as BatchEntry)) made.add(number);
    }
    this.number = Math.max(this.number, ...made);
    return [...made].map(batchIdOf);
  }
}
