import type { Rows } from '../../ledger/index.ts';
import type { Batch } from '../batch.ts';
import { benchFrom, Machine, type Run } from '../run.ts';

interface Checked {
  batch: Pick<Batch, 'id' | 'modelId'>;
  stationCode: string;
  personId: string;
  atMs: number;
}

/** What a checked start says is on a machine from now on. */
export function leaveOn(rows: Rows, run: Run, ticks: readonly string[], { batch, stationCode, personId, atMs }: Checked): void {
  const { machineId, programId, what, revision, fixture } = run;
  if (machineId === null) return;
  const { id: batchId, modelId } = batch;
  const bench = benchFrom(stationCode, machineId);
  rows.put(Machine, { id: machineId, stationCode, bench, modelId, programId, what, revision, fixture, ticks, batchId, personId, atMs });
}
