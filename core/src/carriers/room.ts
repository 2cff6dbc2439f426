import type { Room } from '../ledger/index.ts';
import { PlacementRow } from './placement.ts';

export const carriers = { name: 'carriers', rows: [PlacementRow], entries: [], commands: [], answers: [] } as const satisfies Room;
