import {
  dryFilmUm,
  evaluateGate,
  livePieces,
  placingObjections,
  startedComponents,
  worst,
  Batch,
  type Finding,
  Lot,
  type Operation,
  type WoodNeed,
  rowsOf,
  Blank,
  piecesIn,
  Coat,
  rowsBy,
  Order,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { LogbookService, type UnitOfWork } from '../logbook/logbook.service.ts';
import type { BatchDoneView } from '../platform/http/views.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { mayActAs } from '../platform/identity/role.ts';
import { badInput, Problem, refused } from '../platform/problems/problems.ts';
import { factsOf, operationAt, routeInForce, routeOf, ShopService, type Shop } from '../factory/shop.service.ts';
import type { CoatDto, MeasuresDto, StartBatchDto } from './batches.dto.ts';
import { carrierUses, current, OVERRIDE_ROLE } from './commands.ts';
import { nextNumber } from '../logbook/nextNumber.ts';
import { happenedAt } from '../logbook/happened.ts';

@Injectable()
export class BatchesService {
  constructor(
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
    private readonly climate: ClimateService,
  ) {}

  /** Starts a batch of a component from a released lot, on the version of the route that is in force. */
  async start(actor: Actor, dto: StartBatchDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    const model = shop.models.get(dto.modelId);
    if (!model) throw badInput('modelId', `There is no model ${dto.modelId}`);
    const concerns = {
      about: [
        rowsOf(Lot, [dto.lotId]),
        rowsOf(Blank, dto.blankIds ?? []),
        rowsOf(Batch, dto.matchBatchId === undefined ? [] : [dto.matchBatchId]),
      ],
    };
    const routes = shop.versions.filter((v) => v.modelId === model.id && v.state !== 'draft').map((v) => v.id);
    return this.logbook.perform(actor, { name: 'start batch', request: dto, concerns, routes }, async (unit) => {
      const order = await this.orderFor(unit, dto.orderId, dto.modelId);
      const facts = factsOf(model, order?.choices);
      const inForce = routeInForce(shop, model, unit.nowMs);
      if (!inForce) throw badInput('modelId', `${model.name} has no route in force yet: release one in Setup`);
      const route = routeOf(shop, { routeId: inForce.id, facts });
      const need = model.wood[dto.component];
      if (!startedComponents(route).includes(dto.component) || !need)
        throw badInput('component', `A ${model.name} with these options has no separate ${dto.component}`);
      const volumeM3 = dto.blankIds ? 0 : Math.round(need.volumeM3 * dto.quantity * 1e6) / 1e6;
      if (dto.blankIds) checkBlanks(unit, dto, dto.blankIds);
      else checkWood(unit.rows.get(Lot, dto.lotId), need, volumeM3, model.name);
      const number = await nextNumber(unit, 'batch');
      const id = `B${number}`;
      const setIds = dto.matchBatchId === undefined ? undefined : matchedSets(unit, dto.matchBatchId, dto.quantity);
      unit.record(
        'batch.started',
        { batchId: id, lotId: dto.lotId },
        {
          number,
          modelId: model.id,
          component: dto.component,
          routeId: route.id,
          orderId: dto.orderId,
          lotId: dto.lotId,
          quantity: dto.quantity,
          dueMs: order?.dueMs ?? null,
          volumeM3,
          facts,
          ...(dto.trial ? { trial: true } : {}),
          ...(dto.blankIds ? { blankIds: dto.blankIds } : {}),
          setIds: setIds ?? Array.from({ length: dto.quantity }, (_, i) => `${id}-${i + 1}`),
        },
      );
      if (dto.placements && dto.placements.length > 0) {
        const findings = placingObjections(dto.placements, dto.quantity, await carrierUses(unit, shop, id), model.id);
        if (findings.length > 0) throw refused(findings);
        unit.record('batch.placed', { batchId: id }, { placements: dto.placements });
      }
      return { id };
    });
  }

  private async orderFor(unit: UnitOfWork, orderId: string | null, modelId: string): Promise<Order | null> {
    if (orderId === null) return null;
    const order = (await unit.read(rowsOf(Order, [orderId]))).find(Order, orderId);
    if (!order) throw badInput('orderId', `There is no order ${orderId}`);
    if (order.modelId !== modelId) throw badInput('orderId', `Order ${orderId} is for another model`);
    return order;
  }

  /** Whether a coat may be sprayed on a batch now: the window since the last one, and the booth's air. */
  async coatFindings(
    batch: Batch,
    operation: Operation,
    { shop, nowMs, lastCoatMs, manager }: { shop: Shop; nowMs: number; lastCoatMs: number | undefined; manager?: EntityManager },
  ): Promise<Finding[]> {
    if (!operation.coat) return [];
    const air = await this.climate.air(shop.stations.get(batch.stationCode)?.zoneId ?? '', manager);
    return evaluateGate(
      [
        {
          kind: 'window',
          minimumMinutes: operation.coat.flashMinutes,
          maximumMinutes: operation.coat.recoatMaxMinutes,
          afterwards: 'Scuff sand before the next coat',
        },
        { kind: 'climate', limits: shop.settings.sprayLimits },
      ],
      { nowMs, ...(lastCoatMs === undefined ? {} : { lastCoatMs }), ...(air ? { air } : {}) },
    );
  }

  async logCoat(actor: Actor, batchId: string, dto: CoatDto): Promise<BatchDoneView> {
    const shop = await this.shops.load();
    return this.logbook.perform(
      actor,
      { name: 'log coat', request: { batchId, ...dto }, concerns: { about: [rowsOf(Batch, [batchId])] } },
      async (unit) => {
        const batch = current(unit, batchId, dto.version);
        const operation = operationAt(shop, batch);
        const { coat } = operation;
        if (!coat) throw refused([{ rule: 'state', verdict: 'stop', sentence: `${operation.name} lays no coats` }]);
        if (batch.status !== 'running')
          throw refused([{ rule: 'state', verdict: 'stop', sentence: `${operation.name} is not running; start it first` }]);
        const atMs = happenedAt(dto, unit.nowMs, {
          notBeforeMs: batch.arrivedMs,
          because: `Batch ${batchId} came to the booth only after that`,
        });
        const { rows } = unit;
        await unit.read(rowsBy(Coat, 'visitId', [batch.visitId]));
        const earlier = rows.all(Coat).sort((a, b) => b.atMs - a.atMs);
        const findings = await this.coatFindings(batch, operation, {
          shop,
          nowMs: atMs,
          lastCoatMs: earlier[0]?.atMs,
          manager: unit.manager,
        });
        if (worst(findings) !== 'pass' && dto.overrideReason === undefined) throw refused(findings.filter((f) => f.verdict !== 'pass'));
        if (dto.overrideReason !== undefined && !mayActAs(actor.role, OVERRIDE_ROLE))
          throw new Problem(403, 'not-allowed', 'Not allowed', `Spraying against a finding needs a ${OVERRIDE_ROLE} or above.`);
        const coatId = `${batch.visitId}/${earlier.length + 1}`;
        unit.record(
          'coat.logged',
          { batchId },
          {
            coatId,
            operationId: operation.id,
            materialId: coat.materialId,
            wetUm: dto.wetUm,
            dryUm: Math.round(dryFilmUm(dto.wetUm, coat.volumeSolids) * 10) / 10,
            flashMinutes: coat.flashMinutes,
            override: worst(findings) === 'pass' ? null : { reason: dto.overrideReason ?? '', findings },
          },
          atMs,
        );
        return { id: coatId, version: unit.rows.get(Batch, batchId).version };
      },
    );
  }

  async takeMeasures(actor: Actor, batchId: string, dto: MeasuresDto): Promise<BatchDoneView> {
    const shop = await this.shops.load();
    return this.logbook.perform(
      actor,
      { name: 'take measures', request: { batchId, ...dto }, concerns: { about: [rowsOf(Batch, [batchId])] } },
      (unit) => {
        const batch = current(unit, batchId, dto.version);
        const operation = operationAt(shop, batch);
        const live = new Set(livePieces(piecesIn(unit.rows, batchId)).map((p) => p.id));
        const atMs = happenedAt(dto, unit.nowMs, { notBeforeMs: batch.arrivedMs, because: `Batch ${batchId} came here only after that` });
        const measures = dto.measures.map((m, i) => {
          const characteristic = operation.characteristics?.find((c) => c.id === m.characteristicId);
          if (!characteristic) throw badInput(`measures.${i}.characteristicId`, `${operation.name} does not measure ${m.characteristicId}`);
          if (!live.has(m.pieceId)) throw badInput(`measures.${i}.pieceId`, `Piece ${m.pieceId} is not in batch ${batchId}`);
          return {
            ...m,
            id: `${batch.visitId}/${m.pieceId}/${m.characteristicId}/${atMs}`,
            low: characteristic.low,
            high: characteristic.high,
          };
        });
        if (measures.length === 0) throw badInput('measures', 'Type at least one measure');
        unit.record('measures.taken', { batchId }, { operationId: operation.id, measures }, atMs);
        return { id: batchId, version: unit.rows.get(Batch, batchId).version };
      },
    );
  }
}

/** Only released wood of the right kind, and enough of it, is cut. */
function checkWood(lot: Lot, need: WoodNeed, volumeM3: number, modelName: string): void {
  const no = (sentence: string, field: string) => refused([{ rule: 'state', verdict: 'stop', sentence, field }]);
  if (lot.state !== 'released') throw no(`Lot ${lot.id} is ${lot.state}; only a released lot can be cut`, 'lotId');
  if (lot.species !== need.species || lot.use !== need.use)
    throw no(`Lot ${lot.id} is ${lot.species} for ${lot.use}; ${modelName} needs ${need.species} for ${need.use}`, 'lotId');
  if (lot.leftM3 + 1e-9 < volumeM3)
    throw no(`${lot.leftM3.toFixed(3)} m³ is left of lot ${lot.id}; this batch needs ${volumeM3.toFixed(3)} m³`, 'quantity');
}

/** Are these blanks here, for this part, and kept for nobody else? */
function checkBlanks(unit: UnitOfWork, { quantity, modelId, component, orderId, lotId }: StartBatchDto, blankIds: readonly string[]): void {
  const no = (sentence: string) => refused([{ rule: 'state', verdict: 'stop', sentence, field: 'blankIds' }]);
  if (new Set(blankIds).size !== quantity) throw badInput('blankIds', `${quantity} pieces need as many blanks`);
  const blanks = blankIds.map((id) => unit.rows.get(Blank, id));
  for (const blank of blanks) {
    if (blank.state !== 'free') throw no(`Blank ${blank.id} has become ${blank.pieceId ?? 'a piece'} already`);
    if (blank.modelId !== modelId || blank.component !== component) throw no(`Blank ${blank.id} is for another part`);
    if (blank.orderId !== null && blank.orderId !== orderId) throw no(`Blank ${blank.id} is kept for ${blank.orderId}`);
  }
  if (!blanks.some((b) => b.lotId === lotId)) throw badInput('lotId', `None of these blanks comes from lot ${lotId}`);
}

/** The blocks that another batch's pieces were cut from, one for each piece. */
function matchedSets(unit: UnitOfWork, batchId: string, quantity: number): (string | null)[] {
  const sets = livePieces(piecesIn(unit.rows, batchId)).map((p) => p.setId);
  if (sets.length < quantity) throw badInput('matchBatchId', `Batch ${batchId} has ${sets.length} pieces; ${quantity} are to match them`);
  return sets.slice(0, quantity);
}
