import { place } from '../../carriers/index.ts';
import type { Rows } from '../../ledger/index.ts';
import { Batch, Instrument, Piece, piecesIn, piecesInPass, Visit, visitOf, batchIdOf } from '../batch.ts';
import type { Run } from '../run.ts';
import { goOnWithRest, leaveJob } from './jobRows.ts';
import { joinBatch, lessPieces, visitIdOf } from './rows.ts';

/** Some pieces become a batch of their own, at the same step and as far as the rest; the work so far is theirs in equal parts. */
export function splitOff(rows: Rows, batchId: string, number: number, pieceIds: readonly string[], atMs: number): Batch {
  const batch = rows.get(Batch, batchId);
  if (batch.jobId !== null) leaveJob(rows, batch, atMs);
  const id = batchIdOf(number);
  const quantity = pieceIds.length;
  const visitId = visitIdOf(id, batch.operationId, batch.pass);
  splitVisit(rows, batch, { id: visitId, batchId: id }, pieceIds);
  const passes = { ...batch.passes };
  rows.put(Batch, { ...batch, id, number, quantity, visitId, passes, jobId: null, parentId: batch.id, version: 1 });
  for (const pieceId of pieceIds) changeBatchOf(rows, rows.get(Piece, pieceId), id, atMs);
  const { sinceMs } = batch;
  const { went } = lessPieces(rows, batch.id, quantity, atMs);
  const rest = rows.change(Batch, batch.id, { sinceMs });
  if (rest.jobId !== null && rest.quantity > 0) goOnWithRest(rows, rest, atMs);
  else if (rest.jobId !== null) rows.change(Batch, rest.id, { jobId: null });
  place(rows, id, went);
  for (const part of [batch.id, id]) nothingToDoAgain(rows, part, atMs);
  return rows.get(Batch, id);
}

/** A visit of its own for pieces that leave, with their part of what was counted and worked. */
function splitVisit(rows: Rows, batch: Batch, own: Pick<Visit, 'id' | 'batchId'>, pieceIds: readonly string[]): void {
  const visit = visitOf(rows, batch);
  const isDone = visit.finishedMs !== null;
  const inPass = isDone ? [] : piecesInPass(batch, piecesIn(rows, batch.id));
  // Of a pass that is about what came back, only that is counted.
  const quantity = isDone ? Math.min(pieceIds.length, visit.quantity) : inPass.filter((p) => pieceIds.includes(p.id)).length;
  const good = isDone ? Math.min(pieceIds.length, visit.good) : 0;
  const share = visit.quantity === 0 ? 0 : quantity / visit.quantity;
  const touchMs = visit.touchMs * share;
  const loadS = visit.loadS === null ? null : Math.round(visit.loadS * share);
  const continues = [visit.id, ...visit.continues];
  const { theirs, rest } = splitRun(visit.run, quantity, isDone);
  rows.put(Visit, { ...visit, ...own, continues, quantity, good, rework: 0, scrap: 0, loadS, touchMs, run: theirs });
  rows.amend(Visit, visit, {
    quantity: visit.quantity - quantity,
    good: visit.good - good,
    loadS: visit.loadS === null || loadS === null ? null : visit.loadS - loadS,
    touchMs: visit.touchMs - touchMs,
    run: rest,
  });
}

/** What ran counts once: what is done stays with those who did it, what goes on goes on for each. */
function splitRun(run: Run | null, pieces: number, isDone: boolean): { theirs: Run | null; rest: Run | null } {
  if (run === null || isDone) return { theirs: null, rest: run };
  return {
    theirs: { ...run, pieces, timed: false },
    rest: { ...run, pieces: Math.max(0, run.pieces - pieces), timed: false },
  };
}

/** Parted from what came back, good pieces have nothing to wait for: they are done with the step. */
function nothingToDoAgain(rows: Rows, batchId: string, atMs: number): void {
  const batch = rows.get(Batch, batchId);
  if (!batch.redo || batch.status !== 'queued' || piecesInPass(batch, piecesIn(rows, batchId)).length > 0) return;
  rows.amend(Visit, visitOf(rows, batch), { finishedMs: atMs });
  rows.change(Batch, batchId, { redo: false, status: 'finished', sinceMs: atMs, accepted: true });
}

/** An instrument's piece and its record move together. */
export function changeBatchOf(rows: Rows, piece: Piece, batchId: string, atMs: number): void {
  joinBatch(rows, piece, batchId, atMs);
  if (piece.component === 'instrument') rows.change(Instrument, piece.id, { batchId });
}
