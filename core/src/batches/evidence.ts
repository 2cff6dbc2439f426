import { question } from '../ledger/index.ts';
import type { Evidence } from '../routing/index.ts';

/** When the latest coat was laid on a batch, or in one of its visits; null when none was. */
export const LastCoat = question<{ batchId: string; visitId: string | null }, number | null>('last coat');
/** What the measures of a batch's pieces say, wherever they were taken. */
export const MeasuresOf = question<{ batchId: string }, Required<Pick<Evidence, 'measures' | 'courses'>>>('measures of');
