import {
  clearanceMm,
  decideFitting,
  formatSerial,
  livePieces,
  proposePairs,
  sequencePeriod,
  takesNecks,
  type MeasuredPiece,
  Batch,
  rowsOf,
  piecesIn,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, Not } from 'typeorm';
import { MeasureEntity } from '../quality/measure.entity.ts';
import { LogbookService, type UnitOfWork } from '../logbook/logbook.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, refused } from '../platform/problems/problems.ts';
import { BatchesQueries } from '../batches/batches.queries.ts';
import { current } from '../batches/commands.ts';
import { nextNumber } from '../logbook/nextNumber.ts';
import { BatchEntity, PieceEntity } from '../batches/batch.entity.ts';
import { operationAt, routeOf, ShopService, type Shop } from '../factory/shop.service.ts';
import type { FitDto, FittingSetView, FittingView } from './fitting.dto.ts';

const POCKET = 'pocketWidth';
const TENON = 'tenonWidth';

@Injectable()
export class FittingService {
  constructor(
    private readonly database: DataSource,
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
    private readonly batches: BatchesQueries,
  ) {}

  /** What waits at the fitting bench, as sets that can be paired now. */
  async bench(): Promise<FittingView> {
    const shop = await this.shops.load();
    const rows = await this.database.getRepository(BatchEntity).find({
      where: { status: 'queued', stage: 'fitting', component: Not('instrument') },
      order: { number: 'ASC' },
    });
    const atFit = rows.filter((b) => operationAt(shop, b).kind === 'fit');
    const pieces = await this.database
      .getRepository(PieceEntity)
      .find({ where: { batchId: In(atFit.map((b) => b.id)) }, order: { ordinal: 'ASC' } });
    const widths = await this.widths(pieces.map((p) => p.id));
    const measured = (batch: BatchEntity): MeasuredPiece[] =>
      livePieces(pieces.filter((p) => p.batchId === batch.id)).map((p) => ({
        pieceId: p.id,
        widthMm: widths.get(p.id) ?? null,
      }));
    const views = new Map((await this.batches.views(atFit, shop)).map((v) => [v.id, v]));
    const sets: FittingSetView[] = [];
    const used = new Set<string>();
    const bodies = atFit.filter((b) => b.component === 'body');
    const necksFor = (body: BatchEntity) =>
      atFit.filter((n) => n.component === 'neck' && n.modelId === body.modelId && n.operationId === body.operationId);
    const ownNeck = (body: BatchEntity) => necksFor(body).find((n) => n.orderId !== null && n.orderId === body.orderId);
    // Sets made for one order are fitted together; what is left over finds each other after them.
    for (const body of [...bodies.filter(ownNeck), ...bodies.filter((b) => !ownNeck(b))]) {
      const separateNecks = takesNecks(routeOf(shop, body), body.operationId);
      const neck = ownNeck(body) ?? necksFor(body).find((n) => !used.has(n.id));
      const bodyView = views.get(body.id);
      if (!bodyView || (separateNecks && !neck)) continue;
      used.add(body.id);
      if (neck) used.add(neck.id);
      sets.push(
        this.toSet(
          shop,
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
    shop: Shop,
    body: BatchEntity,
    bodies: MeasuredPiece[],
    necks: MeasuredPiece[],
    views: Pick<FittingSetView, 'body' | 'neck'>,
    separateNecks: boolean,
  ): FittingSetView {
    const model = shop.models.get(body.modelId);
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
  private async widths(pieceIds: readonly string[], manager = this.database.manager): Promise<Map<string, number>> {
    const measures = await manager.find(MeasureEntity, {
      where: { pieceId: In([...pieceIds]), characteristicId: In([POCKET, TENON]) },
      order: { atMs: 'ASC' },
    });
    return new Map(measures.map((m) => [m.pieceId, m.value]));
  }

  /** Pairs bodies and necks; each pair becomes an instrument with a serial of its own. */
  async fit(actor: Actor, dto: FitDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    const ids = [dto.bodyBatchId, ...(dto.neckBatchId === null ? [] : [dto.neckBatchId])];
    return this.logbook.perform(actor, { name: 'fit', request: dto, concerns: { about: [rowsOf(Batch, ids)] } }, async (unit) => {
      const body = current(unit, dto.bodyBatchId, dto.bodyVersion);
      const neck = dto.neckBatchId === null ? null : current(unit, dto.neckBatchId, dto.neckVersion ?? -1);
      const route = routeOf(shop, body);
      const decision = decideFitting(
        route,
        { batch: body, pieces: piecesIn(unit.rows, body.id) },
        neck ? { batch: neck, pieces: piecesIn(unit.rows, neck.id) } : null,
        dto.pairs,
      );
      if (decision.kind === 'refuse') throw refused(decision.because);
      const widths = await this.widths(
        decision.entries.flatMap((p) => [p.bodyId, p.neckId ?? p.bodyId]),
        unit.manager,
      );
      const model = shop.models.get(body.modelId);
      if (!model) throw new Error(`No model ${body.modelId}`);
      const serials = await this.nextSerials(unit, shop, model.code, decision.entries.length);
      const number = await nextNumber(unit, 'batch');
      unit.record(
        'instruments.fitted',
        { batchId: `B${number}` },
        {
          number,
          bodyBatchId: body.id,
          neckBatchId: neck?.id ?? null,
          pairs: decision.entries.map((pair, i) => {
            const pocket = widths.get(pair.bodyId);
            const tenon = pair.neckId === null ? undefined : widths.get(pair.neckId);
            return {
              ...pair,
              serial: serials[i] ?? '',
              clearanceMm: pocket === undefined || tenon === undefined ? null : clearanceMm(pocket, tenon),
            };
          }),
        },
      );
      return { id: `B${number}` };
    });
  }

  /** Serials are handed out by one command at a time, so that none is given twice. */
  private async nextSerials(unit: UnitOfWork, shop: Shop, modelCode: string, count: number): Promise<string[]> {
    const { serialPattern, workWeek } = shop.settings;
    const { timeZone } = workWeek;
    await unit.manager.query(`select pg_advisory_xact_lock(hashtext('serial'))`);
    const period = sequencePeriod(unit.nowMs, timeZone, serialPattern.reset);
    const fitted: { at: Date; n: number }[] = await unit.manager.query(
      `select at, jsonb_array_length(payload->'pairs')::int as n from logbook where kind = 'instruments.fitted' and at > $1`,
      [new Date(serialPattern.reset === 'never' ? 0 : unit.nowMs - 370 * 86_400_000)],
    );
    const used = fitted
      .filter((f) => sequencePeriod(f.at.getTime(), timeZone, serialPattern.reset) === period)
      .reduce((sum, f) => sum + f.n, 0);
    try {
      return Array.from({ length: count }, (_, i) =>
        formatSerial(serialPattern, { atMs: unit.nowMs, timeZone, modelCode, sequence: used + i + 1 }),
      );
    } catch (error) {
      if (error instanceof RangeError) throw badInput('serialPattern', `${error.message}; widen {SEQ} in Setup`);
      throw error;
    }
  }
}
