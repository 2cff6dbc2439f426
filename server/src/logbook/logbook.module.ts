import { Module } from '@nestjs/common';
import { LogbookService } from './logbook.service.ts';
import { SealService } from './seal.service.ts';

@Module({
  providers: [LogbookService, SealService],
  exports: [LogbookService],
})
export class LogbookModule {}
