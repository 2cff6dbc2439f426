import { Controller, Get, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { InCount } from '../platform/http/fields.ts';
import { Allow } from '../platform/identity/role.ts';
import { ClassesView } from './classes.dto.ts';
import { ClassesService } from './classes.service.ts';
import { FlowView, MonthsView } from './flow.dto.ts';
import { FlowService } from './flow.service.ts';
import { AskPriceDto, PriceView } from './policies.dto.ts';
import { PoliciesService } from './policies.service.ts';
import { MonthsService } from './months.service.ts';

export class FlowFilterDto {
  @Type(() => Number)
  @InCount({ min: 7, max: 180, optional: true })
  days?: number;
}

export class MonthsFilterDto {
  /** how many, the latest of them */
  @Type(() => Number)
  @InCount({ min: 2, max: 13, optional: true })
  most?: number;
}

@ApiTags('flow')
@Controller('flow')
export class FlowController {
  constructor(
    private readonly flow: FlowService,
    private readonly byMonth: MonthsService,
    private readonly byClass: ClassesService,
    private readonly policies: PoliciesService,
  ) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: FlowView })
  view(@Query() filter: FlowFilterDto): Promise<FlowView> {
    return this.flow.view(filter.days);
  }

  /** Months side by side: what each came to, and what was otherwise than in the one before. */
  @Get('months')
  @Allow('viewer')
  @ApiOkResponse({ type: MonthsView })
  months(@Query() filter: MonthsFilterDto): Promise<MonthsView> {
    return this.byMonth.view(filter.most);
  }

  /** Specials, trials and tooling: where they are, and the hours that they took. */
  @Get('classes')
  @Allow('viewer')
  @ApiOkResponse({ type: ClassesView })
  classes(@Query() filter: FlowFilterDto): Promise<ClassesView> {
    return this.byClass.view(filter.days);
  }

  /** What one way of making a model comes to against another: hours of work, places, waiting, lead time. */
  @Get('price')
  @Allow('viewer')
  @ApiOkResponse({ type: PriceView })
  price(@Query() asked: AskPriceDto): Promise<PriceView> {
    return this.policies.price(asked);
  }
}
