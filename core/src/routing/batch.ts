import type { Component, Stage } from './route.ts';

export const BATCH_STATUSES = ['queued', 'running', 'paused', 'finished', 'dwelling', 'held', 'done'] as const;
/**
 * queued: at a step, not begun · running, paused: being worked on · finished: worked on, its gate not yet passed ·
 * dwelling: waiting is the step · held: stopped by a person · done: nothing of it is left in work
 */
export type BatchStatus = (typeof BATCH_STATUSES)[number];

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
  carrier: string | null;
  /** the visit to a station it is on */
  visitId: string;
  /** the stretch of work going on, if any */
  runId: string | null;
  pass: number;
  version: number;
}

export const PIECE_STATES = ['good', 'rework', 'scrapped', 'fitted', 'shipped'] as const;
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
  /** the instrument it became part of */
  serial: string | null;
}

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
  quantity: number;
  arrivedMs: number;
  startedMs: number | null;
  finishedMs: number | null;
  leftMs: number | null;
  good: number;
  rework: number;
  scrap: number;
  /** time actually worked */
  touchMs: number;
  personId: string | null;
}

/** An unbroken stretch of work at a station. */
export interface Run {
  id: string;
  visitId: string;
  batchId: string;
  stationCode: string;
  personId: string | null;
  fromMs: number;
  toMs: number | null;
}

/** The pieces of a batch that can still be worked on. */
export const livePieces = (pieces: readonly Piece[]): Piece[] => pieces.filter((p) => p.state === 'good' || p.state === 'rework');

/** The pieces the present pass is about: all live ones at first, then those that came back. */
export const piecesInPass = (batch: Batch, pieces: readonly Piece[]): Piece[] =>
  batch.pass === 1 ? livePieces(pieces) : pieces.filter((p) => p.state === 'rework');
