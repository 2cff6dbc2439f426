import { Batch, LogCoat, LogScuff, sayingOf } from '@ample-crane/core';
import { Body, Controller, Param, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { Gives } from '../logbook/gives.ts';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import { BatchDoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { CoatDto, ScuffDto } from './coat.dto.ts';

@ApiTags('finishing')
@Controller('batches/:id')
export class FinishingController {
  constructor(private readonly commands: CommandsService) {}

  @Post('coats')
  @Gives(LogCoat)
  @ApiOkResponse({ type: BatchDoneView })
  coat(@CurrentActor() actor: Actor, @Param('id') batchId: string, @Body() { version, atMs, ...said }: CoatDto): Promise<BatchDoneView> {
    return this.commands.give(actor, LogCoat, { batchId, ...said }, { seen: [seen(Batch, batchId, version)], atMs }, (written, rows) => ({
      id: sayingOf('coat.logged', written)?.coatId ?? batchId,
      version: rows.get(Batch, batchId).version,
    }));
  }

  @Post('scuff')
  @Gives(LogScuff)
  @ApiOkResponse({ type: BatchDoneView })
  scuff(@CurrentActor() actor: Actor, @Param('id') batchId: string, @Body() { version, atMs, ...said }: ScuffDto): Promise<BatchDoneView> {
    return this.commands.give(actor, LogScuff, { batchId, ...said }, { seen: [seen(Batch, batchId, version)], atMs }, (_, rows) => ({
      id: batchId,
      version: rows.get(Batch, batchId).version,
    }));
  }
}
