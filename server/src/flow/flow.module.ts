import { Module } from '@nestjs/common';
import { SetupModule } from '../setup/setup.module.ts';
import { FlowController } from './flow.controller.ts';
import { FlowService } from './flow.service.ts';

@Module({
  imports: [SetupModule],
  controllers: [FlowController],
  providers: [FlowService],
  exports: [FlowService],
})
export class FlowModule {}
