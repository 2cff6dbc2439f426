import type { Rows } from '../../ledger/index.ts';
import { OWN_WAY } from '../../routing/index.ts';
import { Batch, idsInOrder, piecesIn, piecesInPass, Visit, visitOf } from '../batch.ts';
import type { SettingNoted } from '../settings.ts';
import { Job, touchMsOf, type JobShare } from '../job.ts';

const NOTHING_NOTED: readonly SettingNoted[] = [];

interface Beginning {
  workerId: string;
  withBatchId?: string;
  bench?: number | null;
  settings?: readonly SettingNoted[];
}

/** Work on a batch begins: a job of its own, or one that another batch is in already. */
export function beginJob(
  rows: Rows,
  batch: Batch,
  atMs: number,
  { workerId, withBatchId, bench = null, settings = NOTHING_NOTED }: Beginning,
): void {
  const share = shareOf(rows, batch, atMs);
  const load = withBatchId === undefined ? undefined : rows.get(Job, rows.get(Batch, withBatchId).jobId);
  if (load) {
    // What several steps ask for is noted once for the load.
    const more = settings.filter((s) => !load.settings.some((known) => known.id === s.id));
    rows.amend(Job, load, { shares: [...load.shares, share], toMs: null, openAt: load.stationCode, settings: [...load.settings, ...more] });
  }
  const jobId = load?.id ?? `${batch.visitId}#${batch.version}`;
  if (!load)
    rows.put(Job, {
      id: jobId,
      stationCode: batch.stationCode,
      openAt: batch.stationCode,
      bench,
      wayId: batch.wayId ?? OWN_WAY,
      personIds: [workerId],
      settings,
      fromMs: atMs,
      toMs: null,
      shares: [share],
    });
  rows.amend(Batch, batch, { version: batch.version + 1, status: 'running', sinceMs: atMs, jobId });
}

/** A batch leaves the job it is in; what was worked counts for its visit. The job goes on while others are in it. */
export function leaveJob(rows: Rows, batch: Batch, atMs: number): void {
  const closed = endShare(rows, batch, atMs);
  const visit = visitOf(rows, batch);
  rows.amend(Visit, visit, { touchMs: visit.touchMs + touchMsOf(rows.get(Job, batch.jobId), closed) });
}

/** Work on a batch was never begun: its share of the job counts for nothing. */
export function takeBackJob(rows: Rows, batch: Batch): void {
  const { shares } = rows.get(Job, batch.jobId);
  endShare(rows, batch, shares.find((s) => isOpenOf(s, batch))?.fromMs ?? batch.sinceMs);
}

/** Some pieces of a batch at work have gone: the job goes on with the rest. */
export function goOnWithRest(rows: Rows, batch: Batch, atMs: number): void {
  const job = rows.get(Job, batch.jobId);
  rows.amend(Job, job, { shares: [...job.shares, shareOf(rows, batch, atMs)], toMs: null, openAt: job.stationCode });
}

function endShare(rows: Rows, batch: Batch, atMs: number): JobShare {
  const job = rows.get(Job, batch.jobId);
  const open = job.shares.find((share) => isOpenOf(share, batch));
  if (!open) throw new Error(`The logbook ends work on batch ${batch.id} that it has not begun`);
  const closed = { ...open, toMs: atMs };
  const shares = job.shares.map((share) => (share === open ? closed : share));
  const ends = shares.map((share) => share.toMs ?? Infinity);
  const toMs = Math.max(...ends);
  rows.amend(Job, job, toMs === Infinity ? { shares } : { shares, toMs, openAt: null });
  return closed;
}

const isOpenOf = (share: JobShare, batch: Batch) => share.batchId === batch.id && share.toMs === null;

const shareOf = (rows: Rows, batch: Batch, fromMs: number): JobShare => ({
  batchId: batch.id,
  visitId: batch.visitId,
  operationId: batch.operationId,
  pieceIds: idsInOrder(piecesInPass(batch, piecesIn(rows, batch.id))),
  fromMs,
  toMs: null,
});
