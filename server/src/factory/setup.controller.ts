import { Body, Controller, Get, Param, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { ClimateService } from '../climate/climate.service.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import {
  ChangeExceptionsDto,
  ChangeHouseDto,
  ChangeKilnsDto,
  ChangeMoistureDto,
  ChangeMovementDto,
  ChangeSprayDto,
  ChangeWoodBuyingDto,
  ChangeSerialDto,
  ChangeStationDto,
  ChangeWorkingTimeDto,
  SetupView,
  ZoneView,
} from './setup.dto.ts';
import { SetupService } from './setup.service.ts';
import { WoodRulesService } from './woodRules.service.ts';
import { HouseService } from './house.service.ts';
import { WorkingTimeService } from './workingTime.service.ts';

@ApiTags('setup')
@Controller()
export class SetupController {
  constructor(
    private readonly setup: SetupService,
    private readonly woodRules: WoodRulesService,
    private readonly workingTime: WorkingTimeService,
    private readonly house: HouseService,
    private readonly climate: ClimateService,
  ) {}

  @Get('setup')
  @Allow('viewer')
  @ApiOkResponse({ type: SetupView })
  view(): Promise<SetupView> {
    return this.setup.view();
  }

  @Get('zones')
  @Allow('viewer')
  @ApiOkResponse({ type: [ZoneView] })
  zones(): Promise<ZoneView[]> {
    return this.climate.now();
  }

  @Put('stations/:code')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeStation(@CurrentActor() actor: Actor, @Param('code') code: string, @Body() dto: ChangeStationDto): Promise<DoneView> {
    return this.setup.changeStation(actor, code, dto);
  }

  @Put('settings/moisture')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeMoisture(@CurrentActor() actor: Actor, @Body() dto: ChangeMoistureDto): Promise<DoneView> {
    return this.woodRules.changeMoisture(actor, dto);
  }

  @Put('settings/moisture-exceptions')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeExceptions(@CurrentActor() actor: Actor, @Body() dto: ChangeExceptionsDto): Promise<DoneView> {
    return this.woodRules.changeExceptions(actor, dto);
  }

  @Put('settings/movement')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeMovement(@CurrentActor() actor: Actor, @Body() dto: ChangeMovementDto): Promise<DoneView> {
    return this.woodRules.changeMovement(actor, dto);
  }

  @Put('settings/house')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeHouse(@CurrentActor() actor: Actor, @Body() dto: ChangeHouseDto): Promise<DoneView> {
    return this.house.change(actor, dto);
  }

  @Put('settings/wood-buying')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeWoodBuying(@CurrentActor() actor: Actor, @Body() dto: ChangeWoodBuyingDto): Promise<DoneView> {
    return this.woodRules.changeBuying(actor, dto);
  }

  @Put('settings/spray')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeSpray(@CurrentActor() actor: Actor, @Body() dto: ChangeSprayDto): Promise<DoneView> {
    return this.woodRules.changeSpray(actor, dto);
  }

  @Put('settings/working-time')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeWorkingTime(@CurrentActor() actor: Actor, @Body() dto: ChangeWorkingTimeDto): Promise<DoneView> {
    return this.workingTime.change(actor, dto);
  }

  @Put('settings/kilns')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeKilns(@CurrentActor() actor: Actor, @Body() dto: ChangeKilnsDto): Promise<DoneView> {
    return this.woodRules.changeKilns(actor, dto);
  }

  @Put('settings/serial')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeSerial(@CurrentActor() actor: Actor, @Body() dto: ChangeSerialDto): Promise<DoneView> {
    return this.setup.changeSerialPattern(actor, dto);
  }
}
