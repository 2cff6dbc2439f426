import {
  Answers,
  asked,
  Batch,
  type BatchCommand,
  batchCommand,
  type BatchEntry,
  batchIdOf,
  type CommandKind,
  DAY_MS,
  type Decision,
  emcTrace,
  type Finding,
  gateAsks,
  gateEvidence,
  gateFindings,
  HOUR_MS,
  type HouseFactory,
  judge,
  livePieces,
  type Operation,
  operationOf,
  type Piece,
  piecesIn,
  type Question,
  type Recorder,
  SHOP_DAYS,
  shopAir,
  type Sight,
  WholeHistory,
  type Written,
} from '@ample-crane/core';
import type { Scenario } from './scenario.ts';
import { scenarioFactory } from './scenarioFactory.ts';

/** Judges commands as the application would, and writes down what was decided. */
export class Mover {
  readonly factory: HouseFactory;
  /** what was asked for and cannot be, in sentences */
  readonly refused: string[] = [];
  private readonly history: WholeHistory;

  constructor(
    scenario: Scenario,
    private readonly recorder: Recorder,
  ) {
    this.factory = scenarioFactory(scenario);
    this.history = new WholeHistory(recorder.rows, recorder.entries, this.factory, {
      air: (zoneId, atMs) => scenario.climate(zoneId, atMs),
      shopEmcPct: (atMs) => shopEmcPct(scenario, atMs),
    });
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

  /** What would be said to a command on a batch. */
  judge(batch: Batch, command: BatchCommand, atMs: number): Decision<Written> {
    const { command: name, ...said } = command;
    return this.decision(batchCommand(name), { batchId: batch.id, ...said }, atMs, null);
  }

  /** Does what is asked of a batch, if it is allowed. @returns the batches that it made; undefined when it was refused */
  attempt(batch: Batch, command: BatchCommand, atMs: number, by: string | null): string[] | undefined {
    const decision = this.judge(batch, command, atMs);
    return decision.kind === 'refuse' ? undefined : this.write(decision.entries, atMs, by);
  }

  /** Does what is asked of a batch; what is refused is told, and not done. @returns the batches that it made */
  carryOut(batch: Batch, command: BatchCommand, atMs: number, by: string | null): string[] {
    const { command: name, ...said } = command;
    return this.give(batchCommand(name), { batchId: batch.id, ...said }, atMs, by).batchIds;
  }

  /** Gives any command; what is refused is told, and not done. @returns what was written, and the batches that were made */
  give<Name extends string, Request>(
    command: CommandKind<Name, Request, HouseFactory>,
    request: Request,
    atMs: number,
    by: string | null,
  ): { entries: readonly Written[]; batchIds: string[] } {
    const decision = this.decision(command, request, atMs, by);
    if (decision.kind === 'accept') return { entries: decision.entries, batchIds: this.write(decision.entries, atMs, by) };
    const because = decision.because.map((f) => f.sentence).join('; ');
    this.refused.push(`${command.name} ${JSON.stringify(request)}: ${because}`);
    return { entries: [], batchIds: [] };
  }

  /** Gives any command, if it is allowed. @returns whether it was */
  tryTo<Name extends string, Request>(
    command: CommandKind<Name, Request, HouseFactory>,
    request: Request,
    atMs: number,
    by: string,
  ): boolean {
    const decision = this.decision(command, request, atMs, by);
    if (decision.kind === 'accept') this.write(decision.entries, atMs, by);
    return decision.kind === 'accept';
  }

  /** What is answered to a question. */
  answer<About, Answer>(question: Question<About, Answer>, about: About, atMs: number): Answer {
    // It is asked with what it is about: `asked` ties the two.
    return this.history.answer(asked(question, about), atMs) as Answer;
  }

  /** What the gate before a batch says. */
  findings(batch: Batch, atMs: number): Finding[] {
    const operation = this.operation(batch);
    const answers = new Answers();
    for (const ask of gateAsks(batch, operation, this.factory, atMs)) answers.put(ask, this.history.answer(ask, atMs));
    return gateFindings(batch, operation, gateEvidence(batch, this.factory, atMs, answers));
  }

  private decision<Name extends string, Request>(
    command: CommandKind<Name, Request, HouseFactory>,
    request: Request,
    nowMs: number,
    personId: string | null,
  ): Decision<Written> {
    const sight: Sight<HouseFactory> = { rows: this.recorder.rows, factory: this.factory, nowMs, by: { personId, role: 'lead' } };
    return judge(command, request, sight, (ask) => this.history.answer(ask, nowMs));
  }

  /** @returns the batches that were made */
  private write(entries: readonly Written[], atMs: number, by: string | null): string[] {
    const made = new Set<number>();
    for (const entry of entries) {
      this.recorder.write(entry, atMs, by);
      for (const number of batchNumbersOf(entry as BatchEntry)) made.add(number);
    }
    return [...made].map(batchIdOf);
  }
}

/** What the wood room's air tends to, as its people read it off. */
function shopEmcPct({ climate, woodRoomZoneId }: Scenario, atMs: number): number {
  const fromMs = atMs - SHOP_DAYS * DAY_MS;
  const samples = Array.from({ length: SHOP_DAYS * 24 }, (_, i) => {
    const at = fromMs + i * HOUR_MS;
    return { atMs: at, ...climate(woodRoomZoneId, at) };
  });
  return shopAir(emcTrace(samples, fromMs, atMs), atMs).emcPct;
}

/** The numbers of the batches that an entry makes. */
function batchNumbersOf(entry: BatchEntry): number[] {
  switch (entry.kind) {
    case 'work.partFinished':
    case 'batch.split':
    case 'instruments.refitted':
      return [entry.payload.number];
    case 'work.finished':
      return entry.payload.reworkNumber === undefined ? [] : [entry.payload.reworkNumber];
    case 'handover.refused':
      return entry.payload.refusals.flatMap((r) => r.number ?? []);
    case 'instruments.parted':
      return [entry.payload.bodyNumber, entry.payload.neckNumber];
    default:
      return [];
  }
}
