import { Body, Controller, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { VersionDto } from '../platform/http/version.dto.ts';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { notFound } from '../platform/problems/problems.ts';
import {
  ChangeDeviceDto,
  DeviceDto,
  DevicePasswordView,
  DevicesView,
  DeviceValuesFilterDto,
  DeviceValuesView,
  TakeValueDto,
} from './devices.dto.ts';
import { DevicesQueries } from './devices.queries.ts';
import { DevicesService } from './devices.service.ts';
import { ValuesService } from './values.service.ts';

@ApiTags('devices')
@Controller()
export class DevicesController {
  constructor(
    private readonly devices: DevicesService,
    private readonly queries: DevicesQueries,
    private readonly values: ValuesService,
  ) {}

  @Get('devices')
  @Allow('viewer')
  @ApiOkResponse({ type: DevicesView })
  list(): Promise<DevicesView> {
    return this.queries.list();
  }

  @Post('devices')
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DevicePasswordView })
  add(@CurrentActor() actor: Actor, @Body() dto: DeviceDto): Promise<DevicePasswordView> {
    return this.devices.add(actor, dto);
  }

  @Put('devices/:id')
  @Allow('manager')
  @ApiOkResponse({ type: DoneView })
  change(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() dto: ChangeDeviceDto): Promise<DoneView> {
    return this.devices.change(actor, id, dto);
  }

  @Post('devices/:id/password')
  @Allow('manager')
  @HttpCode(200)
  @ApiOkResponse({ type: DevicePasswordView })
  renew(@CurrentActor() actor: Actor, @Param('id') id: string, @Body() { version }: VersionDto): Promise<DevicePasswordView> {
    return this.devices.renew(actor, id, version);
  }

  @Get('device-values')
  @Allow('operator')
  @ApiOkResponse({ type: DeviceValuesView })
  waiting(@Query() { place, after }: DeviceValuesFilterDto): Promise<DeviceValuesView> {
    return this.values.waiting(place, after);
  }

  @Post('device-values/:seq/take')
  @Allow('operator')
  @HttpCode(200)
  @ApiOkResponse({ type: DoneView })
  take(@Param('seq') seq: string, @Body() { by }: TakeValueDto): Promise<DoneView> {
    if (!/^\d{1,18}$/.test(seq)) throw notFound('value', seq);
    return this.values.take(seq, by);
  }
}
