import { question } from '../ledger/index.ts';
import type { Evidence, LastCoat } from '../routing/index.ts';

/** When each piece of a batch was coated last, wherever that was; null for one that never was. */
export const LastCoats = question<{ batchId: string }, readonly (LastCoat | null)[]>('last coats');
/** What the measures of a batch's pieces say, wherever they were taken. */
export const MeasuresOf = question<{ batchId: string }, Required<Pick<Evidence, 'measures' | 'courses'>>>('measures of');
