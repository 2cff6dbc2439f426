import { DAY_MS, keptKinds, makeNext, pieceWord, type MakeNext } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { Clock } from '../platform/clock/clock.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { OrdersService, REACH_DAYS } from './orders.ts';
import type { MakeNextView } from './orders.dto.ts';

/** What is made ahead for stock, against what work under way and orders will take of it. */
@Injectable()
export class MakeNextService {
  constructor(
    private readonly factories: FactoryService,
    private readonly orders: OrdersService,
    private readonly clock: Clock,
  ) {}

  /** Every kind kept in stock on purpose, the soonest to be begun first. */
  async view(): Promise<MakeNextView[]> {
    const factory = await this.factories.load();
    const nowMs = this.clock.nowMs();
    const kinds = [...factory.setUp.models.values()].flatMap((model) => {
      const route = model.active ? factory.routeInForce(model.id, nowMs) : undefined;
      return route ? keptKinds(route, model.batchSize) : [];
    });
    if (kinds.length === 0) return [];
    const { orders, floor } = await this.orders.asking();
    const time = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    return makeNext(kinds, floor, orders, nowMs, time, factory).map((made) => toView(made, factory));
  }
}

function toView(made: MakeNext, factory: FactoryNow): MakeNextView {
  const model = factory.modelName(made.modelId);
  return { ...made, name: made.component === 'small part' ? model : `${model} ${pieceWord(2, made.component)}` };
}
