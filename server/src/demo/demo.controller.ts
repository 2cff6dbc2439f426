import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { InNumber } from '../platform/http/fields.ts';
import { DoneView } from '../platform/http/views.ts';
import { Allow } from '../platform/identity/role.ts';
import { DemoService } from './demo.service.ts';

export class PassTimeDto {
  @InNumber({ min: 0.25, max: 24 * 90 }) hours: number;
}

@ApiTags('demo')
@Controller('demo')
export class DemoController {
  constructor(private readonly demo: DemoService) {}

  @Post('clock')
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  pass(@Body() dto: PassTimeDto): Promise<DoneView> {
    return this.demo.pass(dto.hours);
  }
}
