import type { Rows } from '../../ledger/index.ts';
import { Batch, Run, runOf, Visit, visitOf } from '../batch.ts';

/** A stretch of work begins. */
export function openRun(rows: Rows, batch: Batch, atMs: number, workerId: string): void {
  const runId = `${batch.visitId}@${atMs}`;
  rows.put(Run, {
    id: runId,
    visitId: batch.visitId,
    batchId: batch.id,
    stationCode: batch.stationCode,
    personId: workerId,
    fromMs: atMs,
    toMs: null,
  });
  rows.amend(Batch, batch, { version: batch.version + 1, status: 'running', sinceMs: atMs, runId });
}

/** The stretch of work going on ends; what was worked counts for the visit. */
export function closeRun(rows: Rows, batch: Batch, atMs: number): void {
  const run = rows.amend(Run, runOf(rows, batch), { toMs: atMs });
  const visit = visitOf(rows, batch);
  rows.amend(Visit, visit, { touchMs: visit.touchMs + (atMs - run.fromMs) });
}
