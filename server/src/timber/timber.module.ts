import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { AirController } from './air.controller.ts';
import { AirService } from './air.service.ts';
import { CuttingController } from './cutting.controller.ts';
import { CuttingQueries } from './cutting.queries.ts';
import { CuttingService } from './cutting.service.ts';
import { AllotmentService } from './allotment.service.ts';
import { OrderWoodService } from './orderWood.service.ts';
import { StockService } from './stock.service.ts';
import { DryingService } from './drying.service.ts';
import { HistoriesService } from './histories.service.ts';
import { OrdersModule } from '../orders/orders.module.ts';
import { FileColumns } from './fileColumns.ts';
import { LoggerImportService } from './loggerImport.service.ts';
import { LotsController } from './lots.controller.ts';
import { LotLists } from './lots.lists.ts';
import { LotsQueries } from './lots.queries.ts';
import { LotsService } from './lots.service.ts';
import { PicturesController, PicturesService } from './pictures.ts';
import { TimberEvidence } from './timber.evidence.ts';
import { ReadingsImportService } from './readingsImport.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule, FactoryModule, OrdersModule],
  controllers: [LotsController, AirController, CuttingController, PicturesController],
  providers: [
    LotsService,
    TimberEvidence,
    LotLists,
    LotsQueries,
    DryingService,
    HistoriesService,
    AirService,
    CuttingService,
    CuttingQueries,
    StockService,
    AllotmentService,
    OrderWoodService,
    PicturesService,
    ReadingsImportService,
    FileColumns,
    LoggerImportService,
  ],
  exports: [LotLists],
})
export class TimberModule {}
