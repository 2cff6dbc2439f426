import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { CountKits } from './countKits.ts';
import { KitsCounted } from './kitsCounted.ts';
import { KitStock, setsOf } from './kitStock.ts';

export const assembly = {
  name: 'assembly',
  rows: [KitStock],
  entries: [KitsCounted],
  commands: [CountKits],
  answers: [setsOf],
} as const satisfies Room<never, Factory>;
