import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { QualityController } from './quality.controller.ts';

@Module({ imports: [LogbookModule], controllers: [QualityController] })
export class QualityModule {}
