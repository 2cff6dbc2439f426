import { Batch, Instrument, ShipInstrument } from '@ample-crane/core';
import { Body, Controller, Param, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { Gives } from '../logbook/gives.ts';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { ShipDto } from './dispatch.dto.ts';

@ApiTags('dispatch')
@Controller('instruments')
export class DispatchController {
  constructor(private readonly commands: CommandsService) {}

  @Post(':serial/ship')
  @Gives(ShipInstrument)
  @ApiOkResponse({ type: DoneView })
  ship(@CurrentActor() actor: Actor, @Param('serial') serial: string, @Body() { version, ...said }: ShipDto): Promise<DoneView> {
    return this.commands.give(
      actor,
      ShipInstrument,
      { serial, ...said },
      { seen: (rows) => [seen(Batch, rows.get(Instrument, serial).batchId, version)] },
      () => ({ id: serial }),
    );
  }
}
