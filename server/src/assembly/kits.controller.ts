import { CountKits } from '@ample-crane/core';
import { Body, Controller, Get, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { CommandsService } from '../logbook/commands.service.ts';
import { Gives } from '../logbook/gives.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { CountKitsDto, KitStockView } from './kits.dto.ts';
import { KitStockEntity } from './kitStock.entity.ts';

@ApiTags('assembly')
@Controller('kits')
export class KitsController {
  constructor(
    private readonly commands: CommandsService,
    private readonly database: DataSource,
  ) {}

  /** Every kit that is counted. */
  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: [KitStockView] })
  kits(): Promise<KitStockView[]> {
    return this.database.getRepository(KitStockEntity).find({ order: { id: 'ASC' } });
  }

  @Post('count')
  @Gives(CountKits)
  @ApiOkResponse({ type: DoneView })
  count(@CurrentActor() actor: Actor, @Body() dto: CountKitsDto): Promise<DoneView> {
    return this.commands.give(actor, CountKits, dto, { seen: [] }, () => ({ id: dto.what }));
  }
}
