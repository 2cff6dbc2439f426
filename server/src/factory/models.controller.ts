import { Body, Controller, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { ChangeModelDto, ModelDto, ModelsService } from './models.service.ts';

@ApiTags('setup')
@Controller('models')
export class ModelsController {
  constructor(private readonly models: ModelsService) {}

  @Post()
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  add(@CurrentActor() actor: Actor, @Body() dto: ModelDto): Promise<DoneView> {
    return this.models.add(actor, dto);
  }

  @Put(':id')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  change(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ChangeModelDto): Promise<DoneView> {
    return this.models.change(actor, id, dto);
  }
}
