import { Module } from '@nestjs/common';
import { LogbookService } from './logbook.service.ts';

@Module({
  providers: [LogbookService],
  exports: [LogbookService],
})
export class LogbookModule {}
