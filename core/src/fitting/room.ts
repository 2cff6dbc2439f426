import type { Room } from '../ledger/index.ts';
import type { Routes } from '../routing/index.ts';
import { InstrumentsFitted } from './instrumentsFitted.ts';

export const fitting = { name: 'fitting', rows: [], entries: [InstrumentsFitted] } as const satisfies Room<Routes>;
