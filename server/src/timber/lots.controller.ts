import { Gives } from '../logbook/gives.ts';
import {
  CorrectReading,
  DescribeLot,
  ImportReadings,
  KeepWood,
  MoveLot,
  ReadLot,
  ReceiveLot,
  ReleaseLot,
  StrikeReading,
} from '@ample-crane/core';
import { Body, Controller, Get, HttpCode, Param, Post, Query, Req, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { pdfFile, PrintingService } from '../factory/printing.service.ts';
import { csvFile } from '../platform/http/csvFile.ts';
import { Upload } from '../platform/http/upload.ts';
import { InText } from '../platform/http/fields.ts';
import { pageOf, PageQuery, type Page } from '../platform/paging/page.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { OutlookView } from './drying.view.ts';
import { HistoriesService, HISTORY_COLUMNS } from './histories.service.ts';
import { CSV_FILE, ImportView, MeterCsvDto } from './import.dto.ts';
import {
  AirDto,
  CorrectReadingDto,
  DescribeLotDto,
  KeepWoodDto,
  LotCardView,
  LotFilterDto,
  LotView,
  MoveLotDto,
  ReadingsDto,
  ReceiveLotDto,
  ReleaseLotDto,
  StrikeDto,
} from './lot.dto.ts';
import { lotLabelPdf, moistureReportPdf } from './lot.pdf.ts';
import { LotLists } from './lots.lists.ts';
import { LotsQueries } from './lots.queries.ts';
import { LotsService } from './lots.service.ts';
import { ReadingsImportService } from './readingsImport.service.ts';

export class UsedUpDto extends PageQuery {
  /** how a lot's number begins, or within its species or supplier */
  @InText({ max: 40, optional: true }) text?: string;
}

const LotPage = pageOf(LotView);

@ApiTags('lots')
@Controller('lots')
export class LotsController {
  constructor(
    private readonly lots: LotsService,
    private readonly lists: LotLists,
    private readonly queries: LotsQueries,
    private readonly histories: HistoriesService,
    private readonly imports: ReadingsImportService,
    private readonly printing: PrintingService,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiQuery({ name: 'states', type: String, required: false, description: 'drying,released' })
  @ApiOkResponse({ type: [LotView] })
  list(@Query() filter: LotFilterDto): Promise<LotView[]> {
    return this.lists.list(filter.states);
  }

  @Get('used-up')
  @Allow('viewer')
  @ApiOkResponse({ type: LotPage })
  usedUp(@Query() filter: UsedUpDto): Promise<Page<LotView>> {
    return this.lists.usedUp(filter);
  }

  @Get('histories.csv')
  @Allow('viewer')
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  allHistories(): StreamableFile {
    return csvFile('lot-histories', HISTORY_COLUMNS, this.histories.rows());
  }

  @Get(':id/history.csv')
  @Allow('viewer')
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async history(@Param('id') id: string): Promise<StreamableFile> {
    await this.histories.mustExist(id);
    return csvFile(`lot-history-${id}`, HISTORY_COLUMNS, this.histories.rows(id));
  }

  @Get(':id')
  @Allow('viewer')
  @ApiOkResponse({ type: LotCardView })
  card(@Param('id') id: string): Promise<LotCardView> {
    return this.queries.card(id);
  }

  @Post()
  @Gives(ReceiveLot)
  @ApiOkResponse({ type: DoneView })
  receive(@CurrentActor() actor: Actor, @Body() dto: ReceiveLotDto): Promise<DoneView> {
    return this.lots.receive(actor, dto);
  }

  @Post(':id/readings')
  @Gives(ReadLot)
  @ApiOkResponse({ type: DoneView })
  read(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ReadingsDto): Promise<DoneView> {
    return this.lots.read(actor, id, dto);
  }

  @Get(':id/outlook')
  @Allow('viewer')
  @ApiQuery({ name: 'tempC', type: Number })
  @ApiQuery({ name: 'relativeHumidity', type: Number, description: 'fraction 0…1' })
  @ApiOkResponse({ type: OutlookView })
  outlook(@Param('id') id: string, @Query() air: AirDto): Promise<OutlookView> {
    return this.queries.outlook(id, air);
  }

  @Get(':id/label.pdf')
  @Allow('viewer')
  @ApiProduces('application/pdf')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async label(@Param('id') id: string, @Req() request: Request): Promise<StreamableFile> {
    return pdfFile(`label-${id}`, await lotLabelPdf(await this.queries.card(id), await this.printing.of(request)));
  }

  @Get(':id/report.pdf')
  @Allow('viewer')
  @ApiProduces('application/pdf')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async report(@Param('id') id: string, @Req() request: Request): Promise<StreamableFile> {
    return pdfFile(`moisture-${id}`, await moistureReportPdf(await this.queries.card(id), await this.printing.of(request)));
  }

  @Post(':id/describe')
  @Gives(DescribeLot)
  @ApiOkResponse({ type: DoneView })
  describe(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: DescribeLotDto): Promise<DoneView> {
    return this.lots.describe(actor, id, dto);
  }

  @Post(':id/move')
  @Gives(MoveLot)
  @ApiOkResponse({ type: DoneView })
  move(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: MoveLotDto): Promise<DoneView> {
    return this.lots.move(actor, id, dto);
  }

  @Post(':id/keep')
  @Gives(KeepWood)
  @ApiOkResponse({ type: DoneView })
  keep(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: KeepWoodDto): Promise<DoneView> {
    return this.lots.keep(actor, id, dto);
  }

  @Post(':id/correct')
  @Gives(CorrectReading)
  @ApiOkResponse({ type: DoneView })
  correct(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: CorrectReadingDto): Promise<DoneView> {
    return this.lots.correct(actor, id, dto);
  }

  @Post(':id/strike')
  @Gives(StrikeReading)
  @ApiOkResponse({ type: DoneView })
  strike(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: StrikeDto): Promise<DoneView> {
    return this.lots.strike(actor, id, dto);
  }

  @Post(':id/release')
  @Gives(ReleaseLot)
  @ApiOkResponse({ type: DoneView })
  release(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ReleaseLotDto): Promise<DoneView> {
    return this.lots.release(actor, id, dto);
  }

  @Post('readings/preview')
  @Allow('operator')
  @Upload('csv', CSV_FILE)
  @HttpCode(200)
  @ApiOkResponse({ type: ImportView })
  preview(@Body() dto: MeterCsvDto): Promise<ImportView> {
    return this.imports.preview(dto);
  }

  @Post('readings/import')
  @Gives(ImportReadings)
  @Upload('csv', CSV_FILE)
  @HttpCode(200)
  @ApiOkResponse({ type: ImportView })
  importReadings(@CurrentActor() actor: Actor, @Body() dto: MeterCsvDto): Promise<ImportView> {
    return this.imports.importReadings(actor, dto);
  }
}
