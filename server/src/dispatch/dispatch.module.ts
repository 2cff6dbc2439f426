import { Module } from '@nestjs/common';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { DispatchController } from './dispatch.controller.ts';
import { DispatchService } from './dispatch.service.ts';

@Module({
  imports: [FactoryModule, LogbookModule],
  controllers: [DispatchController],
  providers: [DispatchService],
})
export class DispatchModule {}
