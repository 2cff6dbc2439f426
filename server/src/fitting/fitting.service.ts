import {
  clearanceMm,
  livePieces,
  proposePairs,
  takesNecks,
  type MeasuredPiece,
  Batch,
  POCKET,
  TENON,
  FitInstruments,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { MeasureEntity } from '../quality/measure.entity.ts';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { BatchLists } from '../batches/batches.lists.ts';
import { BatchEntity, PieceEntity } from '../batches/batch.entity.ts';
import { ask } from '../platform/database/prepared.ts';
import { rowsWith } from '../platform/database/rows.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import type { FitDto, FittingSetView, FittingView } from './fitting.dto.ts';

// The index of open work knows done from open by this very word.
const STANDING_AT = `select b.id from unnest($1::text[], $2::text[]) as step (model_id, operation_id)
  join batch b on b.model_id = step.model_id and b.operation_id = step.operation_id where b.status <> 'done'`;

@Injectable()
export class FittingService {
  private readonly benches: Shelf<FittingView>;

  constructor(
    private readonly database: DataSource,
    private readonly commands: CommandsService,
    private readonly factories: FactoryService,
    private readonly batches: BatchLists,
    snapshots: Snapshots,
  ) {
    this.benches = snapshots.shelf('the floor');
  }

  /** What waits at the fitting bench, as sets that can be paired now. */
  bench(): Promise<FittingView> {
    return this.benches.of('at the bench', () => this.readBench());
  }

  private async readBench(): Promise<FittingView> {
    const factory = await this.factories.load();
    const steps = fitStepsOf(factory);
    const here = await ask<{ id: string }>(this.database, STANDING_AT, [steps.map((s) => s.modelId), steps.map((s) => s.operationId)]);
    const standing = await rowsWith(
      this.database,
      BatchEntity,
      'id',
      here.map((row) => row.id),
    );
    const rows = standing.filter((b) => b.status === 'queued' && b.component !== 'instrument');
    const atFit = rows.filter((b) => factory.operationAt(b).kind === 'fit').sort((a, b) => a.number - b.number);
    const ids = atFit.map((b) => b.id);
    const pieces = await rowsWith(this.database, PieceEntity, 'batchId', ids, 'ordinal');
    const widths = await this.widths(pieces.map((p) => p.id));
    const measured = (batch: BatchEntity): MeasuredPiece[] =>
      livePieces(pieces.filter((p) => p.batchId === batch.id)).map((p) => ({
        pieceId: p.id,
        widthMm: widths.get(p.id) ?? null,
      }));
    const views = new Map((await this.batches.views(atFit, factory)).map((v) => [v.id, v]));
    const sets: FittingSetView[] = [];
    const used = new Set<string>();
    const bodies = atFit.filter((b) => b.component === 'body');
    const necksFor = (body: BatchEntity) =>
      atFit.filter(
        (n) =>
          n.component === 'neck' &&
          n.modelId === body.modelId &&
          n.operationId === body.operationId &&
          factory.servesAs(body.routeId, 'neck', n.facts, body.facts),
      );
    const ownNeck = (body: BatchEntity) => necksFor(body).find((n) => n.orderId !== null && n.orderId === body.orderId);
    // Sets made for one order are fitted together; what is left over finds each other after them.
    for (const body of [...bodies.filter(ownNeck), ...bodies.filter((b) => !ownNeck(b))]) {
      const separateNecks = takesNecks(factory.routeOf(body), body.operationId);
      const neck = ownNeck(body) ?? necksFor(body).find((n) => !used.has(n.id));
      const bodyView = views.get(body.id);
      if (!bodyView || (separateNecks && !neck)) continue;
      used.add(body.id);
      if (neck) used.add(neck.id);
      sets.push(
        this.toSet(
          factory,
          body,
          measured(body),
          neck ? measured(neck) : [],
          { body: bodyView, neck: neck ? (views.get(neck.id) ?? null) : null },
          separateNecks,
        ),
      );
    }
    return { sets, waiting: atFit.filter((b) => !used.has(b.id)).flatMap((b) => views.get(b.id) ?? []) };
  }

  private toSet(
    factory: FactoryNow,
    body: BatchEntity,
    bodies: MeasuredPiece[],
    necks: MeasuredPiece[],
    views: Pick<FittingSetView, 'body' | 'neck'>,
    separateNecks: boolean,
  ): FittingSetView {
    const model = factory.setUp.models.get(body.modelId);
    if (!model) throw new Error(`No model ${body.modelId}`);
    const { clearance } = model;
    const asTheyCome = bodies.filter((b, i) => {
      const neck = necks[i];
      if (!neck || b.widthMm === null || neck.widthMm === null) return false;
      const gap = clearanceMm(b.widthMm, neck.widthMm);
      return gap >= clearance.lowMm && gap <= clearance.highMm;
    });
    return {
      modelId: model.id,
      modelName: model.name,
      ...views,
      separateNecks,
      ...clearance,
      bodies: bodies.map((b) => ({ ...b, batchId: body.id })),
      necks: necks.map((n) => ({ ...n, batchId: views.neck?.id ?? '' })),
      proposed: separateNecks
        ? proposePairs(bodies, necks, clearance)
        : bodies.map((b) => ({ bodyId: b.pieceId, neckId: null, clearanceMm: null })),
      inBandAsTheyCome: asTheyCome.length,
    };
  }

  /** The latest pocket or tenon width of each piece. */
  private async widths(pieceIds: readonly string[]): Promise<Map<string, number>> {
    const measures = await rowsWith(this.database, MeasureEntity, 'pieceId', pieceIds, 'atMs');
    const widths = measures.filter((m) => m.characteristicId === POCKET || m.characteristicId === TENON);
    return new Map(widths.map((m) => [m.pieceId, m.value]));
  }

  /** Pairs bodies and necks; each pair becomes an instrument with a serial of its own. */
  fit(actor: Actor, { bodyVersion, neckVersion, ...said }: FitDto): Promise<{ id: string }> {
    const looked = [
      seen(Batch, said.bodyBatchId, bodyVersion),
      ...(said.neckBatchId === null ? [] : [seen(Batch, said.neckBatchId, neckVersion ?? -1)]),
    ];
    return this.commands.give(actor, FitInstruments, said, { seen: looked }, ([fitted]) => ({ id: fitted?.batchId ?? '' }));
  }
}

/** The steps at which any route has bodies and necks fitted, each once. */
function fitStepsOf(factory: FactoryNow): { modelId: string; operationId: string }[] {
  const steps = [...factory.setUp.routes.values()].flatMap(({ modelId, operations }) =>
    operations.flatMap((o) => (o.kind === 'fit' ? [{ modelId, operationId: o.id }] : [])),
  );
  return [...new Map(steps.map((step) => [`${step.modelId} ${step.operationId}`, step])).values()];
}
