import { yieldOf } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { OrdersService } from '../orders/orders.ts';
import { inOrder, readPage, type Asked, type Listing, type Page } from '../platform/paging/page.ts';
import { beginning, numbered } from '../platform/paging/typed.ts';
import { notFound } from '../platform/problems/problems.ts';
import { PieceEntity } from '../batches/batch.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import type { BlankView, CutNeedView, CuttingView, PlanLineView, PlanView, YieldView } from './cutting.dto.ts';
import { CutYieldEntity } from './tallies.entity.ts';
import { BlankEntity, BoardEntity, CuttingPlanEntity, LotEntity } from './timber.entity.ts';

const PLANS: Listing = { table: 'cutting_plan', key: 'id', sorts: { number: 'number', atMs: 'at' }, usually: '-number' };

export interface PlansFilter extends Asked {
  /** how the number begins */
  text?: string;
}

/** What is to be cut, from what, and what became of it. */
@Injectable()
export class CuttingQueries {
  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly orders: OrdersService,
  ) {}

  async view(): Promise<CuttingView> {
    const { manager } = this.database;
    const factory = await this.factories.load();
    const released = await manager.findBy(LotEntity, { state: 'released' });
    const [whole, needs] = await Promise.all([
      manager.find(BoardEntity, {
        where: { state: 'whole', lotId: In(released.map((l) => l.id)) },
        order: { lotId: 'ASC', ordinal: 'ASC' },
      }),
      this.needs(),
    ]);
    return {
      settings: factory.setUp.settings.cutting,
      needs: [...needs, ...forStock(factory)],
      whole,
    };
  }

  /** Plans, drawn up and cut, by the page. */
  async plans({ text, ...asked }: PlansFilter): Promise<Page<PlanLineView>> {
    const page = await readPage(this.database, PLANS, asked, text === undefined ? [] : [['id like ?', beginning(numbered('C', text))]]);
    const plans = await this.database.getRepository(CuttingPlanEntity).findBy({ id: In(page.rows) });
    const factory = await this.factories.load();
    return inOrder(
      page,
      plans.map((p) => line(p, factory)),
      (view) => view.id,
    );
  }

  async plan(id: string): Promise<PlanView> {
    const { manager } = this.database;
    const plan = await manager.findOneBy(CuttingPlanEntity, { id });
    if (!plan) throw notFound('cutting plan', id);
    const factory = await this.factories.load();
    const boards = await manager.find(BoardEntity, { where: { lotId: In(plan.lotIds) }, order: { lotId: 'ASC', ordinal: 'ASC' } });
    const planned = new Set(plan.boards.map((b) => b.boardId));
    return {
      ...line(plan, factory),
      version: plan.version,
      settings: plan.settings,
      wanted: plan.wanted,
      plans: plan.boards,
      whole: boards.filter((b) => b.state === 'whole' || planned.has(b.id)),
      past: await this.past(plan.lotIds),
      cut: plan.state === 'cut' ? await this.blanks({ boardIds: [...planned] }) : [],
    };
  }

  /** Blanks, newest lot first. */
  async blanks(filter: { boardIds?: readonly string[]; lotId?: string; state?: BlankView['state'] }): Promise<BlankView[]> {
    const { manager } = this.database;
    const factory = await this.factories.load();
    const blanks = await manager.find(BlankEntity, {
      where: {
        ...(filter.boardIds ? { boardId: In([...filter.boardIds]) } : {}),
        ...(filter.lotId === undefined ? {} : { lotId: filter.lotId }),
        ...(filter.state ? { state: filter.state } : {}),
      },
      order: { lotId: 'DESC', id: 'ASC' },
    });
    const lots = await manager.findBy(LotEntity, { id: In([...new Set(blanks.map((b) => b.lotId))]) });
    const pieces = await manager.findBy(PieceEntity, { id: In(blanks.flatMap((b) => b.pieceId ?? [])) });
    const serials = new Map(pieces.map((p) => [p.id, p.serial]));
    const byLot = new Map(lots.map((l) => [l.id, l]));
    return blanks.flatMap((b) => {
      const lot = byLot.get(b.lotId);
      if (!lot) return [];
      const { species, use } = lot;
      return [{ ...b, species, use, serial: serials.get(b.pieceId ?? '') ?? null, modelName: factory.modelName(b.modelId) }];
    });
  }

  /** What open orders still ask for of each part that is made of a measured blank, less the blanks that are kept for them. */
  async needs(): Promise<CutNeedView[]> {
    const open = await this.orders.lacks();
    const rows: { order: string; component: string; count: string }[] = await this.database.query(
      `select order_id as "order", component, count(*) as count from blank where order_id = any($1) and state = 'free' group by 1, 2`,
      [open.map(({ order }) => order.id)],
    );
    const kept = new Map(rows.map((r) => [`${r.order} ${r.component}`, Number(r.count)]));
    const factory = await this.factories.load();
    return open.flatMap(({ order, model, facts, lacks }) =>
      lacks.flatMap(({ component, count: lacking }) => {
        const need = factory.woodNeed(model, component, facts);
        const count = lacking - (kept.get(`${order.id} ${component}`) ?? 0);
        if (!need?.blank || count <= 0) return [];
        return [
          {
            modelId: order.modelId,
            modelName: model.name,
            component,
            species: need.species,
            use: need.use,
            orderId: order.id,
            dueMs: order.dueMs,
            ...need.blank,
            count,
          },
        ];
      }),
    );
  }
  /** How much of boards became blanks before: of these lots, of their suppliers, of all. */
  private async past(lotIds: readonly string[]): Promise<YieldView[]> {
    const { manager } = this.database;
    const lots = await manager.findBy(LotEntity, { id: In([...lotIds]) });
    const wanted = new Map([
      ...lotIds.map((id) => [yieldOf.lot(id), `lot ${id}`] as const),
      ...lots.map((l) => [yieldOf.supplier(l.supplier), l.supplier] as const),
      [yieldOf.all, 'all lots'],
    ]);
    const known = new Map((await manager.findBy(CutYieldEntity, { id: In([...wanted.keys()]) })).map((y) => [y.id, y]));
    return [...wanted].flatMap(([id, of]) => {
      const cut = known.get(id);
      return cut && cut.boardsMm3 > 0 ? [{ of, boards: cut.boards, yield: cut.blanksMm3 / cut.boardsMm3 }] : [];
    });
  }
}

/** Every part that is made of a measured blank, to be cut for stock when nobody asks for it. */
function forStock(factory: FactoryNow): CutNeedView[] {
  return [...factory.setUp.models.values()].flatMap((model) =>
    Object.entries(model.wood).flatMap(([component, { species, use, blank }]) =>
      blank && model.active
        ? [{ modelId: model.id, modelName: model.name, component, species, use, orderId: null, dueMs: null, ...blank, count: 0 }]
        : [],
    ),
  );
}

function line(plan: CuttingPlanEntity, factory: FactoryNow): PlanLineView {
  const { id, number, atMs, personId, lotIds, state, boards } = plan;
  const cut = boards.filter((b) => b.placed.length > 0);
  const blanks = cut.reduce((sum, b) => sum + b.placed.reduce((n, p) => n + p.pieces, 0), 0);
  return { id, number, atMs, by: factory.personName(personId), lotIds, boards: cut.length, blanks, state };
}
