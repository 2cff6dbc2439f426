import type { Room } from '../ledger/index.ts';
import { Measure } from './measure.ts';
import { MeasuresTaken } from './measuresTaken.ts';

export const quality = { name: 'quality', rows: [Measure], entries: [MeasuresTaken] } as const satisfies Room;
