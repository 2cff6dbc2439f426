import { INSTRUMENT_STATES, type InstrumentState } from '@ample-crane/core';
import { Controller, Get, Param, Query, type StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiTags } from '@nestjs/swagger';
import { csvFile } from '../platform/http/csvFile.ts';
import { InOneOf, InText } from '../platform/http/fields.ts';
import { everyRow, pageOf, PageQuery, type Page } from '../platform/paging/page.ts';
import { Allow } from '../platform/identity/role.ts';
import { InstrumentView, RecordView } from './records.dto.ts';
import { RecordsService } from './records.service.ts';

export class InstrumentFilterDto extends PageQuery {
  /** within a serial or a consignee's name */
  @InText({ max: 40, optional: true }) text?: string;
  @InOneOf(INSTRUMENT_STATES, { optional: true }) state?: InstrumentState;
  @InText({ optional: true }) modelId?: string;
}

const InstrumentPage = pageOf(InstrumentView);

const COLUMNS = ['serial', 'model', 'state', 'batch', 'order', 'started_utc', 'fitted_utc', 'shipped_utc', 'consignee'] as const;

const line = (i: InstrumentView): Record<(typeof COLUMNS)[number], string | null> => ({
  serial: i.serial,
  model: i.modelName,
  state: i.state,
  batch: i.batchId,
  order: i.orderId,
  started_utc: utc(i.startedMs),
  fitted_utc: utc(i.fittedMs),
  shipped_utc: i.shippedMs === null ? null : utc(i.shippedMs),
  consignee: i.consignee,
});
const utc = (atMs: number) => new Date(atMs).toISOString();

@ApiTags('records')
@Controller('instruments')
export class RecordsController {
  constructor(private readonly records: RecordsService) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: InstrumentPage })
  list(@Query() filter: InstrumentFilterDto): Promise<Page<InstrumentView>> {
    return this.records.list(filter);
  }

  @Get('list.csv')
  @Allow('viewer')
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async csv(@Query() { size, after, ...filter }: InstrumentFilterDto): Promise<StreamableFile> {
    return csvFile('instruments', COLUMNS, await everyRow((asked) => this.records.list({ ...filter, ...asked }), line));
  }

  @Get(':serial')
  @Allow('viewer')
  @ApiOkResponse({ type: RecordView })
  record(@Param('serial') serial: string): Promise<RecordView> {
    return this.records.record(serial);
  }
}
