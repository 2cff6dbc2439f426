import { BatchCalled } from './batchCalled.ts';
import { BatchHeld } from './batchHeld.ts';
import { BatchMerged } from './batchMerged.ts';
import { BatchMoved } from './batchMoved.ts';
import { BatchPlaced } from './batchPlaced.ts';
import { BatchReleased } from './batchReleased.ts';
import { BatchRerouted } from './batchRerouted.ts';
import { BatchSent } from './batchSent.ts';
import { BatchSplit } from './batchSplit.ts';
import { BatchStarted } from './batchStarted.ts';
import { EntryUndone } from './entryUndone.ts';
import { GateSignedOff } from './gateSignedOff.ts';
import { HandoverAccepted } from './handoverAccepted.ts';
import { HandoverRefused } from './handoverRefused.ts';
import { InstrumentsParted } from './instrumentsParted.ts';
import { InstrumentsRefitted } from './instrumentsRefitted.ts';
import { PartsJoined } from './partsJoined.ts';
import { PiecesScrapped } from './piecesScrapped.ts';
import { StockDrawn } from './stockDrawn.ts';
import { TrialJudged } from './trialJudged.ts';
import { WorkFinished } from './workFinished.ts';
import { WorkPartFinished } from './workPartFinished.ts';
import { WorkPaused } from './workPaused.ts';
import { WorkResumed } from './workResumed.ts';
import { WorkStarted } from './workStarted.ts';

/** What can happen to a batch and its pieces. */
export const BATCH_ENTRIES = [
  BatchStarted,
  WorkStarted,
  WorkPaused,
  WorkResumed,
  WorkFinished,
  WorkPartFinished,
  BatchMoved,
  BatchPlaced,
  BatchHeld,
  BatchReleased,
  BatchSplit,
  BatchMerged,
  BatchSent,
  BatchCalled,
  BatchRerouted,
  HandoverAccepted,
  GateSignedOff,
  HandoverRefused,
  PiecesScrapped,
  PartsJoined,
  StockDrawn,
  InstrumentsParted,
  InstrumentsRefitted,
  TrialJudged,
  EntryUndone,
] as const;
