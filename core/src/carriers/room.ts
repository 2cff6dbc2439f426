import type { Room } from '../ledger/index.ts';
import { PlacementRow } from './placement.ts';

export const carriers = { name: 'carriers', rows: [PlacementRow], entries: [] } as const satisfies Room;
