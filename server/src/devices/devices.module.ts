import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { DeviceAdapter } from './adapters/adapter.ts';
import { MqttAdapter } from './adapters/mqtt.ts';
import { DevicesController } from './devices.controller.ts';
import { DevicesEvidence } from './devices.evidence.ts';
import { DevicesQueries } from './devices.queries.ts';
import { DevicesService } from './devices.service.ts';
import { IntakeService } from './intake.service.ts';
import { Tidying } from './tidying.ts';
import { ValuesService } from './values.service.ts';

@Module({
  imports: [ClimateModule, FactoryModule, LogbookModule],
  controllers: [DevicesController],
  providers: [
    { provide: DeviceAdapter, useClass: MqttAdapter },
    DevicesEvidence,
    DevicesQueries,
    DevicesService,
    IntakeService,
    Tidying,
    ValuesService,
  ],
  exports: [DevicesQueries],
})
export class DevicesModule {}
