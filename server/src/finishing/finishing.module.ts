import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { FinishingController } from './finishing.controller.ts';

@Module({ imports: [LogbookModule], controllers: [FinishingController] })
export class FinishingModule {}
