import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { ChangesService } from './changes.service.ts';
import { EquipmentController } from './equipment.controller.ts';
import { EquipmentService } from './equipment.service.ts';
import { FactoryController } from './factory.controller.ts';
import { MaterialsController } from './materials.controller.ts';
import { MaterialsService } from './materials.service.ts';
import { HouseService } from './house.service.ts';
import { ModelsController } from './models.controller.ts';
import { ModelsService } from './models.service.ts';
import { PeopleController } from './people.controller.ts';
import { PeopleService } from './people.service.ts';
import { PrintingService } from './printing.service.ts';
import { RegistersController } from './registers.controller.ts';
import { RegistersService } from './registers.service.ts';
import { SetupController } from './setup.controller.ts';
import { SetupService } from './setup.service.ts';
import { FactoryNowModule } from './factoryNow.module.ts';
import { WoodRulesService } from './woodRules.service.ts';
import { WorkingTimeService } from './workingTime.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule, FactoryNowModule],
  controllers: [
    FactoryController,
    SetupController,
    EquipmentController,
    PeopleController,
    RegistersController,
    MaterialsController,
    ModelsController,
  ],
  providers: [
    PeopleService,
    SetupService,
    WoodRulesService,
    WorkingTimeService,
    RegistersService,
    MaterialsService,
    ModelsService,
    HouseService,
    EquipmentService,
    ChangesService,
    PrintingService,
  ],
  exports: [FactoryNowModule, ChangesService, PrintingService],
})
export class FactoryModule {}
