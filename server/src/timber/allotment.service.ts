import {
  allotByWeight,
  blankObjection,
  lookOf,
  type Allotment,
  type Component,
  type WeighedBlank,
  type WeightSlot,
  type WoodNeed,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { OrderEntity } from '../orders/order.entity.ts';
import { Clock } from '../platform/clock/clock.ts';
import { badInput } from '../platform/problems/problems.ts';
import { FactoryService } from '../factory/factory.service.ts';
import type { BlankView } from './cutting.dto.ts';
import { CuttingQueries } from './cutting.queries.ts';
import type { AllotmentView } from './stock.view.ts';

const kindOf = ({ species, use }: { species: string; use: string }) => `${species} ${use}`;

/** Which blank becomes what. */
@Injectable()
export class AllotmentService {
  constructor(
    private readonly database: DataSource,
    private readonly cutting: CuttingQueries,
    private readonly climate: ClimateService,
    private readonly factories: FactoryService,
    private readonly clock: Clock,
  ) {}

  /** Which blanks best become which instruments of one model: any that fit, whatever they were cut for. */
  async of(modelId: string, component: Component): Promise<AllotmentView> {
    const factory = await this.factories.load();
    const model = factory.setUp.models.get(modelId);
    const usual = model?.wood[component];
    const inForce = factory.routeInForce(modelId, this.clock.nowMs());
    if (!model || !inForce || !usual?.weight) throw badInput('modelId', 'No target weight is set for this part of the model');
    const { weight } = usual;
    const wanted = (await this.cutting.needs()).filter((n) => n.modelId === modelId && n.component === component);
    const all = await this.cutting.blanks({ state: 'free' });
    const known = await this.database
      .getRepository(OrderEntity)
      .findBy({ id: In([...wanted.map((n) => n.orderId ?? ''), ...all.flatMap((b) => b.orderId ?? [])]), modelId });
    const needOf = new Map<string, WoodNeed>(
      known.map((o) => [o.id, factory.woodNeed(model, component, factory.factsOf(model, inForce.id, o.choices)) ?? usual]),
    );
    const fits = (blank: BlankView, need: WoodNeed) => blankObjection(blank, blank, need) === null;
    const kept = new Map<string, number>();
    const blanks = all.filter((blank) => {
      const need = needOf.get(blank.orderId ?? '');
      if (blank.orderId === null) return [usual, ...needOf.values()].some((n) => fits(blank, n));
      if (!need || !fits(blank, need)) return false;
      kept.set(blank.orderId, (kept.get(blank.orderId) ?? 0) + 1);
      return true;
    });
    const counts = new Map(wanted.map((n) => [n.orderId ?? '', n.count]));
    const orders = new Map(known.map((o) => [o.id, o]));
    const slots: WeightSlot[] = [...new Set([...counts.keys(), ...kept.keys()])].flatMap((orderId) =>
      Array.from({ length: (counts.get(orderId) ?? 0) + (kept.get(orderId) ?? 0) }, (_, i) => ({
        id: `${orderId} ${i + 1}`,
        kind: kindOf(needOf.get(orderId) ?? usual),
        orderId,
        finish: lookOf(inForce.options ?? [], orders.get(orderId)?.choices ?? {}),
        ...weight,
      })),
    );
    const weighed = blanks.flatMap((b): WeighedBlank[] =>
      b.massG === null || b.moisturePct === null
        ? []
        : [
            {
              id: b.id,
              kind: kindOf(b),
              massG: b.massG,
              volumeCm3: (b.lengthMm * b.widthMm * b.thicknessMm) / 1000,
              moisturePct: b.moisturePct,
              look: b.look,
              reservedFor: b.orderId,
            },
          ],
    );
    const { emcPct } = await this.climate.shopAir(factory.setUp.settings.factory.woodRoomZoneId);
    const result: Allotment = allotByWeight(weighed, slots, emcPct);
    const byId = new Map(blanks.map((b) => [b.id, b]));
    const orderOf = new Map(slots.map((s) => [s.id, s.orderId ?? '']));
    return {
      lowG: weight.lowG,
      highG: weight.highG,
      allotted: result.allotted.map((a) => ({
        ...a,
        orderId: orderOf.get(a.slotId) ?? '',
        blankVersion: byId.get(a.blankId)?.version ?? 0,
        reserved: byId.get(a.blankId)?.orderId != null,
      })),
      unmet: result.unmet.length,
      left: result.left,
      inBandAsTheyCome: result.inBandAsTheyCome,
    };
  }
}
