import type { Room } from '../ledger/index.ts';
import { OverrideRecord } from './override.ts';

export const routing = { name: 'routing', rows: [OverrideRecord], entries: [] } as const satisfies Room;
