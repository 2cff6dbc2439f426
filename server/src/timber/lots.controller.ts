import { Body, Controller, Get, HttpCode, Param, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiQuery, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { CsvDto, ImportView, LotCardView, LotFilterDto, LotView, ReadingsDto, ReceiveLotDto, ReleaseLotDto, StrikeDto } from './lot.dto.ts';
import { LotsQueries } from './lots.queries.ts';
import { LotsService } from './lots.service.ts';
import { ReadingsImportService } from './readingsImport.service.ts';

@ApiTags('lots')
@Controller('lots')
export class LotsController {
  constructor(
    private readonly lots: LotsService,
    private readonly queries: LotsQueries,
    private readonly imports: ReadingsImportService,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiQuery({ name: 'states', type: String, required: false, description: 'drying,released,used up' })
  @ApiOkResponse({ type: [LotView] })
  list(@Query() filter: LotFilterDto): Promise<LotView[]> {
    return this.queries.list(filter.states);
  }

  @Get(':id')
  @Allow('viewer')
  @ApiOkResponse({ type: LotCardView })
  card(@Param('id') id: string): Promise<LotCardView> {
    return this.queries.card(id);
  }

  @Post()
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  receive(@CurrentActor() actor: Actor, @Body() dto: ReceiveLotDto): Promise<DoneView> {
    return this.lots.receive(actor, dto);
  }

  @Post(':id/readings')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  read(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ReadingsDto): Promise<DoneView> {
    return this.lots.read(actor, id, dto);
  }

  @Post(':id/strike')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  strike(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: StrikeDto): Promise<DoneView> {
    return this.lots.strike(actor, id, dto);
  }

  @Post(':id/release')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  release(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ReleaseLotDto): Promise<DoneView> {
    return this.lots.release(actor, id, dto);
  }

  @Post('readings/preview')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: ImportView })
  preview(@Body() dto: CsvDto): Promise<ImportView> {
    return this.imports.preview(dto.csv);
  }

  @Post('readings/import')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: ImportView })
  importReadings(@CurrentActor() actor: Actor, @Body() dto: CsvDto): Promise<ImportView> {
    return this.imports.importReadings(actor, dto.csv);
  }
}
