import { Controller, Get, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { InCount } from '../platform/http/fields.ts';
import { Allow } from '../platform/identity/role.ts';
import { FlowView } from './flow.dto.ts';
import { FlowService } from './flow.service.ts';

export class FlowFilterDto {
  @Type(() => Number)
  @InCount({ min: 7, max: 180, optional: true })
  days?: number;
}

@ApiTags('flow')
@Controller('flow')
export class FlowController {
  constructor(private readonly flow: FlowService) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: FlowView })
  view(@Query() filter: FlowFilterDto): Promise<FlowView> {
    return this.flow.view(filter.days);
  }
}
