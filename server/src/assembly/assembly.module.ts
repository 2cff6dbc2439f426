import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { KitsController } from './kits.controller.ts';
import { KitsEvidence } from './kits.evidence.ts';

@Module({ imports: [LogbookModule], controllers: [KitsController], providers: [KitsEvidence] })
export class AssemblyModule {}
