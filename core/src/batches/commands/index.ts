import type { Factory } from '../../factory/index.ts';
import type { CommandKind } from '../../ledger/index.ts';
import { AcceptBatch } from './acceptBatch.ts';
import { CallBatch } from './callBatch.ts';
import { FinishSome } from './finishSome.ts';
import { FinishWork, ReceiveBatch } from './finishWork.ts';
import { HoldBatch } from './holdBatch.ts';
import { JudgeTrial } from './judgeTrial.ts';
import { JoinParts } from './joinParts.ts';
import { MergeBatches } from './mergeBatches.ts';
import { MoveBatch } from './moveBatch.ts';
import { PartInstruments } from './partInstruments.ts';
import { PauseWork } from './pauseWork.ts';
import { PlaceBatch } from './placeBatch.ts';
import { RefitInstruments } from './refitInstruments.ts';
import { RefuseWork } from './refuseWork.ts';
import { ReleaseBatch } from './releaseBatch.ts';
import { RerouteBatch } from './rerouteBatch.ts';
import { ResumeWork } from './resumeWork.ts';
import { ScrapPieces } from './scrapPieces.ts';
import { SendBatch } from './sendBatch.ts';
import { SignOffWork } from './signOffWork.ts';
import { SplitBatch } from './splitBatch.ts';
import { StartBatch } from './startBatch.ts';
import { StartWork } from './startWork.ts';
import { UndoEntry } from './undoEntry.ts';

export { AtStep, NAMING_ROLE, OVERRIDE_ROLE, SeenAtStep } from './onBatch.ts';
export type { StartBatchRequest } from './startBatch.ts';
export { fatesIn, maySendBack } from './refuseWork.ts';
export { mayShareJob } from './startWork.ts';
export {
  AcceptBatch,
  CallBatch,
  FinishSome,
  FinishWork,
  HoldBatch,
  JoinParts,
  JudgeTrial,
  MergeBatches,
  MoveBatch,
  PartInstruments,
  PauseWork,
  PlaceBatch,
  ReceiveBatch,
  RefitInstruments,
  RefuseWork,
  ReleaseBatch,
  RerouteBatch,
  ResumeWork,
  ScrapPieces,
  SendBatch,
  SignOffWork,
  SplitBatch,
  StartBatch,
  StartWork,
  UndoEntry,
};

/** Whatever can be done with a batch that is there. */
const ON_BATCH = [
  StartWork,
  PauseWork,
  ResumeWork,
  FinishWork,
  FinishSome,
  MoveBatch,
  PlaceBatch,
  HoldBatch,
  ReleaseBatch,
  SplitBatch,
  MergeBatches,
  AcceptBatch,
  SignOffWork,
  RefuseWork,
  ScrapPieces,
  SendBatch,
  ReceiveBatch,
  CallBatch,
  JoinParts,
  PartInstruments,
  RefitInstruments,
  RerouteBatch,
  UndoEntry,
] as const;

/** Whatever can be done with batches. */
export const BATCH_COMMANDS = [StartBatch, JudgeTrial, ...ON_BATCH] as const;

type Said<Command> = Command extends CommandKind<infer Name, infer Request, Factory> ? { command: Name } & Omit<Request, 'batchId'> : never;

/** What a person asks of a batch: a command by its name, and what is said with it. */
export type BatchCommand = Said<(typeof ON_BATCH)[number]>;

const BY_NAME = new Map<string, (typeof ON_BATCH)[number]>(ON_BATCH.map((kind) => [kind.name, kind]));

/** The command of a name. @throws RangeError when there is none */
export function batchCommand(name: BatchCommand['command']): (typeof ON_BATCH)[number] {
  const kind = BY_NAME.get(name);
  if (!kind) throw new RangeError(`Nobody knows the command ${name}`);
  return kind;
}
