import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { CarriersController, CarriersQueries } from './carriers.ts';

@Module({
  imports: [BatchesModule, FactoryModule],
  controllers: [CarriersController],
  providers: [CarriersQueries],
})
export class CarriersModule {}
