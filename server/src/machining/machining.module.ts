import { Module } from '@nestjs/common';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { CuttersController } from './cutters.controller.ts';
import { CuttersQueries } from './cutters.queries.ts';
import { LoadsController } from './loads.controller.ts';
import { LoadsQueries } from './loads.queries.ts';
import { ProgramsController } from './programs.controller.ts';
import { ProgramsQueries } from './programs.queries.ts';

@Module({
  imports: [LogbookModule, FactoryModule],
  controllers: [ProgramsController, CuttersController, LoadsController],
  providers: [ProgramsQueries, CuttersQueries, LoadsQueries],
  exports: [ProgramsQueries, CuttersQueries],
})
export class MachiningModule {}
