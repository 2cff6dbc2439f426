import { STAGES, type Stage } from '@ample-crane/core';
import { Body, Controller, Get, Header, HttpCode, Param, Post, Query, Req, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { Clock } from '../platform/clock/clock.ts';
import { InFlag, InOneOf, InText } from '../platform/http/fields.ts';
import { VersionDto } from '../platform/http/version.dto.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { BatchView, CardView } from './batch.view.ts';
import { CoatDto, FinishDto, HoldDto, MeasuresDto, MoveDto, PauseDto, StartBatchDto, WorkDto } from './batches.dto.ts';
import { BatchesQueries } from './batches.queries.ts';
import { BatchesService } from './batches.service.ts';
import { cardPdf } from './card.pdf.ts';
import { Transform } from 'class-transformer';

export class BatchFilterDto {
  @InOneOf(STAGES, { optional: true }) stage?: Stage;
  @InText({ optional: true }) modelId?: string;
  @Transform(({ value }: { value: unknown }) => (value === 'true' ? true : value === 'false' ? false : value))
  @InFlag({ optional: true })
  done?: boolean;
}

@ApiTags('batches')
@Controller('batches')
export class BatchesController {
  constructor(
    private readonly batches: BatchesService,
    private readonly queries: BatchesQueries,
    private readonly settings: SettingsService,
    private readonly clock: Clock,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiQuery({ name: 'done', type: Boolean, required: false })
  @ApiOkResponse({ type: [BatchView] })
  list(@Query() filter: BatchFilterDto): Promise<BatchView[]> {
    return this.queries.list(filter);
  }

  @Get(':id')
  @Allow('viewer')
  @ApiOkResponse({ type: CardView })
  card(@Param('id') id: string): Promise<CardView> {
    return this.queries.card(id);
  }

  @Get(':id/card.pdf')
  @Allow('viewer')
  @ApiProduces('application/pdf')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  @Header('Content-Type', 'application/pdf')
  async pdf(@Param('id') id: string, @Req() request: Request): Promise<StreamableFile> {
    const [card, { factory, workWeek }] = await Promise.all([this.queries.card(id), this.settings.all()]);
    const pdf = await cardPdf(card, {
      factory: factory.name,
      timeZone: workWeek.timeZone,
      address: `${request.protocol}://${request.header('Host') ?? 'localhost'}`,
      nowMs: this.clock.nowMs(),
    });
    return new StreamableFile(pdf, {
      type: 'application/pdf',
      disposition: `inline; filename="batch-${card.batch.id}.pdf"`,
    });
  }

  @Post()
  @Allow('lead')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  start(@CurrentActor() actor: Actor, @Body() dto: StartBatchDto): Promise<DoneView> {
    return this.batches.start(actor, dto);
  }

  @Post(':id/start')
  @Allow('operator')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  startWork(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WorkDto): Promise<DoneView> {
    return this.batches.command(actor, id, dto.version, { kind: 'start', personId: dto.personId });
  }

  @Post(':id/pause')
  @Allow('operator')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  pause(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: PauseDto): Promise<DoneView> {
    return this.batches.command(actor, id, dto.version, { kind: 'pause', cause: dto.cause });
  }

  @Post(':id/resume')
  @Allow('operator')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  resume(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: WorkDto): Promise<DoneView> {
    return this.batches.command(actor, id, dto.version, { kind: 'resume', personId: dto.personId });
  }

  @Post(':id/finish')
  @Allow('operator')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  finish(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: FinishDto): Promise<DoneView> {
    const { version, ...counts } = dto;
    return this.batches.command(actor, id, version, { kind: 'finish', ...counts });
  }

  @Post(':id/move')
  @Allow('operator')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  move(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: MoveDto): Promise<DoneView> {
    const { version, overrideReason } = dto;
    return this.batches.command(actor, id, version, {
      kind: 'move',
      ...(overrideReason === undefined ? {} : { overrideReason }),
    });
  }

  @Post(':id/hold')
  @Allow('lead')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  hold(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: HoldDto): Promise<DoneView> {
    return this.batches.command(actor, id, dto.version, { kind: 'hold', reason: dto.reason });
  }

  @Post(':id/release')
  @Allow('lead')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  release(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: VersionDto): Promise<DoneView> {
    return this.batches.command(actor, id, dto.version, { kind: 'release' });
  }

  @Post(':id/coats')
  @Allow('operator')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  coat(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: CoatDto): Promise<DoneView> {
    return this.batches.logCoat(actor, id, dto);
  }

  @Post(':id/measures')
  @Allow('operator')
  @ApiOkResponse({ type: DoneView })
  @HttpCode(200)
  measures(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: MeasuresDto): Promise<DoneView> {
    return this.batches.takeMeasures(actor, id, dto);
  }
}
