import { Module } from '@nestjs/common';
import { CommandsService } from './commands.service.ts';
import { EvidenceSources } from './evidence.ts';
import { ForesightService } from './foresight.service.ts';
import { LogbookService } from './logbook.service.ts';
import { RowReader } from './rowReader.ts';
import { SealService } from './seal.service.ts';

@Module({
  providers: [LogbookService, CommandsService, EvidenceSources, ForesightService, RowReader, SealService],
  exports: [LogbookService, CommandsService, EvidenceSources, ForesightService, RowReader],
})
export class LogbookModule {}
