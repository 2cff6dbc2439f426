import { startedComponents } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { OrdersService } from '../orders/orders.ts';
import { notFound } from '../platform/problems/problems.ts';
import { FactoryService } from '../factory/factory.service.ts';
import type { OrderWoodView } from './stock.view.ts';
import { LotEntity } from './timber.entity.ts';

/** What wood an open order is made of, and where it is to come from. */
@Injectable()
export class OrderWoodService {
  constructor(
    private readonly database: DataSource,
    private readonly orders: OrdersService,
    private readonly factories: FactoryService,
  ) {}

  /** Part by part: how much it still needs, what is kept for it, and which lots could give it. */
  async of(orderId: string): Promise<OrderWoodView> {
    const open = (await this.orders.lacks()).find(({ order }) => order.id === orderId);
    if (!open) throw notFound('open order', orderId);
    const factory = await this.factories.load();
    const { model, routeId, facts, lacks } = open;
    const needs = startedComponents(factory.routeOf({ routeId, facts })).flatMap((component) => {
      const need = factory.woodNeed(model, component, facts);
      return need ? [{ component, need, usual: model.wood[component]?.species }] : [];
    });
    const lots = await this.database
      .getRepository(LotEntity)
      .findBy({ state: In(['released', 'drying']), species: In(needs.map(({ need }) => need.species)) });
    const kept = await this.database.query<{ lotId: string; orderId: string; volumeM3: number }[]>(
      `select k.lot_id as "lotId", k.order_id as "orderId", k.volume_m3 as "volumeM3" from kept_wood k
         join customer_order o on o.id = k.order_id and o.shipped < o.quantity where k.lot_id = any($1)`,
      [lots.map((l) => l.id)],
    );
    const keptOf = (lotId: string, own: boolean) =>
      kept.filter((k) => k.lotId === lotId && (k.orderId === orderId) === own).reduce((sum, k) => sum + k.volumeM3, 0);
    return {
      parts: needs.map(({ component, need, usual }) => {
        const count = lacks.find((l) => l.component === component)?.count ?? 0;
        const own = lots
          .filter((l) => l.species === need.species && l.use === need.use)
          .map((lot) => ({
            id: lot.id,
            version: lot.version,
            state: lot.state,
            freeM3: Math.max(0, lot.leftM3 - keptOf(lot.id, false)),
            keptM3: keptOf(lot.id, true),
          }))
          .sort((a, b) => b.state.localeCompare(a.state) || b.freeM3 - a.freeM3);
        return {
          component,
          species: need.species,
          use: need.use,
          chosen: need.species !== usual,
          neededM3: Math.round(count * need.volumeM3 * 1e6) / 1e6,
          keptM3: own.reduce((sum, l) => sum + l.keptM3, 0),
          lots: own,
        };
      }),
    };
  }
}
