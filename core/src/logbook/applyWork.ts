import {
  firstOperation,
  NO_FACTS,
  operationOf,
  OWN_WAY,
  pathFrom,
  piecesInPass,
  type Batch,
  type Operation,
  type PieceDefect,
  type Route,
} from '../routing/index.ts';
import type { Disposition } from '../routing/index.ts';
import { takeWood } from './applyLots.ts';
import type { EntryOf } from './entry.ts';
import { arrive, changeBatch, keepOverride, leave, lessPieces, newBatch } from './rows.ts';
import type { ShopState } from './state.ts';

export function batchStarted(state: ShopState, entry: EntryOf<'batch.started'>): void {
  const { volumeM3, setIds, blankIds = [], facts = NO_FACTS, trial = false, ...p } = entry.payload;
  const id = `B${p.number}`;
  const batch = newBatch({ id, startedMs: entry.atMs, facts: state.sameFacts(facts), trial, ...p });
  const operation = firstOperation(state.routeOf(batch), p.component);
  for (let ordinal = 1; ordinal <= p.quantity; ordinal++) {
    const pieceId = `${id}-${String(ordinal).padStart(2, '0')}`;
    const blankId = blankIds[ordinal - 1];
    const blank = blankId === undefined ? null : state.get('blank', blankId);
    if (blank) state.amend('blank', blank, { state: 'started', pieceId, version: blank.version + 1 });
    state.put('piece', {
      id: pieceId,
      batchId: id,
      component: p.component,
      modelId: p.modelId,
      ordinal,
      state: 'good',
      lotId: blank?.lotId ?? p.lotId,
      blankId: blank?.id ?? null,
      serial: null,
      intoId: null,
      setId: setIds?.[ordinal - 1] ?? null,
      grit: null,
      coats: 0,
      trail: [{ batchId: id, fromMs: entry.atMs }],
    });
  }
  arrive(state, batch, operation, entry.atMs);
  // Blanks were taken out of their lot when they were cut.
  if (blankIds.length === 0) takeWood(state, p.lotId, volumeM3);
}

export function openRun(state: ShopState, batch: Batch, atMs: number, workerId: string): void {
  const runId = `${batch.visitId}@${atMs}`;
  state.put('run', {
    id: runId,
    visitId: batch.visitId,
    batchId: batch.id,
    stationCode: batch.stationCode,
    personId: workerId,
    fromMs: atMs,
    toMs: null,
  });
  state.amend('batch', batch, { version: batch.version + 1, status: 'running', sinceMs: atMs, runId });
}

export function closeRun(state: ShopState, batch: Batch, atMs: number): void {
  const run = state.amend('run', state.runOf(batch), { toMs: atMs });
  const visit = state.visitOf(batch);
  state.amend('visit', visit, { touchMs: visit.touchMs + (atMs - run.fromMs) });
}

export function workStarted(state: ShopState, entry: EntryOf<'work.started'>): void {
  const batch = state.get('batch', entry.batchId);
  const { operationId, workerId, wayId = OWN_WAY } = entry.payload;
  const { ways } = operationOf(state.routeOf(batch), operationId);
  const stationCode = ways?.find((w) => w.id === wayId)?.stationCode ?? batch.stationCode;
  state.amend('visit', state.visitOf(batch), { startedMs: entry.atMs, personId: workerId, stationCode });
  openRun(state, state.amend('batch', batch, { stationCode, wayId, accepted: true }), entry.atMs, workerId);
}

/** Writes down what is wrong with a piece, and where it comes from. */
export function keepDefect(
  state: ShopState,
  entry: Pick<EntryOf<'work.finished'>, 'atMs' | 'personId'>,
  batch: Batch,
  id: string,
  { pieceId, defect, originOperationId, note }: PieceDefect,
  disposition: Disposition,
): void {
  state.put('defect', {
    id,
    pieceId,
    batchId: batch.id,
    operationId: batch.operationId,
    originOperationId,
    kind: defect,
    disposition,
    note,
    atMs: entry.atMs,
    personId: entry.personId,
  });
}

/** A piece is out for good; an instrument with it. */
export function scrapPiece(state: ShopState, pieceId: string): void {
  const piece = state.change('piece', pieceId, { state: 'scrapped' });
  if (piece.component !== 'instrument') return;
  const instrument = state.get('instrument', pieceId);
  state.change('instrument', pieceId, { state: 'scrapped', version: instrument.version + 1 });
}

export function workFinished(state: ShopState, entry: EntryOf<'work.finished'>): void {
  const batch = state.get('batch', entry.batchId);
  const { good, rework, scrap, outcomes, operationId } = entry.payload;
  const operation = operationOf(state.routeOf(batch), operationId);
  if (batch.runId !== null) closeRun(state, batch, entry.atMs);
  state.amend('visit', state.visitOf(batch), { finishedMs: entry.atMs, good, rework, scrap });
  for (const piece of piecesInPass(batch, state.pieces(batch.id))) {
    const outcome = outcomes.find((o) => o.pieceId === piece.id);
    if (!outcome) {
      const grit = operation.grit ?? piece.grit;
      if (piece.state !== 'good' || piece.grit !== grit) state.amend('piece', piece, { state: 'good', grit });
    } else {
      keepDefect(state, entry, batch, `${batch.visitId}/${piece.id}`, outcome, outcome.outcome);
      if (outcome.outcome === 'scrap') scrapPiece(state, piece.id);
      else state.change('piece', piece.id, { state: 'rework' });
    }
  }
  const { batch: left } = lessPieces(state, batch.id, scrap, entry.atMs);
  if (left.quantity === 0) {
    state.change('batch', left.id, { runId: null });
    return;
  }
  const finished = state.change('batch', left.id, { status: 'finished', runId: null, awayTo: null, dueBackMs: null });
  if (rework === 0) return;
  // What came back is done again before the batch goes on.
  state.amend('visit', state.visitOf(batch), { leftMs: entry.atMs });
  arrive(state, finished, operation, entry.atMs, true);
}

export function batchMoved(state: ShopState, entry: EntryOf<'batch.moved'>): void {
  const batch = state.get('batch', entry.batchId);
  const { from, to, override, round, again } = entry.payload;
  leave(state, batch, entry.atMs);
  keepOverride(state, entry, batch.visitId, from, override);
  const rounds = round === undefined ? undefined : { ...batch.rounds, [from]: again ? round : 0 };
  arrive(state, batch, operationOf(state.routeOf(batch), to), entry.atMs, false, rounds);
}

/** Takes back that work was begun, finished, or that a batch was moved on. */
export function entryUndone(state: ShopState, entry: EntryOf<'entry.undone'>): void {
  const batch = state.get('batch', entry.batchId);
  const { undone } = entry.payload;
  const route = state.routeOf(batch);
  switch (undone.kind) {
    case 'work.started': {
      const run = state.runOf(batch);
      state.amend('run', run, { toMs: run.fromMs });
      const { stationCode } = operationOf(route, batch.operationId);
      state.amend('visit', state.visitOf(batch), { startedMs: null, personId: null, stationCode });
      changeBatch(state, batch.id, { status: 'queued', sinceMs: batch.arrivedMs, runId: null, wayId: null, stationCode });
      return;
    }
    case 'work.finished':
      return undoFinish(state, batch, route, undone.payload, entry.atMs);
    case 'batch.moved':
      return undoMove(state, batch, route, undone.payload);
  }
}

function undoFinish(state: ShopState, at: Batch, route: Route, payload: EntryOf<'work.finished'>['payload'], atMs: number): void {
  let batch = at;
  const operation = operationOf(route, payload.operationId);
  if (payload.rework > 0) {
    // Back from the pass that the rework began.
    state.drop('visit', batch.visitId);
    batch = stepBack(state, batch, operation, batch.pass - 1);
  }
  state.amend('visit', state.visitOf(batch), { finishedMs: null, leftMs: null, good: 0, rework: 0, scrap: 0 });
  const named = new Map(payload.outcomes.map((o) => [o.pieceId, o]));
  for (const piece of state.pieces(batch.id)) {
    if (named.has(piece.id)) state.drop('defect', `${batch.visitId}/${piece.id}`);
    else if (piece.state !== 'good') continue;
    state.change('piece', piece.id, { state: 'good', ...(operation.grit === undefined ? {} : { grit: gritBefore(route, operation) }) });
    if (named.get(piece.id)?.outcome !== 'scrap' || piece.component !== 'instrument') continue;
    const instrument = state.get('instrument', piece.id);
    state.change('instrument', piece.id, { state: 'in work', version: instrument.version + 1 });
  }
  changeBatch(state, batch.id, { status: 'paused', sinceMs: atMs, quantity: batch.quantity + payload.scrap, runId: null });
}

function undoMove(state: ShopState, batch: Batch, route: Route, { from, to, round }: EntryOf<'batch.moved'>['payload']): void {
  state.drop('visit', batch.visitId);
  const passes = { ...batch.passes, [to]: (batch.passes[to] ?? 1) - 1 };
  const operation = operationOf(route, from);
  const rounds = round === undefined ? batch.rounds : { ...batch.rounds, [from]: round - 1 };
  const back = stepBack(state, { ...batch, passes, rounds }, operation, passes[from] ?? 1);
  state.drop('override', back.visitId);
  const visit = state.visitOf(back);
  const waiting = operation.kind === 'dwell' || operation.kind === 'buffer';
  state.amend('visit', visit, { leftMs: null, ...(waiting ? { finishedMs: null, good: 0 } : {}) });
  changeBatch(state, batch.id, {
    status: operation.kind === 'dwell' ? 'dwelling' : operation.kind === 'buffer' ? 'stocked' : 'finished',
    sinceMs: waiting ? visit.arrivedMs : (visit.finishedMs ?? visit.arrivedMs),
  });
}

/** A batch as it was at an earlier visit. */
function stepBack(state: ShopState, batch: Batch, operation: Operation, pass: number): Batch {
  const visit = state.get('visit', `${batch.id}/${operation.id}/${pass}`);
  return state.change('batch', batch.id, {
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

/** The grit that the steps before one leave behind. */
function gritBefore(route: Route, operation: Operation): number | null {
  const first = firstOperation(route, operation.component === 'instrument' ? 'body' : operation.component);
  const path = pathFrom(route, first.id);
  const here = path.findIndex((o) => o.id === operation.id);
  return path.slice(0, Math.max(0, here)).reduce<number | null>((grit, o) => o.grit ?? grit, null);
}
