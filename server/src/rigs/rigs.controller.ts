import { Batch, CloseRig, PutInRig, TakeOut, WipeFaces, type Rows } from '@ample-crane/core';
import { Body, Controller, Get, Param, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import { Gives } from '../logbook/gives.ts';
import { BatchDoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { CloseRigDto, PutInRigDto, RigsFilterDto, RigsView, TakeOutDto, WipeFacesDto } from './rigs.dto.ts';
import { RigsQueries } from './rigs.queries.ts';

const done = (batchId: string) => (_: unknown, rows: Rows) => ({ id: batchId, version: rows.get(Batch, batchId).version });

@ApiTags('rigs')
@Controller()
export class RigsController {
  constructor(
    private readonly rigs: RigsQueries,
    private readonly commands: CommandsService,
  ) {}

  @Get('rigs')
  @Allow('viewer')
  @ApiOkResponse({ type: RigsView })
  list(@Query() { stage }: RigsFilterDto): Promise<RigsView> {
    return this.rigs.view(stage);
  }

  @Post('batches/:id/put-in')
  @Gives(PutInRig)
  @ApiOkResponse({ type: BatchDoneView })
  putIn(
    @CurrentActor() actor: Actor,
    @Param('id') batchId: string,
    @Body() { version, atMs, ...said }: PutInRigDto,
  ): Promise<BatchDoneView> {
    return this.commands.give(actor, PutInRig, { batchId, ...said }, { seen: [seen(Batch, batchId, version)], atMs }, done(batchId));
  }

  @Post('batches/:id/wipe')
  @Gives(WipeFaces)
  @ApiOkResponse({ type: BatchDoneView })
  wipe(
    @CurrentActor() actor: Actor,
    @Param('id') batchId: string,
    @Body() { version, atMs, ...said }: WipeFacesDto,
  ): Promise<BatchDoneView> {
    return this.commands.give(actor, WipeFaces, { batchId, ...said }, { seen: [seen(Batch, batchId, version)], atMs }, done(batchId));
  }

  @Post('batches/:id/close-rig')
  @Gives(CloseRig)
  @ApiOkResponse({ type: BatchDoneView })
  close(
    @CurrentActor() actor: Actor,
    @Param('id') batchId: string,
    @Body() { version, atMs, ...said }: CloseRigDto,
  ): Promise<BatchDoneView> {
    return this.commands.give(actor, CloseRig, { batchId, ...said }, { seen: [seen(Batch, batchId, version)], atMs }, done(batchId));
  }

  @Post('batches/:id/take-out')
  @Gives(TakeOut)
  @ApiOkResponse({ type: BatchDoneView })
  takeOut(
    @CurrentActor() actor: Actor,
    @Param('id') batchId: string,
    @Body() { version, atMs, ...said }: TakeOutDto,
  ): Promise<BatchDoneView> {
    return this.commands.give(actor, TakeOut, { batchId, ...said }, { seen: [seen(Batch, batchId, version)], atMs }, done(batchId));
  }
}
