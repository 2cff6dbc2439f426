import { Body, Controller, Get, HttpCode, Param, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiQuery, ApiTags } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { InCount } from '../platform/http/fields.ts';
import { Upload } from '../platform/http/upload.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { AirService, AirView } from './air.service.ts';
import { CSV_FILE, LoggerCsvDto, LoggerView } from './import.dto.ts';
import { LoggerImportService } from './loggerImport.service.ts';

class DaysDto {
  @Type(() => Number)
  @InCount({ min: 1, max: 800, optional: true })
  days?: number;
}

@ApiTags('air')
@Controller('air')
export class AirController {
  constructor(
    private readonly air: AirService,
    private readonly logger: LoggerImportService,
  ) {}

  @Get(':zoneId')
  @Allow('viewer')
  @ApiQuery({ name: 'days', type: Number, required: false })
  @ApiOkResponse({ type: AirView })
  view(@Param('zoneId') zoneId: string, @Query() { days = 90 }: DaysDto): Promise<AirView> {
    return this.air.view(zoneId, days);
  }

  @Post('log/preview')
  @Allow('operator')
  @Upload('csv', CSV_FILE)
  @HttpCode(200)
  @ApiOkResponse({ type: LoggerView })
  preview(@Body() dto: LoggerCsvDto): Promise<LoggerView> {
    return this.logger.preview(dto);
  }

  @Post('log/import')
  @Allow('lead')
  @Upload('csv', CSV_FILE)
  @HttpCode(200)
  @ApiOkResponse({ type: LoggerView })
  take(@CurrentActor() actor: Actor, @Body() dto: LoggerCsvDto): Promise<LoggerView> {
    return this.logger.take(actor, dto);
  }
}
