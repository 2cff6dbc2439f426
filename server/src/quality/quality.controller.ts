import { Batch, TakeMeasures } from '@ample-crane/core';
import { Body, Controller, Param, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { Gives } from '../logbook/gives.ts';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import { BatchDoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { MeasuresDto } from './measures.dto.ts';

@ApiTags('quality')
@Controller('batches/:id')
export class QualityController {
  constructor(private readonly commands: CommandsService) {}

  @Post('measures')
  @Gives(TakeMeasures)
  @ApiOkResponse({ type: BatchDoneView })
  measures(
    @CurrentActor() actor: Actor,
    @Param('id') batchId: string,
    @Body() { version, atMs, ...said }: MeasuresDto,
  ): Promise<BatchDoneView> {
    return this.commands.give(actor, TakeMeasures, { batchId, ...said }, { seen: [seen(Batch, batchId, version)], atMs }, (_, rows) => ({
      id: batchId,
      version: rows.get(Batch, batchId).version,
    }));
  }
}
