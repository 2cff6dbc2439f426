import type { Room } from '../ledger/index.ts';
import { SetupChanged } from './setupChanged.ts';

export const factory = { name: 'factory', rows: [], entries: [SetupChanged], commands: [], answers: [] } as const satisfies Room;
