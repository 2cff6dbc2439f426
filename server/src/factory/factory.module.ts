import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { ChangesService } from './changes.service.ts';
import { EquipmentController } from './equipment.controller.ts';
import { EquipmentService } from './equipment.service.ts';
import { PrintingService } from './printing.service.ts';
import { SetupController } from './setup.controller.ts';
import { SetupService } from './setup.service.ts';
import { ShopService } from './shop.service.ts';
import { WoodRulesService } from './woodRules.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule],
  controllers: [SetupController, EquipmentController],
  providers: [ShopService, SetupService, WoodRulesService, EquipmentService, ChangesService, PrintingService],
  exports: [ShopService, ChangesService, PrintingService],
})
export class FactoryModule {}
