import { Body, Controller, Get, HttpCode, Param, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { InText } from '../platform/http/fields.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { FitDto, FittingView, InstrumentView, RecordView, ShipDto } from './fitting.dto.ts';
import { FittingService } from './fitting.service.ts';
import { RecordsService } from '../records/records.service.ts';

export class InstrumentFilterDto {
  @InText({ max: 40, optional: true }) text?: string;
}

@ApiTags('fitting')
@Controller()
export class FittingController {
  constructor(
    private readonly fitting: FittingService,
    private readonly records: RecordsService,
  ) {}

  @Get('fitting')
  @Allow('viewer')
  @ApiOkResponse({ type: FittingView })
  bench(): Promise<FittingView> {
    return this.fitting.bench();
  }

  @Post('fitting')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  fit(@CurrentActor() actor: Actor, @Body() dto: FitDto): Promise<DoneView> {
    return this.fitting.fit(actor, dto);
  }

  @Get('instruments')
  @Allow('viewer')
  @ApiOkResponse({ type: [InstrumentView] })
  list(@Query() filter: InstrumentFilterDto): Promise<InstrumentView[]> {
    return this.records.list(filter.text);
  }

  @Get('instruments/:serial')
  @Allow('viewer')
  @ApiOkResponse({ type: RecordView })
  record(@Param('serial') serial: string): Promise<RecordView> {
    return this.records.record(serial);
  }

  @Post('instruments/:serial/ship')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  ship(@CurrentActor() actor: Actor, @Param('serial') serial: string, @Body() dto: ShipDto): Promise<DoneView> {
    return this.fitting.ship(actor, serial, dto);
  }
}
