import type { Room } from '../ledger/index.ts';
import { OverrideRecord } from './override.ts';

export const routing = { name: 'routing', rows: [OverrideRecord], entries: [], commands: [], answers: [] } as const satisfies Room;
