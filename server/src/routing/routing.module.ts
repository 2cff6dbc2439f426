import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { RoutesController } from './routes.controller.ts';
import { RoutesService } from './routes.service.ts';

@Module({
  imports: [BatchesModule, FactoryModule],
  controllers: [RoutesController],
  providers: [RoutesService],
})
export class RoutingModule {}
