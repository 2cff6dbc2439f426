import { Module } from '@nestjs/common';
import { FactoryModule } from '../factory/factory.module.ts';
import { FlowController } from './flow.controller.ts';
import { FlowService } from './flow.service.ts';

@Module({
  imports: [FactoryModule],
  controllers: [FlowController],
  providers: [FlowService],
  exports: [FlowService],
})
export class FlowModule {}
