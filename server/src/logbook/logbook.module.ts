import { Module } from '@nestjs/common';
import { CommandsService } from './commands.service.ts';
import { EvidenceSources } from './evidence.ts';
import { LogbookService } from './logbook.service.ts';
import { RowReader } from './rowReader.ts';
import { SealService } from './seal.service.ts';

@Module({
  providers: [LogbookService, CommandsService, EvidenceSources, RowReader, SealService],
  exports: [LogbookService, CommandsService, EvidenceSources, RowReader],
})
export class LogbookModule {}
