import { Module } from '@nestjs/common';
import { LogbookService } from './logbook.service.ts';
import { RowReader } from './rowReader.ts';
import { SealService } from './seal.service.ts';

@Module({
  providers: [LogbookService, RowReader, SealService],
  exports: [LogbookService, RowReader],
})
export class LogbookModule {}
