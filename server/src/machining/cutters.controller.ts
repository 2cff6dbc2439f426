import { Cutter, KeepCutter, LogCutter } from '@ample-crane/core';
import { Body, Controller, Get, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import { Gives } from '../logbook/gives.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { CutterView, KeepCutterDto, LogCutterDto, MachineView } from './cutters.dto.ts';
import { CuttersQueries } from './cutters.queries.ts';

@ApiTags('machining')
@Controller()
export class CuttersController {
  constructor(
    private readonly cutters: CuttersQueries,
    private readonly commands: CommandsService,
  ) {}

  @Get('cutters')
  @Allow('viewer')
  @ApiOkResponse({ type: [CutterView] })
  list(): Promise<CutterView[]> {
    return this.cutters.list();
  }

  @Get('machines')
  @Allow('viewer')
  @ApiOkResponse({ type: [MachineView] })
  machines(): Promise<MachineView[]> {
    return this.cutters.machines();
  }

  @Post('cutters')
  @Gives(KeepCutter)
  @ApiOkResponse({ type: DoneView })
  keep(@CurrentActor() actor: Actor, @Body() dto: KeepCutterDto): Promise<DoneView> {
    return this.commands.give(actor, KeepCutter, dto, { seen: [] }, () => ({ id: dto.id }));
  }

  @Post('cutters/log')
  @Gives(LogCutter)
  @ApiOkResponse({ type: DoneView })
  log(@CurrentActor() actor: Actor, @Body() { version, atMs, ...said }: LogCutterDto): Promise<DoneView> {
    return this.commands.give(actor, LogCutter, said, { seen: [seen(Cutter, said.cutterId, version)], atMs }, () => ({
      id: said.cutterId,
    }));
  }
}
