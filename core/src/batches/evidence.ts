import type { RigStay } from '../carriers/index.ts';
import { question } from '../ledger/index.ts';
import type { Evidence, LastCoat } from '../routing/index.ts';

/** When each piece of a batch was coated last, wherever that was; null for one that never was. */
export const LastCoats = question<{ batchId: string }, readonly (LastCoat | null)[]>('last coats');
/** What the charts of a model's characteristics say, each where some step measures it. */
export const ControlOf = question<
  { modelId: string; measured: readonly { operationId: string; characteristicId: string }[] },
  Required<Pick<Evidence, 'control'>>
>('control of');
/** What the measures of a batch's pieces say, wherever they were taken. */
export const MeasuresOf = question<{ batchId: string }, Required<Pick<Evidence, 'measures' | 'courses'>>>('measures of');
/** The latest time in a rig of each live piece of a batch; null for one that never was in any. */
export const StaysOf = question<{ batchId: string }, readonly (RigStay | null)[]>('stays of');
