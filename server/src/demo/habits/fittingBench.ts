import {
  Batch,
  before,
  type Component,
  FitInstruments,
  livePieces,
  Measure,
  type Operation,
  piecesIn,
  POCKET,
  proposePairs,
  type Recorder,
  takesNecks,
  TENON,
} from '@ample-crane/core';
import type { Mover } from './mover.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';

/** Where bodies and necks become instruments. */
export class FittingBench {
  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    /** who fits at this time */
    private readonly fitter: (atMs: number) => string,
  ) {}

  /** Pieces at the bench, or at a joining that takes any, whose set has been put together without them. */
  leftovers(modelId: string, component: Component): number {
    return this.recorder.rows
      .all(Batch)
      .filter(
        (b) =>
          b.modelId === modelId &&
          b.component === component &&
          b.status === 'queued' &&
          takesAny(this.mover.operation(b)) &&
          !this.counterpartOnItsWay(b),
      )
      .reduce((sum, b) => sum + b.quantity, 0);
  }

  /** Whether the other half of a set has still to come to the bench. */
  private counterpartOnItsWay(batch: Batch): boolean {
    return this.recorder.rows
      .all(Batch)
      .some(
        (b) =>
          b.orderId === batch.orderId &&
          b.component !== 'instrument' &&
          b.component !== batch.component &&
          b.status !== 'done' &&
          b.status !== 'stocked' &&
          b.operationId !== batch.operationId &&
          !this.isAfterFitting(b),
      );
  }

  /** Fits what waits at the bench: the batch's own set first, then leftovers of the model. @returns the batches made */
  fit(arrivedBatch: Batch, atMs: number): string[] {
    const model = this.model(arrivedBatch.modelId);
    const buffer = this.bufferBefore(arrivedBatch);
    // A set is fitted whole: what came first waits for its counterpart.
    if (buffer ? !this.callFrom(buffer, arrivedBatch, atMs) : this.counterpartOnItsWay(arrivedBatch)) return [];
    const fitted: string[] = [];
    const waiting = (component: 'body' | 'neck') =>
      this.recorder.rows
        .all(Batch)
        .filter(
          (b) => b.modelId === model.id && b.component === component && b.status === 'queued' && b.operationId === arrivedBatch.operationId,
        )
        .sort((a, b) => Number(b.orderId === arrivedBatch.orderId) - Number(a.orderId === arrivedBatch.orderId) || a.number - b.number);
    const separateNecks = takesNecks(this.recorder.routes.routeOf(arrivedBatch), arrivedBatch.operationId);
    for (const body of waiting('body')) {
      if (!separateNecks) {
        fitted.push(...this.fitPair(model, body, null, atMs));
        continue;
      }
      for (const neck of waiting('neck')) {
        if (this.mover.batch(body.id).status !== 'queued') break;
        fitted.push(...this.fitPair(model, body, neck, atMs));
      }
    }
    return this.together(fitted, atMs);
  }

  /** What was fitted for one order from several batches goes on as one. */
  private together(ids: readonly string[], atMs: number): string[] {
    const kept: string[] = [];
    for (const id of ids) {
      const into = kept.find((k) =>
        this.mover.attempt(this.mover.batch(k), { command: 'merge batches', fromBatchId: id }, atMs, this.fitter(atMs)),
      );
      if (into === undefined) kept.push(id);
    }
    return kept;
  }

  /** Whether a batch is of halves that were fitted before and taken apart. */
  private isAfterFitting(batch: Batch): boolean {
    return piecesIn(this.recorder.rows, batch.id).some((p) => p.serial !== null);
  }

  /** The buffer that necks of this model are called from, if they wait in one. */
  private bufferBefore(batch: Batch): Operation | undefined {
    return before(this.recorder.routes.routeOf(batch), batch.operationId).find((o) => o.kind === 'buffer' && o.component === 'neck');
  }

  /** Calls as many necks as a batch of bodies still wants, the oldest first. @returns whether there are enough */
  private callFrom(buffer: Operation, body: Batch, atMs: number): boolean {
    if (body.component !== 'body') return true;
    const ready = this.mover
      .queuedAt(body.operationId, body.modelId)
      .filter((b) => b.component === 'neck')
      .reduce((sum, b) => sum + b.quantity, 0);
    let wanted = body.quantity - ready;
    const stock = this.recorder.rows
      .all(Batch)
      .filter((b) => b.status === 'stocked' && b.modelId === body.modelId && b.operationId === buffer.id)
      .sort((a, b) => a.arrivedMs - b.arrivedMs);
    // A build begins when there are necks for all of it.
    if (stock.reduce((sum, b) => sum + b.quantity, 0) < wanted) return false;
    for (const batch of stock) {
      const quantity = Math.min(wanted, batch.quantity);
      if (quantity <= 0) break;
      this.mover.carryOut(batch, { command: 'call batch', quantity, orderId: body.orderId }, atMs, this.fitter(atMs));
      wanted -= quantity;
    }
    return true;
  }

  private fitPair(model: ScenarioModel, body: Batch, neck: Batch | null, atMs: number): string[] {
    const bodies = livePieces(piecesIn(this.recorder.rows, body.id));
    const pairs = neck
      ? proposePairs(
          bodies.map((p) => ({ pieceId: p.id, widthMm: this.width(p.id, POCKET) })),
          livePieces(piecesIn(this.recorder.rows, neck.id)).map((p) => ({
            pieceId: p.id,
            widthMm: this.width(p.id, TENON),
          })),
          model.clearance,
        )
      : bodies.map((p) => ({ bodyId: p.id, neckId: null, clearanceMm: null }));
    if (pairs.length === 0) return [];
    const request = { bodyBatchId: body.id, neckBatchId: neck?.id ?? null, pairs: pairs.map(({ bodyId, neckId }) => ({ bodyId, neckId })) };
    const { entries } = this.mover.give(FitInstruments, request, atMs, this.fitter(atMs));
    return entries.flatMap((entry) => entry.batchId ?? []);
  }

  /** The latest pocket or tenon width of a piece, whichever batch it was in. */
  private width(pieceId: string, characteristicId: string): number | null {
    const widths = this.recorder.rows.where(Measure, 'pieceId', pieceId).filter((m) => m.characteristicId === characteristicId);
    return widths.sort((a, b) => a.atMs - b.atMs).at(-1)?.value ?? null;
  }

  private model(id: string): ScenarioModel {
    const model = this.scenario.models.find((m) => m.id === id);
    if (!model) throw new Error(`No model ${id}`);
    return model;
  }
}

/** Whether a bench takes pieces of any set together. */
const takesAny = (operation: Operation) => operation.kind === 'fit' || (operation.kind === 'join' && operation.matchedSet !== true);
