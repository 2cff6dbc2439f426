import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { SetupController } from './setup.controller.ts';
import { SetupService } from './setup.service.ts';
import { ShopService } from './shop.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule],
  controllers: [SetupController],
  providers: [ShopService, SetupService],
  exports: [ShopService],
})
export class SetupModule {}
