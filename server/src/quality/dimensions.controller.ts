import { SettleSignal } from '@ample-crane/core';
import { Body, Controller, Get, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { CommandsService } from '../logbook/commands.service.ts';
import { Gives } from '../logbook/gives.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { ChartQuery, DimensionChartView, DimensionView, SettleSignalDto } from './dimensions.dto.ts';
import { DimensionsQueries } from './dimensions.queries.ts';

@ApiTags('quality')
@Controller('dimensions')
export class DimensionsController {
  constructor(
    private readonly dimensions: DimensionsQueries,
    private readonly commands: CommandsService,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: [DimensionView] })
  list(): Promise<DimensionView[]> {
    return this.dimensions.list();
  }

  @Get('chart')
  @Allow('viewer')
  @ApiOkResponse({ type: DimensionChartView })
  chart(@Query() asked: ChartQuery): Promise<DimensionChartView> {
    return this.dimensions.chart(asked);
  }

  @Post('settle')
  @Gives(SettleSignal)
  @ApiOkResponse({ type: DoneView })
  settle(@CurrentActor() actor: Actor, @Body() { atMs, ...said }: SettleSignalDto): Promise<DoneView> {
    return this.commands.give(actor, SettleSignal, said, { seen: [], atMs }, () => ({ id: said.dimensionId }));
  }
}
