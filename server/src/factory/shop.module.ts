import { Global, Module } from '@nestjs/common';
import { FactorySource } from '../logbook/factorySource.ts';
import { ShopService } from './shop.service.ts';

/** The factory as it is set up; the logbook, which lies below, has it from here. */
@Global()
@Module({ providers: [ShopService, { provide: FactorySource, useExisting: ShopService }], exports: [ShopService, FactorySource] })
export class ShopModule {}
