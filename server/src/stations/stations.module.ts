import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { StationsController, StationsQueries } from './stations.ts';

@Module({
  imports: [BatchesModule, FactoryModule],
  controllers: [StationsController],
  providers: [StationsQueries],
})
export class StationsModule {}
