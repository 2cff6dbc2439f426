import { Body, Controller, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { BadgeDto, ChangePersonDto, GiveAccountDto, PersonDto, ResetCodeView } from './people.dto.ts';
import { PeopleService } from './people.service.ts';

@ApiTags('people')
@Controller('people')
export class PeopleController {
  constructor(private readonly people: PeopleService) {}

  @Post()
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  add(@CurrentActor() actor: Actor, @Body() dto: PersonDto): Promise<DoneView> {
    return this.people.add(actor, dto);
  }

  @Put(':id')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  change(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ChangePersonDto): Promise<DoneView> {
    return this.people.change(actor, id, dto);
  }

  @Post(':id/account')
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  giveAccount(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: GiveAccountDto): Promise<DoneView> {
    return this.people.giveAccount(actor, id, dto);
  }

  @Post(':id/reset')
  @Allow('admin')
  @HttpCode(200)
  @ApiOkResponse({ type: ResetCodeView })
  resetPassword(@CurrentActor() actor: Actor, @Param('id') id: string): Promise<ResetCodeView> {
    return this.people.resetPassword({ ...actor, idempotencyKey: null }, id);
  }

  @Put(':id/badge')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  setBadge(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: BadgeDto): Promise<DoneView> {
    return this.people.setBadge({ ...actor, idempotencyKey: null }, id, dto);
  }
}
