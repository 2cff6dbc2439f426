import { Body, Controller, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import {
  ChangeAdhesivesDto,
  ChangeCautionsDto,
  ChangeConsigneesDto,
  ChangeDefectsDto,
  ChangePauseCausesDto,
  ChangeStartChecksDto,
  ChangeSpeciesDto,
} from './registers.dto.ts';
import { RegistersService } from './registers.service.ts';

@ApiTags('setup')
@Controller('settings')
export class RegistersController {
  constructor(private readonly registers: RegistersService) {}

  @Put('species')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeSpecies(@CurrentActor() actor: Actor, @Body() dto: ChangeSpeciesDto): Promise<DoneView> {
    return this.registers.changeSpecies(actor, dto);
  }

  @Put('defects')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeDefects(@CurrentActor() actor: Actor, @Body() dto: ChangeDefectsDto): Promise<DoneView> {
    return this.registers.changeDefects(actor, dto);
  }

  @Put('cautions')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeCautions(@CurrentActor() actor: Actor, @Body() dto: ChangeCautionsDto): Promise<DoneView> {
    return this.registers.changeCautions(actor, dto);
  }

  @Put('pause-causes')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changePauseCauses(@CurrentActor() actor: Actor, @Body() dto: ChangePauseCausesDto): Promise<DoneView> {
    return this.registers.changePauseCauses(actor, dto);
  }

  @Put('start-checks')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeStartChecks(@CurrentActor() actor: Actor, @Body() dto: ChangeStartChecksDto): Promise<DoneView> {
    return this.registers.changeStartChecks(actor, dto);
  }

  @Put('adhesives')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  changeAdhesives(@CurrentActor() actor: Actor, @Body() dto: ChangeAdhesivesDto): Promise<DoneView> {
    return this.registers.changeAdhesives(actor, dto);
  }

  @Put('consignees')
  @Allow('lead')
  @ApiOkResponse({ type: DoneView })
  changeConsignees(@CurrentActor() actor: Actor, @Body() dto: ChangeConsigneesDto): Promise<DoneView> {
    return this.registers.changeConsignees(actor, dto);
  }
}
