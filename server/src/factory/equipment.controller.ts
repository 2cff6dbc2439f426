import { Body, Controller, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import {
  CarrierDto,
  ChangeCarrierDto,
  ChangePrerequisiteDto,
  EquipmentService,
  PrerequisiteDto,
  StationDto,
  ZoneDto,
} from './equipment.service.ts';

@ApiTags('setup')
@Controller()
export class EquipmentController {
  constructor(private readonly equipment: EquipmentService) {}

  @Post('zones')
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  addZone(@CurrentActor() actor: Actor, @Body() dto: ZoneDto): Promise<DoneView> {
    return this.equipment.addZone(actor, dto);
  }

  @Post('stations')
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  addStation(@CurrentActor() actor: Actor, @Body() dto: StationDto): Promise<DoneView> {
    return this.equipment.addStation(actor, dto);
  }

  @Post('carriers')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  addCarrier(@CurrentActor() actor: Actor, @Body() dto: CarrierDto): Promise<DoneView> {
    return this.equipment.addCarrier(actor, dto);
  }

  @Put('carriers/:id')
  @Allow('lead')
  @ApiOkResponse({ type: DoneView })
  changeCarrier(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ChangeCarrierDto): Promise<DoneView> {
    return this.equipment.changeCarrier(actor, id, dto);
  }

  @Post('prerequisites')
  @Allow('lead')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  addPrerequisite(@CurrentActor() actor: Actor, @Body() dto: PrerequisiteDto): Promise<DoneView> {
    return this.equipment.addPrerequisite(actor, dto);
  }

  @Put('prerequisites/:id')
  @Allow('lead')
  @ApiOkResponse({ type: DoneView })
  changePrerequisite(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ChangePrerequisiteDto): Promise<DoneView> {
    return this.equipment.changePrerequisite(actor, id, dto);
  }
}
