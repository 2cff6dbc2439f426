import { Module } from '@nestjs/common';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { RigsController } from './rigs.controller.ts';
import { RigsQueries } from './rigs.queries.ts';

@Module({ imports: [LogbookModule, FactoryModule], controllers: [RigsController], providers: [RigsQueries], exports: [RigsQueries] })
export class RigsModule {}
