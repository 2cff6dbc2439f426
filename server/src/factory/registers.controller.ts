import { Body, Controller, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { ChangeDefectsDto, ChangeSpeciesDto } from './registers.dto.ts';
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
}
