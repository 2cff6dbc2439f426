import { FitInstruments } from '@ample-crane/core';
import { Gives } from '../logbook/gives.ts';
import { Body, Controller, Get, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { FitDto, FittingView } from './fitting.dto.ts';
import { FittingService } from './fitting.service.ts';

@ApiTags('fitting')
@Controller()
export class FittingController {
  constructor(private readonly fitting: FittingService) {}

  @Get('fitting')
  @Allow('viewer')
  @ApiOkResponse({ type: FittingView })
  bench(): Promise<FittingView> {
    return this.fitting.bench();
  }

  @Post('fitting')
  @Gives(FitInstruments)
  @ApiOkResponse({ type: DoneView })
  fit(@CurrentActor() actor: Actor, @Body() dto: FitDto): Promise<DoneView> {
    return this.fitting.fit(actor, dto);
  }
}
