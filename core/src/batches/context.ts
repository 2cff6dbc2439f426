import type { CarrierUse, Placement } from '../carriers/index.ts';
import type { Evidence, Prerequisite, Route } from '../routing/index.ts';
import type { Batch, Piece, Visit } from './batch.ts';
import type { Disposition, PauseCause, PieceDefect, PieceOutcome } from './outcome.ts';
import type { Undoable } from './entries/undoable.ts';

/** What a person asks of a batch. */
export type BatchCommand =
  | { kind: 'start'; personId: string; wayId?: string; placements?: readonly Placement[] }
  | { kind: 'pause'; cause: PauseCause }
  | { kind: 'resume'; personId: string }
  | { kind: 'finish'; good: number; rework: number; scrap: number; outcomes: readonly PieceOutcome[] }
  | { kind: 'finish some'; pieceIds: readonly string[] }
  /** `accepted` answers the question of a loop that runs until somebody accepts */
  | { kind: 'move'; overrideReason?: string; accepted?: boolean; placements?: readonly Placement[] }
  | { kind: 'place'; placements: readonly Placement[] }
  | { kind: 'hold'; reason: string }
  | { kind: 'release' }
  | { kind: 'split'; pieceIds: readonly string[] }
  | { kind: 'merge'; fromBatchId: string }
  | { kind: 'accept' }
  | { kind: 'sign off'; personId: string; skill: string }
  | { kind: 'refuse'; pieces: readonly (PieceDefect & { disposition: Disposition; toOperationId: string | null })[] }
  | { kind: 'scrap'; pieces: readonly PieceDefect[] }
  | { kind: 'send'; to: string; dueBackMs: number }
  | { kind: 'receive'; good: number; rework: number; scrap: number; outcomes: readonly PieceOutcome[] }
  | { kind: 'call'; quantity: number; orderId: string | null; dueMs: number | null }
  | { kind: 'join'; personId: string; guestBatchIds: readonly string[] }
  | { kind: 'part'; personId: string }
  | { kind: 'refit'; personId: string; neckBatchId: string }
  | { kind: 'reroute'; operationId: string; reason: string }
  | { kind: 'undo'; entryId: number; reason: string };

export interface BatchSide {
  batch: Batch;
  pieces: readonly Piece[];
}

/** Everything a decision rests on. What is left out counts as not there. */
export interface DecisionContext {
  /** the route as this batch goes through it */
  route: Route;
  pieces: readonly Piece[];
  evidence: Evidence;
  /** whether a person holds a skill at a level */
  holdsSkill: (personId: string, skill: string, level: number) => boolean;
  /** pieces with no measures for the characteristics of this step */
  unmeasured?: readonly string[];
  coatsLogged?: number;
  /** the visit it is on */
  visit?: Visit;
  /** where the batch sits */
  placements?: readonly Placement[];
  /** every carrier it could be put on, and how full it is */
  carriers?: readonly CarrierUse[];
  /** the first batch number not given out yet */
  nextBatchNumber?: number;
  /** what is missing of something that must exist first; null when it is there */
  missing?: (prerequisite: Prerequisite) => string | null;
  /** batches of small parts that can be drawn from, the oldest first */
  stock?: readonly Batch[];
  /** what a model is called, for what is said of its small parts */
  modelName?: (modelId: string) => string;
  /** other batches that the command names */
  others?: readonly BatchSide[];
  /** the batch's latest entry that has not been taken back */
  last?: { id: number; kind: string; undoable: Undoable | null };
  /** the route it is to be moved to, as this batch would go through it */
  toRoute?: Route;
}
