import { Gives } from '../logbook/gives.ts';
import { COMPONENTS, type Component, CutBoards, JoinBlanks, MeasureBoards, ReserveBlanks, WeighBlanks } from '@ample-crane/core';
import { Body, Controller, Get, HttpCode, Param, Post, Query, Req, StreamableFile } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { BodyBound, type BodyBounds } from '../platform/http/body.ts';
import { InOneOf, InText } from '../platform/http/fields.ts';
import { VersionDto } from '../platform/http/version.dto.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { PageQuery, pageOf, type Page } from '../platform/paging/page.ts';
import { pdfFile, PrintingService } from '../factory/printing.service.ts';
import {
  BlankView,
  BoardsDto,
  CuttingView,
  JoinBlanksDto,
  PlanDto,
  PlanLineView,
  PlanView,
  ReserveDto,
  SavePlanDto,
  WeighDto,
} from './cutting.dto.ts';
import { CuttingQueries } from './cutting.queries.ts';
import { CuttingService } from './cutting.service.ts';
import { cutListPdf } from './cutList.pdf.ts';
import { AllotmentService } from './allotment.service.ts';
import { OrderWoodService } from './orderWood.service.ts';
import { StockService } from './stock.service.ts';
import { AllotmentView, OrderWoodView, StockView } from './stock.view.ts';

class PlansDto extends PageQuery {
  @InText({ max: 40, optional: true }) text?: string;
}
const PlanLinePage = pageOf(PlanLineView);

class AllotmentDto {
  @InText() modelId: string;
  @InOneOf(COMPONENTS) component: Component;
}

/** A plan of many boards, each with its blanks. */
const PLAN_BODY: BodyBounds = { bytes: 1024 * 1024, values: 60_000, depth: 12 };

@ApiTags('cutting')
@Controller()
export class CuttingController {
  constructor(
    private readonly cutting: CuttingService,
    private readonly queries: CuttingQueries,
    private readonly stock: StockService,
    private readonly allotments: AllotmentService,
    private readonly orderWoods: OrderWoodService,
    private readonly printing: PrintingService,
  ) {}

  @Get('cutting')
  @Allow('viewer')
  @ApiOkResponse({ type: CuttingView })
  view(): Promise<CuttingView> {
    return this.queries.view();
  }

  @Get('cutting/plans')
  @Allow('viewer')
  @ApiOkResponse({ type: PlanLinePage })
  plans(@Query() filter: PlansDto): Promise<Page<PlanLineView>> {
    return this.queries.plans(filter);
  }

  @Get('cutting/plans/:id')
  @Allow('viewer')
  @ApiOkResponse({ type: PlanView })
  plan(@Param('id') id: string): Promise<PlanView> {
    return this.queries.plan(id);
  }

  @Get('cutting/plans/:id/list.pdf')
  @Allow('viewer')
  @ApiProduces('application/pdf')
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async list(@Param('id') id: string, @Req() request: Request): Promise<StreamableFile> {
    return pdfFile(`cut-list-${id}`, await cutListPdf(await this.queries.plan(id), await this.printing.of(request)));
  }

  @Post('cutting/plans')
  @BodyBound(PLAN_BODY)
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  draft(@CurrentActor() actor: Actor, @Body() dto: PlanDto): Promise<DoneView> {
    return this.cutting.draft(actor, dto);
  }

  @Post('cutting/plans/:id')
  @BodyBound(PLAN_BODY)
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  save(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: SavePlanDto): Promise<DoneView> {
    return this.cutting.save(actor, id, dto);
  }

  @Post('cutting/plans/:id/cut')
  @Gives(CutBoards)
  @ApiOkResponse({ type: DoneView })
  cut(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() { version }: VersionDto): Promise<DoneView> {
    return this.cutting.cut(actor, id, version);
  }

  @Post('lots/:id/boards')
  @Gives(MeasureBoards)
  @ApiOkResponse({ type: DoneView })
  measure(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: BoardsDto): Promise<DoneView> {
    return this.cutting.measure(actor, id, dto);
  }

  @Get('blanks')
  @Allow('viewer')
  @ApiOkResponse({ type: [BlankView] })
  blanks(): Promise<BlankView[]> {
    return this.queries.blanks({ state: 'free' });
  }

  @Post('blanks/weigh')
  @Gives(WeighBlanks)
  @ApiOkResponse({ type: DoneView })
  weigh(@CurrentActor() actor: Actor, @Body() dto: WeighDto): Promise<DoneView> {
    return this.cutting.weigh(actor, dto);
  }

  @Post('blanks/join')
  @Gives(JoinBlanks)
  @ApiOkResponse({ type: DoneView })
  join(@CurrentActor() actor: Actor, @Body() dto: JoinBlanksDto): Promise<DoneView> {
    return this.cutting.join(actor, dto);
  }

  @Post('blanks/reserve')
  @Gives(ReserveBlanks)
  @ApiOkResponse({ type: DoneView })
  reserve(@CurrentActor() actor: Actor, @Body() dto: ReserveDto): Promise<DoneView> {
    return this.cutting.reserve(actor, dto);
  }

  @Get('stock')
  @Allow('viewer')
  @ApiOkResponse({ type: StockView })
  stockView(): Promise<StockView> {
    return this.stock.view();
  }

  @Get('stock/orders/:id')
  @Allow('viewer')
  @ApiOkResponse({ type: OrderWoodView })
  orderWood(@Param('id') id: string): Promise<OrderWoodView> {
    return this.orderWoods.of(id);
  }

  @Get('stock/allotment')
  @Allow('viewer')
  @ApiOkResponse({ type: AllotmentView })
  allotment(@Query() { modelId, component }: AllotmentDto): Promise<AllotmentView> {
    return this.allotments.of(modelId, component);
  }
}
