import { Controller, Get, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { InText } from '../platform/http/fields.ts';
import { Allow } from '../platform/identity/role.ts';
import { FindService } from './find.service.ts';
import { FloorView, FoundView, MorningView, WalkView } from './morning.dto.ts';
import { MorningService } from './morning.service.ts';

export class FindDto {
  @InText({ max: 80 }) text: string;
}

@ApiTags('morning')
@Controller()
export class MorningController {
  constructor(
    private readonly service: MorningService,
    private readonly finder: FindService,
  ) {}

  @Get('morning')
  @Allow('viewer')
  @ApiOkResponse({ type: MorningView })
  morning(): Promise<MorningView> {
    return this.service.morning();
  }

  @Get('walk')
  @Allow('viewer')
  @ApiOkResponse({ type: [WalkView] })
  walk(): Promise<WalkView[]> {
    return this.service.walk();
  }

  @Get('floor')
  @Allow('viewer')
  @ApiOkResponse({ type: FloorView })
  floor(): Promise<FloorView> {
    return this.service.floor();
  }

  @Get('find')
  @Allow('viewer')
  @ApiOkResponse({ type: [FoundView] })
  find(@Query() { text }: FindDto): Promise<FoundView[]> {
    return this.finder.find(text.trim());
  }
}
