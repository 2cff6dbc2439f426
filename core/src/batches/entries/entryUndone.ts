import { takeSets } from '../../assembly/index.ts';
import { entryKind, type Rows } from '../../ledger/index.ts';
import {
  afterStep,
  firstOperation,
  operationOf,
  OWN_WAY,
  pathFrom,
  OverrideRecord,
  type Operation,
  type Route,
  type Routes,
} from '../../routing/index.ts';
import { Batch, Instrument, Piece, piecesIn, Visit, visitOf } from '../batch.ts';
import { Defect } from '../defect.ts';
import { type Moved } from './batchMoved.ts';
import { takeBackJob } from './jobRows.ts';
import { backInStep } from './rigRows.ts';
import { changeBatch, loadSOf } from './rows.ts';
import { type Finished } from './workFinished.ts';
import type { Undoable } from './undoable.ts';

const TOLD: Readonly<Record<Undoable['kind'], string>> = {
  'work.started': 'that work was begun',
  'work.finished': 'that work was finished',
  'batch.moved': 'the move',
};

/** Takes back that work was begun, finished, or that a batch was moved on. The entry stays in the logbook. */
export const EntryUndone = entryKind('entry.undone')<{ entryId: number; undone: Undoable; reason: string }, Routes>({
  apply(rows, entry, routes) {
    const batch = rows.get(Batch, entry.batchId);
    const { undone } = entry.payload;
    const route = routes.routeOf(batch);
    switch (undone.kind) {
      case 'work.started': {
        takeBackJob(rows, batch);
        takeSets(rows, undone.payload.kits ?? [], -1);
        const operation = operationOf(route, batch.operationId);
        const { stationCode } = operation;
        const visit = visitOf(rows, batch);
        const loadS = visit.loadS === null ? null : loadSOf(operation, visit.quantity);
        rows.amend(Visit, visit, { startedMs: null, personId: null, stationCode, loadS, run: null });
        changeBatch(rows, batch.id, { status: 'queued', sinceMs: batch.arrivedMs, jobId: null, wayId: null, stationCode });
        return;
      }
      case 'work.finished':
        return undoFinish(rows, batch, route, undone.payload, entry.atMs);
      case 'batch.moved':
        return undoMove(rows, batch, route, undone.payload);
    }
  },
  sentence: ({ payload }) => `Taken back: ${TOLD[payload.undone.kind]} (${payload.reason})`,
});

function undoFinish(rows: Rows, at: Batch, route: Route, payload: Finished, atMs: number): void {
  let batch = at;
  const operation = operationOf(route, payload.operationId);
  if (payload.rework > 0) {
    // Back from the pass that the rework began.
    rows.drop(Visit, batch.visitId);
    batch = stepBack(rows, batch, operation, batch.pass - 1);
  }
  const visit = visitOf(rows, batch);
  const run = visit.run && { ...visit.run, workedMs: null };
  rows.amend(Visit, visit, { finishedMs: null, leftMs: null, good: 0, rework: 0, scrap: 0, run });
  const before = beforeStep(route, operation);
  const named = new Map(payload.outcomes.map((o) => [o.pieceId, o]));
  for (const piece of piecesIn(rows, batch.id)) {
    if (named.has(piece.id)) rows.drop(Defect, `${batch.visitId}/${piece.id}`);
    else if (piece.state !== 'good') continue;
    rows.change(Piece, piece.id, { state: 'good', outMs: null, ...before });
    if (named.get(piece.id)?.outcome !== 'scrap' || piece.component !== 'instrument') continue;
    const instrument = rows.get(Instrument, piece.id);
    rows.change(Instrument, piece.id, { state: 'in work', version: instrument.version + 1 });
  }
  changeBatch(rows, batch.id, { status: 'paused', sinceMs: atMs, quantity: batch.quantity + payload.scrap, jobId: null });
}

function undoMove(rows: Rows, batch: Batch, route: Route, { from, to, round }: Moved): void {
  rows.drop(Visit, batch.visitId);
  const passes = { ...batch.passes, [to]: (batch.passes[to] ?? 1) - 1 };
  const operation = operationOf(route, from);
  const rounds = round === undefined ? batch.rounds : { ...batch.rounds, [from]: round - 1 };
  const back = stepBack(rows, { ...batch, passes, rounds }, operation, passes[from] ?? 1);
  rows.drop(OverrideRecord, back.visitId);
  for (const piece of piecesIn(rows, batch.id)) backInStep(rows, piece, from);
  const visit = visitOf(rows, back);
  const waiting = operation.kind === 'dwell' || operation.kind === 'buffer';
  rows.amend(Visit, visit, { leftMs: null, ...(waiting ? { finishedMs: null, good: 0 } : {}) });
  changeBatch(rows, batch.id, {
    status: operation.kind === 'dwell' ? 'dwelling' : operation.kind === 'buffer' ? 'stocked' : 'finished',
    sinceMs: waiting ? visit.arrivedMs : (visit.finishedMs ?? visit.arrivedMs),
  });
}

/** A batch as it was at an earlier visit. */
function stepBack(rows: Rows, batch: Batch, operation: Operation, pass: number): Batch {
  const visit = rows.get(Visit, `${batch.id}/${operation.id}/${pass}`);
  return rows.change(Batch, batch.id, {
    ...batch,
    operationId: operation.id,
    stationCode: visit.stationCode,
    stage: operation.stage,
    arrivedMs: visit.arrivedMs,
    visitId: visit.id,
    pass,
    redo: visit.redo,
    passes: { ...batch.passes, [operation.id]: pass },
    accepted: true,
    wayId: OWN_WAY,
  });
}

/** What a piece was before a step changed it, as the steps that lead to it leave it; nothing where the step changes nothing. */
function beforeStep(route: Route, operation: Operation): { grit?: number | null } {
  if (afterStep(operation).grit === undefined) return {};
  const first = firstOperation(route, operation.component === 'instrument' ? 'body' : operation.component);
  const path = pathFrom(route, first.id);
  const here = path.findIndex((o) => o.id === operation.id);
  return path.slice(0, Math.max(0, here)).reduce<{ grit: number | null }>((left, o) => ({ ...left, ...afterStep(o) }), { grit: null });
}
