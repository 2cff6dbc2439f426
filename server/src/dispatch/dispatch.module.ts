import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { DispatchController } from './dispatch.controller.ts';

@Module({ imports: [LogbookModule], controllers: [DispatchController] })
export class DispatchModule {}
