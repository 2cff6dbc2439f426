import { Dimension, dimensionIdOf, type Recorder, SettleSignal } from '@ample-crane/core';
import type { Mover } from './mover.ts';

/** What is found when somebody looks why a chart fires: mostly nothing. */
const FOUND = [
  'Measured again with the gauge block: nothing changed',
  'Chip under the fixture, blown out',
  'Caliper set to zero anew',
  'Softer boards in this lot',
  'Cutter changed',
] as const;

interface At {
  atMs: number;
  workerId: string;
  leadId: string;
}

/** Somebody looks at what the charts of a batch's step say, and lets the batch go on where it was held for it. */
export function settleSignals(mover: Mover, recorder: Recorder, batchId: string, { atMs, workerId, leadId }: At): void {
  const batch = mover.batch(batchId);
  for (const { id } of mover.operation(batch).characteristics ?? []) {
    const dimension = recorder.rows.find(Dimension, dimensionIdOf(batch.modelId, batch.operationId, id));
    if (!dimension?.signal) continue;
    const note = FOUND[dimension.count % FOUND.length] ?? FOUND[0];
    mover.give(SettleSignal, { dimensionId: dimension.id, note, anew: false }, atMs, leadId);
  }
  if (batch.status !== 'held') return;
  mover.carryOut(batch, { command: 'release batch' }, atMs, leadId);
  mover.carryOut(mover.batch(batchId), { command: 'resume work', personId: workerId }, atMs, workerId);
}
