import { Module } from '@nestjs/common';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { RoutesController } from './routes.controller.ts';
import { RoutesService } from './routes.service.ts';
import { SheetPicturesController, SheetPicturesService } from './sheetPictures.ts';

@Module({
  imports: [FactoryModule, LogbookModule],
  controllers: [RoutesController, SheetPicturesController],
  providers: [RoutesService, SheetPicturesService],
})
export class RoutingModule {}
