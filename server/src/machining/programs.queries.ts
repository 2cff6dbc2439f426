import {
  asksOfFirstPiece,
  groupBy,
  latestOf,
  Program,
  programState,
  programsWanted,
  releasedOf,
  timeTruths,
  type Order,
  type OrderOnItsWay,
  type ProgramWanted,
  type Revision,
  type RunTimes,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { RunTimesEntity } from '../batches/run.entity.ts';
import { toCharacteristicView } from '../factory/characteristic.view.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { openOrders } from '../orders/openOrders.ts';
import { ask } from '../platform/database/prepared.ts';
import { Clock } from '../platform/clock/clock.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { ProgramEntity } from './program.entity.ts';
import type { ProgramLineView, ProgramsView, ProgramView, RevisionView, WantedView } from './programs.dto.ts';

type WaitingOrder = OrderOnItsWay & Pick<Order, 'number' | 'customer'>;

/** Programs: which are there, which are being written, and who waits for them. */
@Injectable()
export class ProgramsQueries {
  private readonly lists: Shelf<ProgramsView>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.lists = snapshots.shelf('the floor');
  }

  /** Every program: what orders wait for first, then what is being written, then what is released. */
  list(): Promise<ProgramsView> {
    return this.lists.of('all', async () => {
      const [factory, programs, orders] = await Promise.all([
        this.factories.load(),
        this.database.getRepository(ProgramEntity).find(),
        this.openOrders(),
      ]);
      const wanted = programsWanted(orders, programs, factory, this.clock.nowMs());
      const view = (w: ProgramWanted | undefined) => (w ? wantedView(w, orders, factory) : null);
      return {
        programs: programs.map((p) => lineOf(p, view(wanted.find((w) => w.programId === p.id)), factory)).sort(byNeed),
        unasked: wanted
          .filter((w) => w.programId === null)
          .map((w) => ({
            modelId: w.modelId,
            modelName: factory.modelName(w.modelId),
            what: w.what,
            wanted: wantedView(w, orders, factory),
          })),
      };
    });
  }

  /** One program, with all its revisions and what their loads took. */
  async one(id: string): Promise<ProgramView> {
    const program = await this.reader.find(Program, id);
    if (!program) throw notFound('program', id);
    const [factory, { programs }, times] = await Promise.all([
      this.factories.load(),
      this.list(),
      this.database.getRepository(RunTimesEntity).find({ where: { programId: id } }),
    ]);
    const known = programs.find((p) => p.id === id);
    return {
      line: lineOf(program, known?.wanted ?? null, factory),
      revisions: program.revisions.map((r) => revisionView(r, times, factory)).reverse(),
      firstPiece: asksOfFirstPiece(program, factory, this.clock.nowMs()).map(toCharacteristicView),
    };
  }

  /** Open orders, with how far what was begun for them has come. */
  private async openOrders(): Promise<WaitingOrder[]> {
    const orders = await openOrders(this.database.manager);
    const begun = await ask<OrderOnItsWay['batches'][number] & { orderId: string }>(
      this.database,
      `select order_id as "orderId", component, quantity, passes, operation_id as "operationId", status from batch where order_id = any($1)`,
      [orders.map((o) => o.id)],
    );
    const byOrder = groupBy(begun, (b) => b.orderId);
    return orders.map((o) => ({ ...o, batches: byOrder.get(o.id) ?? [] }));
  }
}

function lineOf(program: Program, wanted: WantedView | null, factory: FactoryNow): ProgramLineView {
  const { id, modelId, what, side, ownerId, askedMs, note, version } = program;
  return {
    id,
    modelId,
    modelName: modelId === null ? 'every model' : factory.modelName(modelId),
    what,
    side,
    serves: program.serves.map((key) => choiceInWords(key, modelId, factory)),
    ownerId,
    owner: ownerId === null ? null : factory.personName(ownerId),
    askedMs,
    note,
    state: programState(program),
    released: releasedOf(program)?.name ?? null,
    latest: latestOf(program)?.name ?? null,
    wanted,
    version,
  };
}

/** A choice as the latest of the model's routes calls it. */
function choiceInWords(key: string, modelId: string | null, factory: FactoryNow): string {
  const [optionId, valueId] = key.split('=');
  const routes = [...factory.setUp.routes.values()].filter((r) => r.modelId === modelId).sort((a, b) => b.version - a.version);
  const option = routes.flatMap((r) => r.options ?? []).find((o) => o.id === optionId);
  return option ? `${option.name}: ${option.values.find((v) => v.id === valueId)?.name ?? valueId ?? ''}` : key;
}

function wantedView(
  { stage, stepName, orderIds, otherWays }: ProgramWanted,
  orders: readonly WaitingOrder[],
  factory: FactoryNow,
): WantedView {
  const byId = new Map(orders.map((o) => [o.id, o]));
  return {
    stage,
    stepName,
    orders: orderIds.flatMap((orderId) => {
      const order = byId.get(orderId);
      return order ? [{ id: order.id, number: order.number, customer: order.customer, dueMs: order.dueMs }] : [];
    }),
    otherWays: otherWays.map(({ name, stationCode }) => ({ name, stationName: factory.stationName(stationCode) })),
  };
}

function revisionView(revision: Revision, times: readonly RunTimes[], factory: FactoryNow): RevisionView {
  const { steps, proof, cutters, ...said } = revision;
  return {
    ...said,
    cutters: [...cutters],
    steps: steps.map(({ state, atMs, personId, note }) => ({ state, atMs, by: factory.personName(personId), note })),
    proof: proof && {
      piece: proof.piece,
      measures: [...proof.measures],
      note: proof.note,
      atMs: proof.atMs,
      by: factory.personName(proof.personId),
    },
    truths: timeTruths(times.filter((t) => t.revision === revision.name)).map((truth) => ({
      ...truth,
      stationName: factory.stationName(truth.stationCode),
    })),
  };
}

function byNeed(a: ProgramLineView, b: ProgramLineView): number {
  const due = (p: ProgramLineView) => p.wanted?.orders[0]?.dueMs ?? Infinity;
  const open = (p: ProgramLineView) => Number(p.state === 'released');
  const firstDue = due(a) === due(b) ? 0 : due(a) - due(b);
  return (
    firstDue || open(a) - open(b) || a.modelName.localeCompare(b.modelName) || a.what.localeCompare(b.what) || a.id.localeCompare(b.id)
  );
}
