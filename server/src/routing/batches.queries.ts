import {
  DAY_MS,
  forecastRoute,
  judgeBuild,
  piecesInPass,
  touchMinutes,
  type Batch,
  type BatchStatus,
  type Operation,
  type Stage,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, Not, type FindOptionsWhere } from 'typeorm';
import { MeasureEntity } from '../assembly/assembly.entity.ts';
import { CoatEntity } from '../finishing/finishing.entity.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { sentenceOf } from '../logbook/sentence.ts';
import { OrderEntity } from '../orders/order.entity.ts';
import { Clock } from '../platform/clock/clock.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { holdsSkill, nameOf, operationAt, routeOf, ShopService, workingTime, type Shop } from '../setup/shop.service.ts';
import { toBatchView, type BatchView, type CardView, type MeasureView } from './batch.view.ts';
import { BatchesService, unmeasuredPieces } from './batches.service.ts';
import { EvidenceService } from './evidence.service.ts';
import { BatchEntity, DefectEntity, OverrideEntity, PieceEntity, VisitEntity } from './routing.entity.ts';

const FORECAST_REACH_DAYS = 200;
const CARD_LOG_LINES = 500;

export interface BatchFilter {
  stage?: Stage;
  modelId?: string;
  done?: boolean;
}

@Injectable()
export class BatchesQueries {
  private readonly lists: Shelf<BatchView[]>;
  private readonly cards: Shelf<CardView>;

  constructor(
    private readonly database: DataSource,
    private readonly shops: ShopService,
    private readonly evidence: EvidenceService,
    private readonly commands: BatchesService,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.lists = snapshots.shelf();
    this.cards = snapshots.shelf();
  }

  /** Batches in work, or the latest that are done. */
  list(filter: BatchFilter): Promise<BatchView[]> {
    return this.lists.of(JSON.stringify([filter.stage, filter.modelId, filter.done]), () => this.readList(filter));
  }

  private async readList(filter: BatchFilter): Promise<BatchView[]> {
    const shop = await this.shops.load();
    const where: FindOptionsWhere<BatchEntity> = { status: filter.done ? 'done' : Not<BatchStatus>('done') };
    if (filter.stage !== undefined) where.stage = filter.stage;
    if (filter.modelId !== undefined) where.modelId = filter.modelId;
    const batches = await this.database.getRepository(BatchEntity).find({
      where,
      order: filter.done ? { endedMs: 'DESC' } : { dueMs: 'ASC', number: 'ASC' },
      take: 500,
    });
    return this.views(batches, shop);
  }

  async views(batches: readonly BatchEntity[], shop: Shop): Promise<BatchView[]> {
    const findings = await this.evidence.findings(batches, shop);
    return batches.map((b) => toBatchView(b, shop, findings.get(b.id) ?? [], touchMinutes(operationAt(shop, b), b.quantity)));
  }

  /** Everything the card of one batch shows. */
  card(batchId: string): Promise<CardView> {
    return this.cards.of(batchId, () => this.readCard(batchId));
  }

  private async readCard(batchId: string): Promise<CardView> {
    const { manager } = this.database;
    const batch = await manager.findOneBy(BatchEntity, { id: batchId });
    if (!batch) throw notFound('batch', batchId);
    const [shop, pieces, visits, coats, measures, defects, overrides, log, order] = await Promise.all([
      this.shops.load(),
      manager.find(PieceEntity, { where: { batchId }, order: { ordinal: 'ASC' } }),
      manager.find(VisitEntity, { where: { batchId }, order: { arrivedMs: 'ASC', pass: 'ASC' } }),
      manager.find(CoatEntity, { where: { batchId }, order: { atMs: 'ASC' } }),
      manager.find(MeasureEntity, { where: { batchId }, order: { atMs: 'ASC', id: 'ASC' } }),
      manager.find(DefectEntity, { where: { batchId }, order: { atMs: 'ASC' } }),
      manager.find(OverrideEntity, { where: { batchId }, order: { atMs: 'ASC' } }),
      manager.find(LogbookEntity, { where: { batchId }, order: { atMs: 'DESC', id: 'DESC' }, take: CARD_LOG_LINES }),
      batch.orderId === null ? null : manager.findOneBy(OrderEntity, { id: batch.orderId }),
    ]);
    const route = routeOf(shop, batch.routeId);
    const operation = operationAt(shop, batch);
    const nowMs = this.clock.nowMs();
    const time = workingTime(shop, { fromMs: nowMs - DAY_MS, toMs: nowMs + FORECAST_REACH_DAYS * DAY_MS });
    const name = (operationId: string) => operationAt(shop, { routeId: batch.routeId, operationId }).name;
    const ofVisit = coats.filter((c) => c.visitId === batch.visitId);
    const [view] = await this.views([batch], shop);
    if (!view) throw notFound('batch', batchId);
    return {
      batch: view,
      customer: order?.customer ?? 'Stock',
      pieces,
      inPass: piecesInPass(batch, pieces).map((p) => p.id),
      visits: visits.map((v) => ({
        ...v,
        operationName: name(v.operationId),
        stationName: shop.stations.get(v.stationCode)?.name ?? v.stationCode,
        by: v.personId === null ? null : nameOf(shop, v.personId),
      })),
      forecast:
        batch.status === 'done'
          ? []
          : forecastRoute(route, batch, nowMs, time, view.untilMs ?? nowMs).map((f) => ({
              operationId: f.operation.id,
              operationName: f.operation.name,
              stage: f.operation.stage,
              kind: f.operation.kind,
              arriveMs: f.arriveMs,
              leaveMs: f.leaveMs,
            })),
      coats: coats.map((c) => ({
        ...c,
        operationName: name(c.operationId),
        materialName: shop.materials.get(c.materialId)?.name ?? c.materialId,
        by: nameOf(shop, c.personId),
      })),
      coatsThisVisit: ofVisit.length,
      coatPlan: operation.coat
        ? {
            ...operation.coat,
            materialName: shop.materials.get(operation.coat.materialId)?.name ?? operation.coat.materialId,
          }
        : null,
      build: buildOf(coats, shop),
      coatFindings: await this.commands.coatFindings(batch, operation, shop, nowMs, ofVisit.at(-1)?.atMs),
      characteristics: [...(operation.characteristics ?? [])],
      unmeasured: unmeasuredPieces(batch, operation, pieces, measures),
      measures: measures.map((m) => toMeasureView(m, shop, batch)),
      defects: defects.map((d) => ({
        ...d,
        operationName: name(d.operationId),
        originOperationName: name(d.originOperationId),
        by: nameOf(shop, d.personId),
      })),
      overrides: overrides.map((o) => ({
        atMs: o.atMs,
        by: nameOf(shop, o.personId),
        reason: o.reason,
        operationName: o.operationId === null ? null : name(o.operationId),
        findings: [...o.findings],
      })),
      log: log.map((row) => ({
        id: row.id,
        atMs: row.atMs,
        by: nameOf(shop, row.personId),
        kind: row.kind,
        sentence: sentenceOf(row, shop, batch.routeId),
      })),
      cautions: [...(operation.cautions ?? [])],
      mainCaution: operation.cautions?.[0] ?? null,
      originChoices: route.operations
        .filter((o) => o.kind === 'work' && (o.component === batch.component || batch.component === 'instrument'))
        .map(({ id, name: label }) => ({ id, name: label })),
      workers: workersFor(operation, shop),
      fittedInto: [...new Set(pieces.flatMap((p) => (p.state === 'fitted' && p.serial !== null ? [p.serial] : [])))],
    };
  }

  /** Open batches at some steps, as rows. */
  open(ids?: readonly string[]): Promise<BatchEntity[]> {
    return this.database.getRepository(BatchEntity).find({
      where: { status: Not<BatchStatus>('done'), ...(ids ? { id: In([...ids]) } : {}) },
      order: { dueMs: 'ASC', number: 'ASC' },
    });
  }
}

function workersFor(operation: Operation, shop: Shop) {
  const able = holdsSkill(shop);
  return [...shop.people.values()]
    .filter((p) => p.active && (operation.skill === undefined || able(p.id, operation.skill)))
    .map((p) => ({ id: p.id, name: p.name }));
}

export function toMeasureView(measure: MeasureEntity, shop: Shop, batch: Pick<Batch, 'routeId'>): MeasureView {
  const operation = operationAt(shop, { routeId: batch.routeId, operationId: measure.operationId });
  const characteristic = operation.characteristics?.find((c) => c.id === measure.characteristicId);
  return {
    ...measure,
    operationName: operation.name,
    characteristicName: characteristic?.name ?? measure.characteristicId,
    unit: characteristic?.unit ?? '',
    by: nameOf(shop, measure.personId),
  };
}

/** Dry build of what has been sprayed, against its window. */
export function buildOf(coats: readonly CoatEntity[], shop: Shop) {
  const [first] = coats;
  const material = first ? shop.materials.get(first.materialId) : undefined;
  if (!material) return null;
  const dryUm = coats.filter((c) => c.materialId === material.id).reduce((sum, c) => sum + c.dryUm, 0);
  return {
    materialName: material.name,
    dryUm,
    lowUm: material.buildLowUm,
    highUm: material.buildHighUm,
    verdict: judgeBuild(dryUm, material),
  };
}
