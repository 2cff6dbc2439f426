import { Module } from '@nestjs/common';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { DimensionsController } from './dimensions.controller.ts';
import { DimensionsQueries } from './dimensions.queries.ts';
import { InstrumentsController } from './instruments.controller.ts';
import { QualityController } from './quality.controller.ts';

@Module({
  imports: [LogbookModule, FactoryModule],
  controllers: [QualityController, DimensionsController, InstrumentsController],
  providers: [DimensionsQueries],
  exports: [DimensionsQueries],
})
export class QualityModule {}
