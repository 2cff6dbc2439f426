import { Body, Controller, HttpCode, Param, Post } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { ShipDto } from './dispatch.dto.ts';
import { DispatchService } from './dispatch.service.ts';

@ApiTags('dispatch')
@Controller('instruments')
export class DispatchController {
  constructor(private readonly dispatch: DispatchService) {}

  @Post(':serial/ship')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  ship(@CurrentActor() actor: Actor, @Param('serial') serial: string, @Body() dto: ShipDto): Promise<DoneView> {
    return this.dispatch.ship(actor, serial, dto);
  }
}
