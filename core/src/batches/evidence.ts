import { question } from '../ledger/index.ts';
import type { Evidence } from '../routing/index.ts';
import type { Undoable } from './entries/undoable.ts';

/** How many places are taken of a carrier, by its id. */
export const PlacesTaken = question<Record<string, never>, (carrierId: string) => number>('places taken');
/** The boxes of small parts that the step of a batch could draw from, by their ids. */
export const BoxesFor = question<{ batchId: string }, readonly string[]>('boxes for');
/** A batch's latest entry that has not been taken back; null when it has none. */
export const LatestEntry = question<{ batchId: string }, { id: number; kind: string; undoable: Undoable | null } | null>('latest entry');
/** How many coats were laid in a visit. */
export const CoatsOn = question<{ visitId: string }, number>('coats on');
/** When the latest coat was laid on a batch, or in one of its visits; null when none was. */
export const LastCoat = question<{ batchId: string; visitId: string | null }, number | null>('last coat');
/** What the measures of a batch's pieces say, wherever they were taken. */
export const MeasuresOf = question<{ batchId: string }, Required<Pick<Evidence, 'measures' | 'courses'>>>('measures of');
/** The pieces of a batch's present pass that lack a measure its step asks for. */
export const UnmeasuredOf = question<{ batchId: string }, readonly string[]>('unmeasured of');
