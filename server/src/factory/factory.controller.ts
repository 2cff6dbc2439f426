import type { FactoryTold, HouseFactory } from '@ample-crane/core';
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
    const { models, routes, versions, stations, carriers, prerequisites, materials, people, zones, settings } = (
      await this.factories.load()
    ).setUp;
    const worked = await this.database.query<{ route_id: string }[]>(`select distinct route_id from batch where status <> 'done'`);
    const wanted = new Set([...worked.map((r) => r.route_id), ...versions.filter((v) => v.state === 'released').map((v) => v.id)]);
    const {
      factory,
      workWeek,
      sprayLimits,
      serialPattern,
      moistureGate,
      moistureBand,
      moistureExceptions,
      kilnSchedules,
      species,
      defects,
    } = settings;
    return {
      models: [...models.values()],
      routes: [...routes.values()].filter((r) => wanted.has(r.id)),
      versions,
      stations: [...stations.values()],
      carriers: [...carriers.values()],
      prerequisites,
      materials: [...materials.values()],
      people: [...people.values()],
      zones: [...zones],
      settings: {
        factory,
        workWeek,
        sprayLimits,
        serialPattern,
        moistureGate,
        moistureBand,
        moistureExceptions,
        kilnSchedules,
        species,
        defects,
      },
    };
  }
}
