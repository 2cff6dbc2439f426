import {
  Batch,
  AcceptBatch,
  CallBatch,
  FinishSome,
  FinishWork,
  HoldBatch,
  JoinParts,
  JudgeTrial,
  MergeBatches,
  MoveBatch,
  PartInstruments,
  PauseWork,
  PlaceBatch,
  ReceiveBatch,
  RefitInstruments,
  RefuseWork,
  ReleaseBatch,
  RerouteBatch,
  ResumeWork,
  ScrapPieces,
  SendBatch,
  SignOffWork,
  SplitBatch,
  StartWork,
  UndoEntry,
  type CommandKind,
  type HouseFactory,
} from '@ample-crane/core';
import { Body, Controller, Param, Post, Req } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { Gives } from '../logbook/gives.ts';
import { CommandsService, seen } from '../logbook/commands.service.ts';
import { WhenDto } from '../platform/http/version.dto.ts';
import { BatchDoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor, type SignedRequest } from '../platform/identity/actor.ts';
import { BenchService } from '../platform/identity/bench.service.ts';
import {
  CallDto,
  FinishDto,
  FinishSomeDto,
  HoldDto,
  JoinDto,
  MergeDto,
  MoveDto,
  PauseDto,
  PiecesDto,
  PlaceDto,
  RefitDto,
  RefuseDto,
  RerouteDto,
  ScrapDto,
  SendDto,
  SignOffDto,
  StartWorkDto,
  UndoDto,
  VerdictDto,
  ResumeDto,
  WorkDto,
} from './batches.dto.ts';

/** Everything that moves a batch: one address for each command, each judged by core. */
@ApiTags('batches')
@Controller('batches/:id')
export class MovesController {
  constructor(
    private readonly commands: CommandsService,
    private readonly bench: BenchService,
  ) {}

  @Post('start')
  @Gives(StartWork)
  @ApiOkResponse({ type: BatchDoneView })
  startWork(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: StartWorkDto): Promise<BatchDoneView> {
    return this.give(actor, StartWork, id, dto);
  }

  @Post('pause')
  @Gives(PauseWork)
  @ApiOkResponse({ type: BatchDoneView })
  pause(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PauseDto): Promise<BatchDoneView> {
    return this.give(actor, PauseWork, id, dto);
  }

  @Post('resume')
  @Gives(ResumeWork)
  @ApiOkResponse({ type: BatchDoneView })
  resume(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ResumeDto): Promise<BatchDoneView> {
    return this.give(actor, ResumeWork, id, dto);
  }

  @Post('finish')
  @Gives(FinishWork)
  @ApiOkResponse({ type: BatchDoneView })
  finish(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: FinishDto): Promise<BatchDoneView> {
    return this.give(actor, FinishWork, id, dto);
  }

  @Post('finish-some')
  @Gives(FinishSome)
  @ApiOkResponse({ type: BatchDoneView })
  finishSome(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: FinishSomeDto): Promise<BatchDoneView> {
    return this.give(actor, FinishSome, id, dto);
  }

  @Post('move')
  @Gives(MoveBatch)
  @ApiOkResponse({ type: BatchDoneView })
  move(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: MoveDto): Promise<BatchDoneView> {
    return this.give(actor, MoveBatch, id, dto);
  }

  @Post('place')
  @Gives(PlaceBatch)
  @ApiOkResponse({ type: BatchDoneView })
  place(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PlaceDto): Promise<BatchDoneView> {
    return this.give(actor, PlaceBatch, id, dto);
  }

  @Post('accept')
  @Gives(AcceptBatch)
  @ApiOkResponse({ type: BatchDoneView })
  accept(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WhenDto): Promise<BatchDoneView> {
    return this.give(actor, AcceptBatch, id, dto);
  }

  @Post('sign-off')
  @Gives(SignOffWork)
  @ApiOkResponse({ type: BatchDoneView })
  async signOff(
    @CurrentActor() actor: Actor,
    @Param('id') id: string,
    @Body() { pin, skill, ...on }: SignOffDto,
    @Req() request: SignedRequest,
  ): Promise<BatchDoneView> {
    if (request.station) await this.bench.confirm(actor.personId, pin, request.ip ?? '');
    return this.give(actor, SignOffWork, id, { ...on, skill, personId: actor.personId });
  }

  @Post('refuse')
  @Gives(RefuseWork)
  @ApiOkResponse({ type: BatchDoneView })
  refuse(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: RefuseDto): Promise<BatchDoneView> {
    return this.give(actor, RefuseWork, id, dto);
  }

  @Post('scrap')
  @Gives(ScrapPieces)
  @ApiOkResponse({ type: BatchDoneView })
  scrap(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ScrapDto): Promise<BatchDoneView> {
    return this.give(actor, ScrapPieces, id, dto);
  }

  @Post('split')
  @Gives(SplitBatch)
  @ApiOkResponse({ type: BatchDoneView })
  split(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PiecesDto): Promise<BatchDoneView> {
    return this.give(actor, SplitBatch, id, dto);
  }

  @Post('merge')
  @Gives(MergeBatches)
  @ApiOkResponse({ type: BatchDoneView })
  merge(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: MergeDto): Promise<BatchDoneView> {
    return this.give(actor, MergeBatches, id, dto);
  }

  @Post('join')
  @Gives(JoinParts)
  @ApiOkResponse({ type: BatchDoneView })
  join(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: JoinDto): Promise<BatchDoneView> {
    return this.give(actor, JoinParts, id, dto);
  }

  @Post('part')
  @Gives(PartInstruments)
  @ApiOkResponse({ type: BatchDoneView })
  part(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WorkDto): Promise<BatchDoneView> {
    return this.give(actor, PartInstruments, id, dto);
  }

  @Post('refit')
  @Gives(RefitInstruments)
  @ApiOkResponse({ type: BatchDoneView })
  refit(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: RefitDto): Promise<BatchDoneView> {
    return this.give(actor, RefitInstruments, id, dto);
  }

  @Post('send')
  @Gives(SendBatch)
  @ApiOkResponse({ type: BatchDoneView })
  send(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: SendDto): Promise<BatchDoneView> {
    return this.give(actor, SendBatch, id, dto);
  }

  @Post('receive')
  @Gives(ReceiveBatch)
  @ApiOkResponse({ type: BatchDoneView })
  receive(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: FinishDto): Promise<BatchDoneView> {
    return this.give(actor, ReceiveBatch, id, dto);
  }

  @Post('hold')
  @Gives(HoldBatch)
  @ApiOkResponse({ type: BatchDoneView })
  hold(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: HoldDto): Promise<BatchDoneView> {
    return this.give(actor, HoldBatch, id, dto);
  }

  @Post('release')
  @Gives(ReleaseBatch)
  @ApiOkResponse({ type: BatchDoneView })
  release(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WhenDto): Promise<BatchDoneView> {
    return this.give(actor, ReleaseBatch, id, dto);
  }

  @Post('undo')
  @Gives(UndoEntry)
  @ApiOkResponse({ type: BatchDoneView })
  undo(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: UndoDto): Promise<BatchDoneView> {
    return this.give(actor, UndoEntry, id, dto);
  }

  @Post('call')
  @Gives(CallBatch)
  @ApiOkResponse({ type: BatchDoneView })
  call(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: CallDto): Promise<BatchDoneView> {
    return this.give(actor, CallBatch, id, dto);
  }

  /** What a trial has shown. */
  @Post('verdict')
  @Gives(JudgeTrial)
  @ApiOkResponse({ type: BatchDoneView })
  verdict(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: VerdictDto): Promise<BatchDoneView> {
    return this.give(actor, JudgeTrial, id, dto);
  }

  @Post('reroute')
  @Gives(RerouteBatch)
  @ApiOkResponse({ type: BatchDoneView })
  reroute(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: RerouteDto): Promise<BatchDoneView> {
    return this.give(actor, RerouteBatch, id, dto);
  }

  private give<Name extends string, Request extends { batchId: string }, Dto extends WhenDto & Omit<Request, 'batchId'>>(
    actor: Actor,
    command: CommandKind<Name, Request, HouseFactory>,
    batchId: string,
    { version, atMs, ...said }: Dto,
  ): Promise<BatchDoneView> {
    // What the command says is the DTO without the version it rests on and the time it happened at.
    const request = { batchId, ...said } as unknown as Request;
    return this.commands.give(actor, command, request, { seen: [seen(Batch, batchId, version)], atMs }, (_, rows) => ({
      id: batchId,
      version: rows.get(Batch, batchId).version,
    }));
  }
}
