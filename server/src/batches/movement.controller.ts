import { Body, Controller, HttpCode, Param, Post, Req } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { WhenDto } from '../platform/http/version.dto.ts';
import { BatchDoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor, type SignedRequest } from '../platform/identity/actor.ts';
import { BenchService } from '../platform/identity/bench.service.ts';
import { Allow } from '../platform/identity/role.ts';
import {
  CallDto,
  FinishDto,
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
  WorkDto,
} from './batches.dto.ts';
import { MovementService } from './movement.service.ts';

/** What a command says beside the version it rests on and the time it happened at. */
function given<T extends WhenDto>({ version, atMs, ...rest }: T): Omit<T, keyof WhenDto> {
  return rest;
}

/** Everything that moves a batch: one address for each command, each judged by core. */
@ApiTags('batches')
@Controller('batches/:id')
export class MovementController {
  constructor(
    private readonly movement: MovementService,
    private readonly bench: BenchService,
  ) {}

  @Post('start')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  startWork(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: StartWorkDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'start', ...given(dto) });
  }

  @Post('pause')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  pause(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PauseDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'pause', ...given(dto) });
  }

  @Post('resume')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  resume(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WorkDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'resume', ...given(dto) });
  }

  @Post('finish')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  finish(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: FinishDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'finish', ...given(dto) });
  }

  @Post('finish-some')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  finishSome(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PiecesDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'finish some', ...given(dto) });
  }

  @Post('move')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  move(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: MoveDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'move', ...given(dto) });
  }

  @Post('place')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  place(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PlaceDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'place', ...given(dto) });
  }

  @Post('accept')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  accept(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WhenDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'accept' });
  }

  @Post('sign-off')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  async signOff(
    @CurrentActor() actor: Actor,
    @Param('id') id: string,
    @Body() { pin, skill, ...on }: SignOffDto,
    @Req() request: SignedRequest,
  ): Promise<BatchDoneView> {
    if (request.station) await this.bench.confirm(actor.personId, pin, request.ip ?? '');
    return this.movement.command(actor, id, on, { kind: 'sign off', skill, personId: actor.personId });
  }

  @Post('refuse')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  refuse(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: RefuseDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'refuse', ...given(dto) });
  }

  @Post('scrap')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  scrap(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ScrapDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'scrap', ...given(dto) });
  }

  @Post('split')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  split(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PiecesDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'split', ...given(dto) });
  }

  @Post('merge')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  merge(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: MergeDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'merge', ...given(dto) });
  }

  @Post('join')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  join(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: JoinDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'join', ...given(dto) });
  }

  @Post('part')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  part(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WorkDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'part', ...given(dto) });
  }

  @Post('refit')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  refit(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: RefitDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'refit', ...given(dto) });
  }

  @Post('send')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  send(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: SendDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'send', ...given(dto) });
  }

  @Post('receive')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  receive(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: FinishDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'receive', ...given(dto) });
  }

  @Post('hold')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  hold(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: HoldDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'hold', ...given(dto) });
  }

  @Post('release')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  release(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WhenDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'release' });
  }

  @Post('undo')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  undo(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: UndoDto): Promise<BatchDoneView> {
    return this.movement.command(actor, id, dto, { kind: 'undo', ...given(dto) });
  }

  @Post('call')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  call(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: CallDto): Promise<BatchDoneView> {
    return this.movement.call(actor, id, dto);
  }

  @Post('reroute')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: BatchDoneView })
  reroute(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: RerouteDto): Promise<BatchDoneView> {
    const { operationId, reason, routeId } = dto;
    return this.movement.command(actor, id, dto, { kind: 'reroute', operationId, reason }, routeId);
  }
}
