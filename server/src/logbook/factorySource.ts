import type { HouseFactory } from '@ample-crane/core';

/** Where the logbook has the factory from. The room above it knows how it is set up. */
export abstract class FactorySource {
  /** The factory as it is set up now. */
  abstract now(): Promise<HouseFactory>;
}
