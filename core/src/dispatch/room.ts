import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { InstrumentShipped } from './instrumentShipped.ts';
import { ShipInstrument } from './shipInstrument.ts';

export const dispatch = {
  name: 'dispatch',
  rows: [],
  entries: [InstrumentShipped],
  commands: [ShipInstrument],
  answers: [],
} as const satisfies Room<never, Factory>;
