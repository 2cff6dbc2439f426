import { STAGES, StartBatch, type Held, type Stage } from '@ample-crane/core';
import { Body, Controller, Get, Param, Post, Query, Req, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { Gives } from '../logbook/gives.ts';
import { CommandsService } from '../logbook/commands.service.ts';
import { InFlag, InOneOf, InText } from '../platform/http/fields.ts';
import { csvFile } from '../platform/http/csvFile.ts';
import { everyRow, pageOf, PageQuery, type Page } from '../platform/paging/page.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { pdfFile, PrintingService } from '../factory/printing.service.ts';
import { BatchView, CardView } from './batch.view.ts';
import { StartBatchDto } from './batches.dto.ts';
import { HeldService } from './held.service.ts';
import { BatchLists } from './batches.lists.ts';
import { BatchesQueries } from './batches.queries.ts';
import { cardPdf } from './card.pdf.ts';
import { Transform } from 'class-transformer';

export class BatchFilterDto extends PageQuery {
  @InOneOf(STAGES, { optional: true }) stage?: Stage;
  @InText({ optional: true }) modelId?: string;
  @Transform(({ value }: { value: unknown }) => (value === 'true' ? true : value === 'false' ? false : value))
  @InFlag({ optional: true })
  done?: boolean;
  /** how the batch's number begins */
  @InText({ max: 20, optional: true }) text?: string;
}

const BatchPage = pageOf(BatchView);

const COLUMNS = ['batch', 'model', 'part', 'pieces', 'stage', 'step', 'station', 'state', 'order', 'lot', 'due_utc', 'ended_utc'] as const;

const line = (b: BatchView): Record<(typeof COLUMNS)[number], string | number | null> => ({
  batch: b.id,
  model: b.modelName,
  part: b.component,
  pieces: b.quantity,
  stage: b.stage,
  step: b.operationName,
  station: b.stationName,
  state: b.status,
  order: b.orderId,
  lot: b.lotId,
  due_utc: utc(b.dueMs),
  ended_utc: utc(b.endedMs),
});
const utc = (atMs: number | null) => (atMs === null ? null : new Date(atMs).toISOString());

@ApiTags('batches')
@Controller('batches')
export class BatchesController {
  constructor(
    private readonly commands: CommandsService,
    private readonly lists: BatchLists,
    private readonly queries: BatchesQueries,
    private readonly printing: PrintingService,
    private readonly heldCards: HeldService,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiQuery({ name: 'done', type: Boolean, required: false })
  @ApiOkResponse({ type: BatchPage })
  list(@Query() filter: BatchFilterDto): Promise<Page<BatchView>> {
    return this.lists.list(filter);
  }

  @Get('list.csv')
  @Allow('viewer')
  @ApiQuery({ name: 'done', type: Boolean, required: false })
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async csv(@Query() { size, after, ...filter }: BatchFilterDto): Promise<StreamableFile> {
    return csvFile('batches', COLUMNS, await everyRow((asked) => this.lists.list({ ...filter, ...asked }), line));
  }

  @Get(':id')
  @Allow('viewer')
  @ApiOkResponse({ type: CardView })
  card(@Param('id') id: string): Promise<CardView> {
    return this.queries.card(id);
  }

  /** What a page must hold of the batch to judge work on it by itself, as core describes it. */
  @Get(':id/held')
  @Allow('viewer')
  @ApiOkResponse({ schema: { type: 'object', additionalProperties: true } })
  held(@Param('id') id: string): Promise<Held> {
    return this.heldCards.held(id);
  }

  @Get(':id/card.pdf')
  @Allow('viewer')
  @ApiProduces('application/pdf')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async pdf(@Param('id') id: string, @Req() request: Request): Promise<StreamableFile> {
    return pdfFile(`batch-${id}`, await cardPdf(await this.queries.card(id), await this.printing.of(request)));
  }

  @Post()
  @Gives(StartBatch)
  @ApiOkResponse({ type: DoneView })
  start(@CurrentActor() actor: Actor, @Body() dto: StartBatchDto): Promise<DoneView> {
    return this.commands.give(actor, StartBatch, dto, { seen: [] }, ([started]) => ({ id: started?.batchId ?? '' }));
  }
}
