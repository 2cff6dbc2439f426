import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { SetupModule } from '../setup/setup.module.ts';
import { LotsController } from './lots.controller.ts';
import { LotsQueries } from './lots.queries.ts';
import { LotsService } from './lots.service.ts';
import { ReadingsImportService } from './readingsImport.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule, SetupModule],
  controllers: [LotsController],
  providers: [LotsService, LotsQueries, ReadingsImportService],
  exports: [LotsQueries],
})
export class TimberModule {}
