import { Global, Module } from '@nestjs/common';
import { FactorySource } from '../logbook/factorySource.ts';
import { FactoryService } from './factory.service.ts';

/** The factory as it is set up; the logbook, which lies below, has it from here. */
@Global()
@Module({ providers: [FactoryService, { provide: FactorySource, useExisting: FactoryService }], exports: [FactoryService, FactorySource] })
export class FactoryNowModule {}
