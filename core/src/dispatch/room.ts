import type { Room } from '../ledger/index.ts';
import { InstrumentShipped } from './instrumentShipped.ts';

export const dispatch = { name: 'dispatch', rows: [], entries: [InstrumentShipped] } as const satisfies Room;
