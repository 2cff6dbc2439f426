import { Body, Controller, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { ChangeMaterialDto, MaterialDto, MaterialsService } from './materials.service.ts';

@ApiTags('setup')
@Controller('materials')
export class MaterialsController {
  constructor(private readonly materials: MaterialsService) {}

  @Post()
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  add(@CurrentActor() actor: Actor, @Body() dto: MaterialDto): Promise<DoneView> {
    return this.materials.add(actor, dto);
  }

  @Put(':id')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  change(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ChangeMaterialDto): Promise<DoneView> {
    return this.materials.change(actor, id, dto);
  }
}
