import type { Room } from '../ledger/index.ts';
import { Coat } from './coat.ts';
import { CoatLogged } from './coatLogged.ts';

export const finishing = { name: 'finishing', rows: [Coat], entries: [CoatLogged] } as const satisfies Room;
