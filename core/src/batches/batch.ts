import { PlacementRow, type RigStay } from '../carriers/index.ts';
import { rowKind, rowsBy, rowsOf, type RowKind, type Rows } from '../ledger/index.ts';
import { Order } from '../orders/index.ts';
import type { Component, RouteFacts, Stage } from '../routing/index.ts';
import { partsOfClass, partsOfPiece, partsOfStep, partsOfVisit } from './flowTallies.ts';
import { Job } from './job.ts';
import { partsOfRun, type Run } from './run.ts';
import type { Judged, WorkClass } from './workClass.ts';

export const BATCH_STATUSES = ['queued', 'running', 'paused', 'finished', 'dwelling', 'away', 'stocked', 'held', 'done'] as const;
/**
 * queued: at a step, not begun · running, paused: being worked on · finished: worked on, its gate not yet passed ·
 * dwelling: waiting is the step · away: at another house or on the road · stocked: kept until a build calls ·
 * held: stopped by a person · done: nothing of it is left in work
 */
export type BatchStatus = (typeof BATCH_STATUSES)[number];

export interface SignOff {
  skill: string;
  personId: string;
}

/** Pieces that move together. */
export interface Batch {
  id: string;
  number: number;
  modelId: string;
  component: Component;
  orderId: string | null;
  lotId: string | null;
  routeId: string;
  operationId: string;
  stationCode: string;
  stage: Stage;
  status: BatchStatus;
  /** what a held batch returns to */
  heldStatus: BatchStatus | null;
  holdReason: string | null;
  /** since when it has this status */
  sinceMs: number;
  /** when it came to this step */
  arrivedMs: number;
  startedMs: number;
  endedMs: number | null;
  dueMs: number | null;
  /** pieces still in it */
  quantity: number;
  /** the visit to a station it is on */
  visitId: string;
  /** the job it is in, while it is worked on */
  jobId: string | null;
  /** how often it has come to the step it is at */
  pass: number;
  /** whether this pass is only about the pieces that came back */
  redo: boolean;
  /** how often it has come to each step */
  passes: Readonly<Record<string, number>>;
  /** rounds done of the loop that ends at a step */
  rounds: Readonly<Record<string, number>>;
  /** whether the present station has taken it over */
  accepted: boolean;
  /** who has accepted it at the gate of its present step, for which skill */
  signOffs: readonly SignOff[];
  /** the way the present step is done, once begun */
  wayId: string | null;
  /** the options of its order, its wood, its construction: what the route's conditions look at */
  facts: RouteFacts;
  /** what it is made for; trials and tooling are kept out of what is usual */
  workClass: WorkClass;
  /** what it has shown, of a trial; null until somebody has said */
  judged: Judged | null;
  /** the batch it was taken from */
  parentId: string | null;
  /** where it is while away, and when it is due back */
  awayTo: string | null;
  dueBackMs: number | null;
  version: number;
}
export const Batch: RowKind<Batch> = rowKind<Batch>('batch', {
  key: 'id',
  under: ({ jobId }) => [rowsOf(Job, jobId === null ? [] : [jobId])],
  alongWith: ({ id, component, visitId }) => [
    rowsBy(Piece, 'batchId', [id]),
    rowsOf(Visit, [visitId]),
    rowsBy(PlacementRow, 'batchId', [id]),
    rowsBy(Instrument, 'batchId', component === 'instrument' ? [id] : []),
  ],
});

export const PIECE_STATES = ['good', 'rework', 'scrapped', 'joined', 'drawn', 'fitted', 'apart', 'shipped'] as const;
/**
 * good, rework: in work · scrapped · joined: part of another piece · drawn: a small part taken for another batch ·
 * fitted: half of an instrument · apart: an instrument whose body and neck are apart · shipped
 */
export type PieceState = (typeof PIECE_STATES)[number];

/** A body, neck or instrument with its own id; an instrument's id is its serial. */
export interface Piece {
  id: string;
  batchId: string;
  component: Component;
  modelId: string;
  ordinal: number;
  state: PieceState;
  lotId: string | null;
  /** the blank it was made of, where blanks are kept */
  blankId: string | null;
  /** the instrument it is part of; it never changes again */
  serial: string | null;
  /** the piece it was joined to */
  intoId: string | null;
  /** shared by all that was cut from one block */
  setId: string | null;
  /** the grit it was last sanded to */
  grit: number | null;
  /** coats laid on it */
  coats: number;
  /** the latest of them, how many it has been given in the same pass, and when it was scuffed since */
  lastCoat: { visitId: string; coats: number; atMs: number; scuffedMs?: number } | null;
  /** when its film was last sanded back to the wood; null where it never was */
  bareMs: number | null;
  /** when its faces were last wiped to be glued; null where they are not, or have been glued since */
  wipedMs: number | null;
  /** the rig it is in; null while it is in none */
  inRig: string | null;
  /** its latest time in one; null where it never was */
  stay: RigStay | null;
  /** the batches it has been in, from when */
  trail: readonly { batchId: string; fromMs: number }[];
  /** of a body, and of the instrument it is in, when it was begun; null where it is not counted: other parts, trials */
  bodyFromMs: number | null;
  /** when it was shipped or scrapped */
  outMs: number | null;
}
export const Piece = rowKind<Piece>('piece', {
  key: 'id',
  by: ['batchId', 'inRig'],
  // Its state tells how it left, and is set with `outMs`.
  tally: { from: ['bodyFromMs', 'outMs'], of: partsOfPiece },
});

/** One pass of a batch through one step. */
export interface Visit {
  id: string;
  batchId: string;
  modelId: string;
  component: Component;
  operationId: string;
  stationCode: string;
  stage: Stage;
  pass: number;
  /** only about the pieces that came back */
  redo: boolean;
  quantity: number;
  arrivedMs: number;
  startedMs: number | null;
  finishedMs: number | null;
  leftMs: number | null;
  good: number;
  rework: number;
  scrap: number;
  /** the work that came with it, in seconds of touch; null where it is not counted: waits, trials */
  loadS: number | null;
  /** time actually worked */
  touchMs: number;
  personId: string | null;
  /** visits of other batches that it goes on with, where pieces were split off or came in */
  continues: readonly string[];
  /** what a machine ran in it; null where none did */
  run: Run | null;
  workClass: WorkClass;
}
export const Visit = rowKind<Visit>('visit', {
  key: 'id',
  latestBy: 'batchId',
  seldom: true,
  tally: {
    from: ['stationCode', 'loadS', 'arrivedMs', 'finishedMs', 'good', 'rework', 'scrap', 'run', 'touchMs', 'workClass'],
    of: (visit) => [...partsOfVisit(visit), ...partsOfRun(visit), ...partsOfStep(visit), ...partsOfClass(visit)],
  },
});

export const INSTRUMENT_STATES = ['in work', 'shipped', 'scrapped'] as const;
export type InstrumentState = (typeof INSTRUMENT_STATES)[number];

/** A fitted body and neck with their serial. */
export interface Instrument {
  serial: string;
  modelId: string;
  orderId: string | null;
  batchId: string;
  bodyId: string;
  /** null where the model has no separate neck */
  neckId: string | null;
  clearanceMm: number | null;
  state: InstrumentState;
  /** when the first of its parts was started */
  startedMs: number;
  fittedMs: number;
  shippedMs: number | null;
  consignee: string | null;
  shipper: string | null;
  version: number;
}
export const Instrument: RowKind<Instrument> = rowKind<Instrument>('instrument', {
  key: 'serial',
  under: ({ batchId, orderId }) => [rowsOf(Batch, [batchId]), rowsOf(Order, orderId === null ? [] : [orderId])],
});

/** The id of the batch with a number. */
export const batchIdOf = (number: number): string => `B${number}`;

/** The pieces of a batch that can still be worked on. */
export const livePieces = (pieces: readonly Piece[]): Piece[] => pieces.filter((p) => p.state === 'good' || p.state === 'rework');

/** The pieces the present pass is about: all live ones, or only those that came back. */
export const piecesInPass = (batch: Pick<Batch, 'redo'>, pieces: readonly Piece[]): Piece[] =>
  batch.redo ? pieces.filter((p) => p.state === 'rework') : livePieces(pieces);

/** The pieces in a batch, those among them that are no longer live; in the order in which they came to be in it. */
export const piecesIn = (rows: Rows, batchId: string): Piece[] => rows.where(Piece, 'batchId', batchId);

/** Pieces as an entry lists them: in one order, however they came to be in their batch. */
export const idsInOrder = (pieces: readonly Piece[]): string[] => pieces.map((p) => p.id).sort();

/** Whether what was done on a visit counts for another: on itself, or on one that it goes on with. */
export const countsFor = ({ id, continues }: Pick<Visit, 'id' | 'continues'>, visitId: string): boolean =>
  visitId === id || continues.includes(visitId);

/** The visit that a batch is on. */
export function visitOf(rows: Rows, batch: Pick<Batch, 'id' | 'visitId'>): Visit {
  const visit = rows.latest(Visit, batch.id);
  return visit?.id === batch.visitId ? visit : rows.get(Visit, batch.visitId);
}
