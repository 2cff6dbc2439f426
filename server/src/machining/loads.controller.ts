import { OrderLoads } from '@ample-crane/core';
import { Body, Controller, Get, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { CommandsService } from '../logbook/commands.service.ts';
import { Gives } from '../logbook/gives.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { LoadsView, OrderLoadsDto } from './loads.dto.ts';
import { LoadsQueries } from './loads.queries.ts';

@ApiTags('machining')
@Controller('loads')
export class LoadsController {
  constructor(
    private readonly loads: LoadsQueries,
    private readonly commands: CommandsService,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: LoadsView })
  view(): Promise<LoadsView> {
    return this.loads.view();
  }

  @Post('order')
  @Gives(OrderLoads)
  @ApiOkResponse({ type: DoneView })
  order(@CurrentActor() actor: Actor, @Body() dto: OrderLoadsDto): Promise<DoneView> {
    return this.commands.give(actor, OrderLoads, dto, { seen: [] }, () => ({ id: dto.stationCode }));
  }
}
