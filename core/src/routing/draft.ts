import type { Placement } from './carrier.ts';
import type { Finding } from './finding.ts';

export const PAUSE_CAUSES = ['material', 'person', 'machine', 'instruction', 'break', 'shift end'] as const;
export type PauseCause = (typeof PAUSE_CAUSES)[number];

/** What is wrong with a piece, and the step it comes from. */
export interface PieceDefect {
  pieceId: string;
  defect: string;
  originOperationId: string;
  note: string;
}

/** A piece that did not come out good. */
export interface PieceOutcome extends PieceDefect {
  outcome: 'rework' | 'scrap';
}

export const DISPOSITIONS = ['use as is', 'rework', 'scrap', 'hold'] as const;
/** What becomes of refused work. */
export type Disposition = (typeof DISPOSITIONS)[number];

/** Refused pieces that share a fate. Those reworked or held while others go on become a batch of their own. */
export interface Refusal {
  disposition: Disposition;
  pieces: readonly PieceDefect[];
  /** the step they go back to, when reworked */
  toOperationId: string | null;
  /** the number of their own batch; null when they stay, are scrapped, or are all there is */
  number: number | null;
}

export interface Override {
  reason: string;
  findings: readonly Finding[];
}

/** What each kind of decision on a batch says in the logbook. */
export interface BatchPayloads {
  'work.started': { operationId: string; workerId: string; wayId?: string };
  'work.paused': { cause: PauseCause };
  'work.resumed': { workerId: string };
  /** `redo`: only the pieces that had come back were worked on */
  'work.finished': {
    operationId: string;
    good: number;
    rework: number;
    scrap: number;
    outcomes: readonly PieceOutcome[];
    redo?: boolean;
  };
  /** some of the pieces are ready before the others, and go on as a batch of their own */
  'work.partFinished': { operationId: string; number: number; pieceIds: readonly string[] };
  /** at the end of a loop: which round this was, and whether it goes back to the start of it */
  'batch.moved': { from: string; to: string; override: Override | null; round?: number; again?: boolean };
  'batch.placed': { placements: readonly Placement[] };
  'batch.held': { reason: string };
  'batch.released': Record<string, never>;
  'batch.split': { number: number; pieceIds: readonly string[] };
  'batch.merged': { fromBatchId: string };
  'batch.sent': { operationId: string; to: string; dueBackMs: number };
  'batch.called': { orderId: string | null; dueMs: number | null };
  'batch.rerouted': { routeId: string; operationId: string; reason: string };
  'handover.accepted': { operationId: string };
  /** somebody with the skill that the gate asks for accepts the work */
  'gate.signedOff': { operationId: string; skill: string; personId: string };
  'handover.refused': { operationId: string; refusals: readonly Refusal[] };
  'pieces.scrapped': { operationId: string; pieces: readonly PieceDefect[] };
  'parts.joined': {
    operationId: string;
    guestBatchIds: readonly string[];
    joins: readonly { hostId: string; guestIds: readonly string[] }[];
  };
  'stock.drawn': { forBatchId: string; operationId: string; count: number };
  'instruments.parted': { operationId: string; bodyNumber: number; neckNumber: number };
  'instruments.refitted': { operationId: string; number: number; bodyBatchId: string; neckBatchId: string; serials: readonly string[] };
  /** takes an entry back; it stays in the logbook */
  'entry.undone': { entryId: number; undone: Undoable; reason: string };
}

/** Entries that can be taken back while nothing rests on them. */
export type Undoable = {
  [K in 'work.started' | 'work.finished' | 'batch.moved']: { kind: K; payload: BatchPayloads[K] };
}['work.started' | 'work.finished' | 'batch.moved'];

export type BatchEntryKind = keyof BatchPayloads;

/** What a decision writes in the logbook; about the batch that was judged unless it names another. */
export type BatchDraft = { [K in BatchEntryKind]: { kind: K; payload: BatchPayloads[K]; batchId?: string } }[BatchEntryKind];

/** The numbers of the batches that an entry makes. */
export function batchNumbersOf(draft: BatchDraft): number[] {
  switch (draft.kind) {
    case 'work.partFinished':
    case 'batch.split':
    case 'instruments.refitted':
      return [draft.payload.number];
    case 'handover.refused':
      return draft.payload.refusals.flatMap((r) => r.number ?? []);
    case 'instruments.parted':
      return [draft.payload.bodyNumber, draft.payload.neckNumber];
    default:
      return [];
  }
}

export interface Accepted<Draft = BatchDraft> {
  kind: 'accept';
  entries: Draft[];
}
export interface Refused {
  kind: 'refuse';
  because: Finding[];
}
export type Decision<Draft = BatchDraft> = Accepted<Draft> | Refused;

export const accept = (...entries: BatchDraft[]): Accepted => ({ kind: 'accept', entries });

export const refuse = (sentence: string, extra: Partial<Finding> = {}): Refused => ({
  kind: 'refuse',
  because: [{ rule: 'state', verdict: 'stop', sentence, ...extra }],
});

export const wrongInput = (field: string, sentence: string): Refused => refuse(sentence, { rule: 'input', field });

/** The id of the batch with a number. */
export const batchIdOf = (number: number): string => `B${number}`;
