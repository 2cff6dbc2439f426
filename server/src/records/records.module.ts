import { Module } from '@nestjs/common';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { RecordsController } from './records.controller.ts';
import { RecordsService } from './records.service.ts';

@Module({
  imports: [FactoryModule, LogbookModule],
  controllers: [RecordsController],
  providers: [RecordsService],
})
export class RecordsModule {}
