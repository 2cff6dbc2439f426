import { Batch, DAY_MS, isUnjudged, JudgeTrial, Piece, type Recorder, type TrialVerdict } from '@ample-crane/core';
import type { Mover } from './mover.ts';

/** So long a lead looks at what came of a trial before saying so. */
const LOOKS_FOR_MS = 10 * DAY_MS;

const FOUND: readonly (readonly [TrialVerdict, string])[] = [
  ['drop it', 'The thinner wet film sanded through at two edges of three'],
  ['change it and try again', 'The cutter leaves a cleaner pocket, but wants a slower feed at the corner'],
  ['take it up', 'Two hours less by hand, and every pocket within a tenth'],
];

/** A lead says what the trials have shown that ended some time ago. */
export function judgeTrials(mover: Mover, { rows }: Recorder, atMs: number, leadId: string): void {
  for (const batch of rows.all(Batch)) {
    if (batch.workClass !== 'trial' || atMs - batch.sinceMs < LOOKS_FOR_MS) continue;
    if (!isUnjudged(batch, rows.where(Piece, 'batchId', batch.id))) continue;
    const [verdict, words] = FOUND[batch.number % FOUND.length] ?? ['drop it', ''];
    mover.tryTo(JudgeTrial, { batchId: batch.id, verdict, words }, atMs, leadId);
  }
}
