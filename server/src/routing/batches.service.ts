import {
  decide,
  dryFilmUm,
  evaluateGate,
  firstOperation,
  livePieces,
  piecesInPass,
  startedComponents,
  worst,
  type Batch,
  type BatchCommand,
  type Finding,
  type Operation,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { ClimateService } from '../climate/climate.service.ts';
import { LogbookService, type UnitOfWork } from '../logbook/logbook.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { mayActAs } from '../platform/identity/role.ts';
import { badInput, notFound, Problem, refused, stale } from '../platform/problems/problems.ts';
import { holdsSkill, operationAt, routeOf, ShopService, type Shop } from '../setup/shop.service.ts';
import type { CoatDto, MeasuresDto, StartBatchDto } from './batches.dto.ts';
import { EvidenceService } from './evidence.service.ts';
import { MeasureEntity } from '../assembly/assembly.entity.ts';
import { CoatEntity } from '../finishing/finishing.entity.ts';
import { OrderEntity } from '../orders/order.entity.ts';

/** Least role that may pass a gate against its findings. */
const OVERRIDE_ROLE = 'lead';

@Injectable()
export class BatchesService {
  constructor(
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
    private readonly evidence: EvidenceService,
    private readonly climate: ClimateService,
  ) {}

  /** Starts a batch of bodies or necks from a released lot. */
  async start(actor: Actor, dto: StartBatchDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    const model = shop.models.get(dto.modelId);
    if (!model) throw badInput('modelId', `There is no model ${dto.modelId}`);
    const route = routeOf(shop, model.routeId);
    if (!startedComponents(route).includes(dto.component)) throw badInput('component', `A ${model.name} has no separate ${dto.component}`);
    const need = dto.component === 'body' ? model.wood.body : model.wood.neck;
    if (!need) throw badInput('component', `A ${model.name} has no separate ${dto.component}`);
    firstOperation(route, dto.component);
    return this.logbook.perform(
      actor,
      { name: 'start batch', request: dto, concerns: { lots: [dto.lotId], routes: [route.id] } },
      async (unit) => {
        const lot = unit.state.get('lot', dto.lotId);
        if (lot.state !== 'released')
          throw refused([
            {
              rule: 'state',
              verdict: 'stop',
              sentence: `Lot ${lot.id} is ${lot.state}; only a released lot can be cut`,
              field: 'lotId',
            },
          ]);
        if (lot.species !== need.species || lot.use !== need.use)
          throw refused([
            {
              rule: 'state',
              verdict: 'stop',
              sentence: `Lot ${lot.id} is ${lot.species} for ${lot.use}; ${model.name} needs ${need.species} for ${need.use}`,
              field: 'lotId',
            },
          ]);
        const volumeM3 = Math.round(need.volumeM3 * dto.quantity * 1e6) / 1e6;
        if (lot.leftM3 + 1e-9 < volumeM3)
          throw refused([
            {
              rule: 'state',
              verdict: 'stop',
              sentence: `${lot.leftM3.toFixed(3)} m³ is left of lot ${lot.id}; this batch needs ${volumeM3.toFixed(3)} m³`,
              field: 'quantity',
            },
          ]);
        const dueMs = await this.dueOf(unit, dto.orderId, dto.modelId);
        const number = await nextNumber(unit, 'batch');
        unit.record(
          'batch.started',
          { batchId: `B${number}`, lotId: lot.id },
          {
            number,
            modelId: model.id,
            component: dto.component,
            routeId: route.id,
            orderId: dto.orderId,
            lotId: lot.id,
            quantity: dto.quantity,
            dueMs,
            carrier: dto.carrier,
            volumeM3,
          },
        );
        return { id: `B${number}` };
      },
    );
  }

  private async dueOf(unit: UnitOfWork, orderId: string | null, modelId: string): Promise<number | null> {
    if (orderId === null) return null;
    const order = await unit.manager.findOneBy(OrderEntity, { id: orderId });
    if (!order) throw badInput('orderId', `There is no order ${orderId}`);
    if (order.modelId !== modelId) throw badInput('orderId', `Order ${orderId} is for another model`);
    return order.dueMs;
  }

  /** Start, pause, resume, finish, move, hold or release: judged by core, recorded as it decides. */
  async command(actor: Actor, batchId: string, version: number, command: BatchCommand): Promise<{ id: string }> {
    const shop = await this.shops.load();
    if (command.kind === 'move' && command.overrideReason !== undefined && !mayActAs(actor.role, OVERRIDE_ROLE))
      throw new Problem(
        403,
        'not-allowed',
        'Not allowed',
        `A gate can be overridden by a ${OVERRIDE_ROLE} or above; you are ${actor.role}.`,
      );
    const request = { batchId, version, command };
    return this.logbook.perform(actor, { name: `batch ${command.kind}`, request, concerns: { batches: [batchId] } }, async (unit) => {
      const batch = current(unit, batchId, version);
      const decision = decide(batch, command, {
        route: routeOf(shop, batch.routeId),
        pieces: unit.state.pieces(batchId),
        evidence: (await this.evidence.gather([batch], shop, unit.manager)).get(batchId) ?? {
          nowMs: unit.nowMs,
        },
        holdsSkill: holdsSkill(shop),
        unmeasured: command.kind === 'finish' ? await unmeasured(unit, batch, operationAt(shop, batch)) : [],
        coatsLogged: await unit.manager.countBy(CoatEntity, { visitId: batch.visitId }),
      });
      if (decision.kind === 'refuse') throw refused(decision.because);
      for (const entry of decision.entries) unit.record(entry.kind, { batchId }, entry.payload);
      return { id: batchId };
    });
  }

  /** Whether a coat may be sprayed on a batch now: the window since the last one, and the booth's air. */
  async coatFindings(batch: Batch, operation: Operation, shop: Shop, nowMs: number, lastCoatMs: number | undefined): Promise<Finding[]> {
    if (!operation.coat) return [];
    const air = await this.climate.air(shop.stations.get(batch.stationCode)?.zoneId ?? '');
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

  async logCoat(actor: Actor, batchId: string, dto: CoatDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    return this.logbook.perform(
      actor,
      { name: 'log coat', request: { batchId, ...dto }, concerns: { batches: [batchId] } },
      async (unit) => {
        const batch = current(unit, batchId, dto.version);
        const operation = operationAt(shop, batch);
        const { coat } = operation;
        if (!coat) throw refused([{ rule: 'state', verdict: 'stop', sentence: `${operation.name} lays no coats` }]);
        if (batch.status !== 'running')
          throw refused([{ rule: 'state', verdict: 'stop', sentence: `${operation.name} is not running; start it first` }]);
        const atMs = dto.atMs ?? unit.nowMs;
        if (atMs > unit.nowMs) throw badInput('atMs', 'A coat cannot be sprayed in the future');
        if (atMs < batch.arrivedMs) throw badInput('atMs', `The batch came to the booth only after that`);
        const earlier = await unit.manager.find(CoatEntity, {
          where: { visitId: batch.visitId },
          order: { atMs: 'DESC' },
        });
        const findings = await this.coatFindings(batch, operation, shop, atMs, earlier[0]?.atMs);
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
        return { id: coatId };
      },
    );
  }

  async takeMeasures(actor: Actor, batchId: string, dto: MeasuresDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    return this.logbook.perform(
      actor,
      { name: 'take measures', request: { batchId, ...dto }, concerns: { batches: [batchId] } },
      (unit) => {
        const batch = current(unit, batchId, dto.version);
        const operation = operationAt(shop, batch);
        const live = new Set(livePieces(unit.state.pieces(batchId)).map((p) => p.id));
        const measures = dto.measures.map((m, i) => {
          const characteristic = operation.characteristics?.find((c) => c.id === m.characteristicId);
          if (!characteristic) throw badInput(`measures.${i}.characteristicId`, `${operation.name} does not measure ${m.characteristicId}`);
          if (!live.has(m.pieceId)) throw badInput(`measures.${i}.pieceId`, `Piece ${m.pieceId} is not in batch ${batchId}`);
          return {
            ...m,
            id: `${batch.visitId}/${m.pieceId}/${m.characteristicId}/${unit.nowMs}`,
            low: characteristic.low,
            high: characteristic.high,
          };
        });
        if (measures.length === 0) throw badInput('measures', 'Type at least one measure');
        unit.record('measures.taken', { batchId }, { operationId: operation.id, measures });
        return { id: batchId };
      },
    );
  }
}

/** The batch as it is now; a problem if it has moved on since the person looked. */
export function current(unit: UnitOfWork, batchId: string, version: number): Batch {
  const batch = unit.state.find('batch', batchId);
  if (!batch) throw notFound('batch', batchId);
  if (batch.version !== version) throw stale(`Batch ${batchId}`, batch);
  return batch;
}

/** The next free number, one command at a time. */
export async function nextNumber(unit: UnitOfWork, table: 'batch' | 'lot' | 'customer_order'): Promise<number> {
  await unit.manager.query('select pg_advisory_xact_lock(hashtext($1))', [`number of ${table}`]);
  const rows: { next: number }[] = await unit.manager.query(`select coalesce(max(number), 0) + 1 as next from ${table}`);
  return rows[0]?.next ?? 1;
}

async function unmeasured(unit: UnitOfWork, batch: Batch, operation: Operation): Promise<string[]> {
  if (!operation.characteristics) return [];
  const rows = await unit.manager.findBy(MeasureEntity, { batchId: batch.id, operationId: operation.id });
  return unmeasuredPieces(batch, operation, unit.state.pieces(batch.id), rows);
}

/** Pieces of the pass that lack a measure this step asks for, taken since the batch came to it. */
export function unmeasuredPieces(
  batch: Batch,
  operation: Operation,
  pieces: Parameters<typeof piecesInPass>[1],
  measures: readonly MeasureEntity[],
): string[] {
  const wanted = operation.characteristics ?? [];
  return piecesInPass(batch, pieces)
    .filter(
      (piece) =>
        !wanted.every((c) => measures.some((m) => m.pieceId === piece.id && m.characteristicId === c.id && m.atMs >= batch.arrivedMs)),
    )
    .map((piece) => piece.id);
}
