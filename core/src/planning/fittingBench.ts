import { formatSerial, proposePairs, sequencePeriod } from '../fitting/index.ts';
import { livePieces, operationOf, type Batch, type Component } from '../routing/index.ts';
import type { Recorder } from './recorder.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';

interface Workshop {
  nextBatchNumber(): number;
  /** who fits at this time */
  fitter(atMs: number): string;
}

/** Where bodies and necks become instruments. */
export class FittingBench {
  private readonly serials = new Map<string, number>();

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly workshop: Workshop,
  ) {}

  /** Pieces at the bench whose set has been fitted without them. */
  leftovers(modelId: string, component: Component): number {
    return this.recorder.state
      .all('batch')
      .filter(
        (b) =>
          b.modelId === modelId &&
          b.component === component &&
          b.status === 'queued' &&
          operationOf(this.recorder.state.route(b.routeId), b.operationId).kind === 'fit' &&
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

  /** Fits what waits at the bench: the batch's own set first, then leftovers of the model. @returns the batches made */
  fit(arrivedBatch: Batch, atMs: number): string[] {
    const model = this.model(arrivedBatch.modelId);
    // A set is fitted whole: what came first waits for its counterpart.
    if (this.counterpartOnItsWay(arrivedBatch)) return [];
    const fitted: string[] = [];
    const waiting = (component: 'body' | 'neck') =>
      this.recorder.state
        .all('batch')
        .filter(
          (b) => b.modelId === model.id && b.component === component && b.status === 'queued' && b.operationId === arrivedBatch.operationId,
        )
        .sort((a, b) => Number(b.orderId === arrivedBatch.orderId) - Number(a.orderId === arrivedBatch.orderId) || a.number - b.number);
    for (const body of waiting('body')) {
      if (model.wood.neck === null) {
        fitted.push(...this.fitPair(model, body, null, atMs));
        continue;
      }
      for (const neck of waiting('neck')) {
        if (this.batch(body.id).status !== 'queued') break;
        fitted.push(...this.fitPair(model, body, neck, atMs));
      }
    }
    return fitted;
  }

  private fitPair(model: ScenarioModel, body: Batch, neck: Batch | null, atMs: number): string[] {
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
    if (pairs.length === 0) return [];
    const number = this.workshop.nextBatchNumber();
    const { serialPattern, timeZone } = this.scenario;
    const period = sequencePeriod(atMs, timeZone, serialPattern.reset);
    this.recorder.record(
      'instruments.fitted',
      atMs,
      this.workshop.fitter(atMs),
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
    return [`B${number}`];
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

  private model(id: string): ScenarioModel {
    const model = this.scenario.models.find((m) => m.id === id);
    if (!model) throw new Error(`No model ${id}`);
    return model;
  }

  private batch(id: string): Batch {
    return this.recorder.state.get('batch', id);
  }
}
