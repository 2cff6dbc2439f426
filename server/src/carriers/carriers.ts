import { CARRIER_KINDS, COMPONENTS, RIG_CYCLES, type CarrierKind, type Component, type RigCycle, type RigOf } from '@ample-crane/core';
import { Controller, Get, Injectable, Param } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DataSource, In } from 'typeorm';
import { Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { Allow } from '../platform/identity/role.ts';
import { notFound } from '../platform/problems/problems.ts';
import { FactoryService } from '../factory/factory.service.ts';
import { BatchView } from '../batches/batch.view.ts';
import { BatchLists } from '../batches/batches.lists.ts';
import { BatchEntity } from '../batches/batch.entity.ts';

export class OnCarrierView {
  @Out() batchId: string;
  @OutEnum(COMPONENTS) component: Component;
  @Out() pieces: number;
}

class RigOfView implements RigOf {
  @Out() stationCode: string;
  @OutEnum(RIG_CYCLES) cycle: RigCycle;
  @Out() handsMinutes: number;
}

export class CarrierView {
  @Out() id: string;
  @Out() name: string;
  @OutEnum(CARRIER_KINDS) kind: CarrierKind;
  @Out() places: number;
  @Out() taken: number;
  @Out() active: boolean;
  @Out() version: number;
  @Out() zoneId: string;
  /** the model it is made for */
  @OutOrNull(String) outline: string | null;
  /** where what is in it is pressed */
  @OutOrNull(RigOfView) rig: RigOfView | null;
  @OutList(() => OnCarrierView) batches: OnCarrierView[];
}

/** One carrier, scanned: what sits on it and what is due of it. */
export class OneCarrierView {
  @OutPart(() => CarrierView) carrier: CarrierView;
  @OutList(() => BatchView) batches: BatchView[];
}

@Injectable()
export class CarriersQueries {
  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly batches: BatchLists,
  ) {}

  async one(id: string): Promise<OneCarrierView> {
    const [carrier] = await this.read('where c.id = $1', [id]);
    if (!carrier) throw notFound('carrier', id);
    const rows = await this.database
      .getRepository(BatchEntity)
      .find({ where: { id: In(carrier.batches.map((b) => b.batchId)) }, order: { number: 'ASC' } });
    return { carrier, batches: await this.batches.views(rows, await this.factories.load()) };
  }

  /** Every carrier, how full it is, and what sits on it or is pressed in it. */
  list(): Promise<CarrierView[]> {
    return this.read('', []);
  }

  private read(which: string, of: readonly string[]): Promise<CarrierView[]> {
    return this.database.query<CarrierView[]>(
      `select c.id, c.name, c.kind, c.places, c.active, c.version, c.zone_id as "zoneId", c.outline, c.rig,
         (c.taken + coalesce(sum(p.pieces) filter (where p.pressed), 0))::int as taken,
         coalesce(jsonb_agg(jsonb_build_object('batchId', b.id, 'component', b.component, 'pieces', p.pieces) order by b.number)
           filter (where b.id is not null), '[]') as batches
       from carrier c left join lateral (
         select batch_id, pieces, false as pressed from placement where carrier_id = c.id
         union all select batch_id, count(*)::int, true from piece where in_rig = c.id group by batch_id
       ) p on true left join batch b on b.id = p.batch_id
       ${which} group by c.id order by c.active desc, c.kind, c.id`,
      [...of],
    );
  }
}

@ApiTags('carriers')
@Controller('carriers')
export class CarriersController {
  constructor(private readonly carriers: CarriersQueries) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: [CarrierView] })
  list(): Promise<CarrierView[]> {
    return this.carriers.list();
  }

  @Get(':id')
  @Allow('viewer')
  @ApiOkResponse({ type: OneCarrierView })
  one(@Param('id') id: string): Promise<OneCarrierView> {
    return this.carriers.one(id);
  }
}
