import {
  type Batch,
  type Disposition,
  LogCoat,
  type Operation,
  type Piece,
  type PieceDefect,
  type PieceOutcome,
  type Random,
  type Recorder,
  type Stage,
  TakeMeasures,
  Visit,
  visitOf,
} from '@ample-crane/core';
import type { Mover } from './mover.ts';
import { settleSignals } from './signals.ts';
import type { Scenario } from './scenario.ts';

/** What a sprayer says who goes on although the window or the air says no. */
const AGAINST_THE_WINDOW = 'Scuffed first, test panel good';

/** What comes of work: coats, measures, and pieces that are not good. */
export class Inspection {
  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    private readonly random: Random,
  ) {}

  /** parts made with what wears */
  private worn = 0;

  /** Measures the pieces of a pass and says which of them are not good. */
  judge(batch: Batch, operation: Operation, pieces: readonly Piece[], workerId: string, atMs: number): PieceOutcome[] {
    const { scrapShare, reworkShare } = this.scenario;
    const outOfBand = this.measure(batch, operation, pieces, workerId, atMs);
    return pieces.flatMap((piece): PieceOutcome[] => {
      const chance = this.random.next();
      const off = outOfBand.has(piece.id);
      const outcome =
        chance < scrapShare ? 'scrap' : !(batch.redo && batch.pass > 2) && (off || chance < scrapShare + reworkShare) ? 'rework' : null;
      if (outcome === null) return [];
      const defect = off && outcome === 'rework' ? 'off dimension' : this.defect(operation.stage);
      return [{ pieceId: piece.id, outcome, defect, originOperationId: operation.id, note: '' }];
    });
  }

  /** A piece that whoever takes the batch over sends back to the last work done on it; nothing where none has been. */
  refusal(batch: Batch, live: readonly Piece[]): (PieceDefect & { disposition: Disposition; toOperationId: string }) | undefined {
    const before = this.recorder.rows
      .all(Visit)
      .filter((v) => v.batchId === batch.id && v.touchMs > 0)
      .at(-1);
    if (!before) return undefined;
    return {
      pieceId: this.random.pick(live).id,
      defect: this.defect(before.stage),
      originOperationId: before.operationId,
      note: '',
      disposition: 'rework',
      toOperationId: before.operationId,
    };
  }

  /** Something that a stage usually causes. */
  private defect(stage: Stage): string {
    const { usual, other } = this.mover.factory.defectsFrom(stage);
    return this.random.pick(usual.length > 0 ? usual : other);
  }

  /** Coats spread evenly over the time the batch was worked on, its flash times kept. */
  logCoats(batch: Batch, operation: Operation, workerId: string, atMs: number): void {
    const { coat } = operation;
    if (!coat) return;
    const { time } = this.scenario;
    const from = time.position(visitOf(this.recorder.rows, batch).startedMs ?? atMs);
    const coats = batch.redo ? 1 : coat.coats;
    for (let i = 1; i <= coats; i++) {
      const wetUm = Math.round(this.random.normal(coat.wetUm, coat.wetUm * 0.05));
      const coatMs = Math.round(time.instant(from + ((time.position(atMs) - from) * i) / (coats + 1)));
      const request = { batchId: batch.id, wetUm };
      if (!this.mover.tryTo(LogCoat, request, coatMs, workerId))
        this.mover.give(LogCoat, { ...request, overrideReason: AGAINST_THE_WINDOW }, coatMs, this.scenario.leadId);
    }
  }

  /** Measures every piece of the pass. @returns those out of band */
  private measure(batch: Batch, operation: Operation, pieces: readonly Piece[], workerId: string, atMs: number): Set<string> {
    const out = new Set<string>();
    const { characteristics } = operation;
    if (!characteristics || pieces.length === 0) return out;
    const measures = pieces.flatMap(({ id: pieceId }) =>
      characteristics.map((c) => {
        const drawn =
          Math.round((this.random.normal(c.target, (c.high - c.low) / (batch.redo ? 10 : 6.4)) + this.wear(batch, c.id, atMs)) * 1000) /
          1000;
        // What came back more than once is not left before it fits.
        const value = batch.redo && batch.pass > 2 ? Math.min(c.high, Math.max(c.low, drawn)) : drawn;
        if (value < c.low || value > c.high) out.add(pieceId);
        return { pieceId, characteristicId: c.id, value };
      }),
    );
    this.mover.give(TakeMeasures, { batchId: batch.id, measures }, atMs, workerId);
    if (atMs < this.scenario.signalsUntilMs)
      settleSignals(this.mover, this.recorder, batch.id, { atMs, workerId, leadId: this.scenario.leadId });
    return out;
  }

  /** How far off a worn cutter makes the next part. */
  private wear({ redo }: Batch, characteristicId: string, atMs: number): number {
    const { wears } = this.scenario;
    if (wears === null || redo || characteristicId !== wears.characteristicId || atMs < wears.fromMs) return 0;
    return wears.perPart * ++this.worn;
  }
}
