import { Controller, Get, Param, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { InText } from '../platform/http/fields.ts';
import { Allow } from '../platform/identity/role.ts';
import { InstrumentView, RecordView } from './records.dto.ts';
import { RecordsService } from './records.service.ts';

export class InstrumentFilterDto {
  @InText({ max: 40, optional: true }) text?: string;
}

@ApiTags('records')
@Controller('instruments')
export class RecordsController {
  constructor(private readonly records: RecordsService) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: [InstrumentView] })
  list(@Query() filter: InstrumentFilterDto): Promise<InstrumentView[]> {
    return this.records.list(filter.text);
  }

  @Get(':serial')
  @Allow('viewer')
  @ApiOkResponse({ type: RecordView })
  record(@Param('serial') serial: string): Promise<RecordView> {
    return this.records.record(serial);
  }
}
