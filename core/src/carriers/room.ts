import type { Room } from '../ledger/index.ts';
import { onCarrier } from './onCarrier.ts';
import { PlacementRow } from './placement.ts';

export const carriers = { name: 'carriers', rows: [PlacementRow], entries: [], commands: [], answers: [onCarrier] } as const satisfies Room;
