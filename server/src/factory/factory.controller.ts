import { tell, type FactoryTold, type HouseFactory } from '@ample-crane/core';
import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { Allow } from '../platform/identity/role.ts';
import { FactoryService } from './factory.service.ts';

type Told = FactoryTold<HouseFactory['setUp']['settings']>;

/** The factory as core asks it, for whoever judges by themselves. */
@ApiTags('setup')
@Controller('factory')
export class FactoryController {
  constructor(
    private readonly factories: FactoryService,
    private readonly database: DataSource,
  ) {}

  /** Of the routes, those in force or with work on them. */
  @Get()
  @Allow('viewer')
  @ApiOkResponse({ schema: { type: 'object', additionalProperties: true } })
  async factory(): Promise<Told> {
    const factory = await this.factories.load();
    const { versions, settings } = factory.setUp;
    const worked = await this.database.query<{ route_id: string }[]>(
      `select id as route_id from route r where exists (select from batch b where b.route_id = r.id and b.status <> 'done')`,
    );
    const wanted = new Set([...worked.map((r) => r.route_id), ...versions.filter((v) => v.state === 'released').map((v) => v.id)]);
    // What only the server looks at stays there.
    const { cutting, movementLimits, importColumns, demoClock, woodBuying, consignees, ...told } = settings;
    return tell(factory, told, (routeId) => wanted.has(routeId));
  }
}
