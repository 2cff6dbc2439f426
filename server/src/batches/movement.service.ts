import {
  decide,
  lastOf,
  operationOf,
  othersIn,
  Batch,
  type BatchCommand,
  type DecisionContext,
  type Operation,
  type Route,
  rowsOf,
  Instrument,
  rowsBy,
  piecesIn,
  Defect,
  type Concerns,
  visitOf,
  placementsOf,
  Visit,
  Piece,
  Coat,
  Order,
  Measure,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { LogbookService, type UnitOfWork } from '../logbook/logbook.service.ts';
import type { WhenDto } from '../platform/http/version.dto.ts';
import type { BatchDoneView as BatchDone } from '../platform/http/views.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { mayActAs } from '../platform/identity/role.ts';
import { badInput, Problem, refused } from '../platform/problems/problems.ts';
import { holdsSkill, missingOf, routeOf, ShopService, type Shop } from '../factory/shop.service.ts';
import type { CallDto } from './batches.dto.ts';
import { carrierUses, current, NAMING_ROLE, OVERRIDE_ROLE, unmeasuredPieces } from './commands.ts';
import { nextNumber } from '../logbook/nextNumber.ts';
import { happenedAt } from '../logbook/happened.ts';
import { EvidenceService } from './evidence.service.ts';
import { BatchEntity } from './batch.entity.ts';

/** Commands that make a batch. */
const NUMBERED: readonly BatchCommand['kind'][] = ['finish some', 'split', 'refuse', 'part', 'refit', 'call'];
/** Commands that look for places. */
const PLACING: readonly BatchCommand['kind'][] = ['start', 'move', 'finish', 'receive', 'finish some', 'join', 'place', 'call', 'undo'];
const RECENT_ENTRIES = 60;

@Injectable()
export class MovementService {
  constructor(
    private readonly database: DataSource,
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
    private readonly evidence: EvidenceService,
    private readonly reader: RowReader,
  ) {}

  /** Any command on a batch: judged by core, recorded as it decides. */
  async command(actor: Actor, batchId: string, on: WhenDto, command: BatchCommand, toRouteId?: string): Promise<BatchDone> {
    const shop = await this.shops.load();
    if (command.kind === 'move' && command.overrideReason !== undefined && !mayActAs(actor.role, OVERRIDE_ROLE))
      throw new Problem(
        403,
        'not-allowed',
        'Not allowed',
        `A gate can be overridden by a ${OVERRIDE_ROLE} or above; you are ${actor.role}.`,
      );
    if ('personId' in command && command.personId !== actor.personId && !mayActAs(actor.role, NAMING_ROLE))
      throw new Problem(
        403,
        'not-allowed',
        'Not allowed',
        `Work is written down as another’s by a ${NAMING_ROLE} or above; you are ${actor.role}.`,
      );
    const stock = command.kind === 'start' ? await this.stockFor(batchId, shop) : [];
    const concerns = { about: [rowsOf(Batch, [batchId, ...othersIn(command), ...stock])], ...further(command, batchId) };
    const request = { batchId, ...on, command, toRouteId };
    return this.logbook.perform(
      actor,
      { name: `batch ${command.kind}`, request, concerns, routes: toRouteId === undefined ? [] : [toRouteId] },
      async (unit) => {
        const batch = current(unit, batchId, on.version);
        const atMs = happenedAt(on, unit.nowMs, { notBeforeMs: batch.sinceMs, because: `Batch ${batchId} has been changed since then` });
        const context = await this.context(unit, shop, batch, command, stock, toRouteId);
        const decision = decide(batch, command, { ...context, evidence: { ...context.evidence, nowMs: atMs } });
        if (decision.kind === 'refuse') throw refused(decision.because);
        for (const entry of decision.entries) unit.record(entry.kind, { batchId: entry.batchId ?? batchId }, entry.payload, atMs);
        return { id: batchId, version: unit.rows.get(Batch, batchId).version };
      },
    );
  }

  /** Calls pieces out of a buffer, for an order when it names one. */
  async call(actor: Actor, batchId: string, dto: CallDto): Promise<BatchDone> {
    const order = dto.orderId === null ? null : await this.reader.find(Order, dto.orderId);
    if (dto.orderId !== null && !order) throw badInput('orderId', `There is no order ${dto.orderId}`);
    const { quantity, orderId } = dto;
    return this.command(actor, batchId, dto, { kind: 'call', quantity, orderId, dueMs: order?.dueMs ?? null });
  }

  private async context(
    unit: UnitOfWork,
    shop: Shop,
    batch: Batch,
    command: BatchCommand,
    stock: readonly string[],
    toRouteId: string | undefined,
  ): Promise<DecisionContext> {
    const route = routeOf(shop, batch);
    const operation = operationOf(route, batch.operationId);
    const { rows } = unit;
    const evidence = await this.evidence.gather([batch], shop, unit);
    const last = command.kind === 'undo' ? await latestEntry(unit, batch.id) : undefined;
    const toRoute = toRouteId === undefined ? undefined : this.routeForMove(shop, batch, toRouteId);
    return {
      route,
      pieces: piecesIn(rows, batch.id),
      visit: visitOf(rows, batch),
      evidence: evidence.get(batch.id) ?? { nowMs: unit.nowMs },
      holdsSkill: holdsSkill(shop),
      modelName: (modelId) => shop.models.get(modelId)?.name ?? modelId,
      missing: (prerequisite) => missingOf(shop, batch.modelId, prerequisite),
      unmeasured: command.kind === 'finish' || command.kind === 'finish some' ? await unmeasured(unit, batch, operation) : [],
      coatsLogged: operation.coat ? (await unit.read(rowsBy(Coat, 'visitId', [batch.visitId]))).all(Coat).length : 0,
      placements: placementsOf(rows, batch.id),
      carriers: PLACING.includes(command.kind) && concernsPlaces(route, command) ? await carrierUses(unit, shop, batch.id) : [],
      stock: stock.map((id) => rows.get(Batch, id)).sort((a, b) => a.arrivedMs - b.arrivedMs),
      others: othersIn(command).map((id) => ({ batch: rows.get(Batch, id), pieces: piecesIn(rows, id) })),
      ...(NUMBERED.includes(command.kind) ? { nextBatchNumber: await nextNumber(unit, 'batch') } : {}),
      ...(last ? { last } : {}),
      ...(toRoute ? { toRoute } : {}),
    };
  }

  private routeForMove(shop: Shop, batch: Batch, routeId: string): Route {
    const version = shop.versions.find((v) => v.id === routeId);
    if (!version || version.state === 'draft') throw badInput('routeId', `There is no released route ${routeId}`);
    return routeOf(shop, { routeId, facts: batch.facts });
  }

  /** Boxes of small parts that the present step of a batch could be drawn from. */
  private async stockFor(batchId: string, shop: Shop): Promise<string[]> {
    const drawn = new Set([...shop.routes.values()].flatMap((r) => r.operations.flatMap((o) => (o.draws ?? []).map((d) => d.modelId))));
    if (drawn.size === 0) return [];
    const batch = await this.database.getRepository(BatchEntity).findOneBy({ id: batchId });
    const draws = batch ? (operationOf(routeOf(shop, batch), batch.operationId).draws ?? []) : [];
    if (draws.length === 0) return [];
    const rows: { id: string }[] = await this.database.query(
      `select id from batch where status = 'stocked' and model_id = any($1) order by arrived_at, number`,
      [draws.map((d) => d.modelId)],
    );
    return rows.map((r) => r.id);
  }
}

const concernsPlaces = (route: Route, command: BatchCommand): boolean =>
  command.kind === 'place' || ('placements' in command && command.placements !== undefined) || route.operations.some((o) => o.place);

async function latestEntry(unit: UnitOfWork, batchId: string): Promise<DecisionContext['last']> {
  const rows = await unit.manager.find(LogbookEntity, { where: { batchId }, order: { id: 'DESC' }, take: RECENT_ENTRIES });
  // What the table holds was checked when it was appended.
  return lastOf(rows.reverse());
}

async function unmeasured(unit: UnitOfWork, batch: Batch, operation: Operation): Promise<string[]> {
  if (!operation.characteristics) return [];
  const measures = (await unit.read(rowsBy(Measure, 'batchId', [batch.id]))).all(Measure).filter((m) => m.operationId === operation.id);
  return unmeasuredPieces(batch, operation, piecesIn(unit.rows, batch.id), measures);
}

/** What a command looks at besides the batches it names. */
function further(command: BatchCommand, batchId: string): Pick<Concerns, 'reads'> {
  switch (command.kind) {
    case 'undo':
      // What is taken back may reach to earlier visits, and to what was found wrong.
      return { reads: () => [rowsBy(Visit, 'batchId', [batchId]), rowsBy(Defect, 'batchId', [batchId])] };
    case 'part':
    case 'refit':
      return {
        reads: (known) => [
          rowsOf(
            Instrument,
            known.all(Piece).flatMap((p) => p.serial ?? []),
          ),
          rowsOf(
            Piece,
            known.all(Instrument).flatMap((i) => [i.serial, i.bodyId, ...(i.neckId === null ? [] : [i.neckId])]),
          ),
        ],
      };
    default:
      return {};
  }
}
