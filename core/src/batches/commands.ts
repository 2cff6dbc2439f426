import type { Factory } from '../factory/index.ts';
import {
  asked,
  commandKind,
  mayActAs,
  rowsBy,
  rowsOf,
  wrongInput,
  type AnyCommandKind,
  type Ask,
  type CommandKind,
  type Giver,
  type Role,
  type Rows,
} from '../ledger/index.ts';
import { Order } from '../orders/index.ts';
import { Batch, Instrument, Piece, Visit } from './batch.ts';
import type { BatchCommand } from './context.ts';
import { asksOf, boxesIn, contextOf, othersIn } from './contextOf.ts';
import { decide } from './decide.ts';
import { Defect } from './defect.ts';
import { BoxesFor } from './evidence.ts';
import { StartBatch } from './startBatch.ts';

/** Least role that may pass a gate against its findings. */
export const OVERRIDE_ROLE: Role = 'lead';
/** Least role that may write down work as another's; the logbook names both. */
export const NAMING_ROLE: Role = 'lead';

type Kind = BatchCommand['kind'];
/** A command on a batch, as it is given: the batch, and what the command says of it. */
export type OnBatch<K extends Kind> = { batchId: string } & Omit<Extract<BatchCommand, { kind: K }>, 'kind'>;

interface Extra<K extends Kind> {
  objection?: (request: OnBatch<K>, by: Giver) => string | null;
  /** more rows than the batches it names */
  reads?: (request: OnBatch<K>) => (known: Rows) => readonly Ask[];
  /** whether boxes of small parts come into it */
  boxes?: boolean;
}

const onBatch = <const Name extends string, K extends Kind>(
  name: Name,
  kind: K,
  role: Role,
  { objection, reads, boxes = false }: Extra<K> = {},
): CommandKind<Name, OnBatch<K>, Factory> => {
  // A kind and what is said with it belong together; Omit loses that.
  const commandIn = ({ batchId: _, ...said }: OnBatch<K>): BatchCommand => ({ kind, ...said }) as unknown as BatchCommand;
  return commandKind(name)<OnBatch<K>, Factory>({
    role,
    objection: (request, by) => namedAnother(request, by) ?? objection?.(request, by) ?? null,
    first: ({ batchId }) => (boxes ? [asked(BoxesFor, { batchId })] : []),
    concerns: (request, first) => ({
      about: [rowsOf(Batch, [request.batchId, ...othersIn(commandIn(request)), ...boxesIn(request.batchId, first)])],
      ...(reads ? { reads: reads(request) } : {}),
    }),
    notBefore: ({ batchId }, rows) => ({
      atMs: rows.get(Batch, batchId).sinceMs,
      because: `Batch ${batchId} has been changed since then`,
    }),
    asks: (request, sight) => asksOf(request.batchId, commandIn(request), sight),
    decide(request, given) {
      const command = commandIn(request);
      const decision = decide(given.rows.get(Batch, request.batchId), command, contextOf(request.batchId, command, given));
      return decision.kind === 'refuse'
        ? decision
        : { kind: 'accept', entries: decision.entries.map((entry) => ({ batchId: request.batchId, ...entry })) };
    },
  });
};

/** Work is written down as one's own, or by somebody who may do so for others. */
const namedAnother = (request: object, by: Giver): string | null =>
  'personId' in request && request.personId !== by.personId && !mayActAs(by.role, NAMING_ROLE)
    ? `Work is written down as another’s by a ${NAMING_ROLE} or above; you are ${by.role}.`
    : null;

export const StartWork = onBatch('start work', 'start', 'operator', { boxes: true });
export const PauseWork = onBatch('pause work', 'pause', 'operator');
export const ResumeWork = onBatch('resume work', 'resume', 'operator');
export const FinishWork = onBatch('finish work', 'finish', 'operator');
export const FinishSome = onBatch('finish some', 'finish some', 'operator');
export const MoveBatch = onBatch('move batch', 'move', 'operator', {
  objection: ({ overrideReason }, by) =>
    overrideReason !== undefined && !mayActAs(by.role, OVERRIDE_ROLE)
      ? `A gate can be overridden by a ${OVERRIDE_ROLE} or above; you are ${by.role}.`
      : null,
});
export const PlaceBatch = onBatch('place batch', 'place', 'operator');
export const HoldBatch = onBatch('hold batch', 'hold', 'lead');
export const ReleaseBatch = onBatch('release batch', 'release', 'lead');
export const SplitBatch = onBatch('split batch', 'split', 'operator');
export const MergeBatches = onBatch('merge batches', 'merge', 'operator');
export const AcceptBatch = onBatch('accept batch', 'accept', 'operator');
export const SignOffWork = onBatch('sign off', 'sign off', 'operator');
export const RefuseWork = onBatch('refuse work', 'refuse', 'operator');
export const ScrapPieces = onBatch('scrap pieces', 'scrap', 'lead');
export const SendBatch = onBatch('send batch', 'send', 'lead');
export const ReceiveBatch = onBatch('receive batch', 'receive', 'operator');
export const JoinParts = onBatch('join parts', 'join', 'operator');
/** The halves of instruments are found by their serials. */
const halves = () => (known: Rows) => [
  rowsOf(
    Instrument,
    known.all(Piece).flatMap((p) => p.serial ?? []),
  ),
  rowsOf(
    Piece,
    known.all(Instrument).flatMap((i) => [i.serial, i.bodyId, ...(i.neckId === null ? [] : [i.neckId])]),
  ),
];
export const PartInstruments = onBatch('part instruments', 'part', 'operator', { reads: halves });
export const RefitInstruments = onBatch('refit instruments', 'refit', 'operator', { reads: halves });
export const UndoEntry = onBatch('undo entry', 'undo', 'operator', {
  // What is taken back may reach to earlier visits, and to what was found wrong.
  reads:
    ({ batchId }) =>
    () => [rowsBy(Visit, 'batchId', [batchId]), rowsBy(Defect, 'batchId', [batchId])],
});

const call = onBatch('call batch', 'call', 'lead');
/** Calls pieces out of a buffer, for an order when it names one. */
export const CallBatch = commandKind('call batch')<Omit<OnBatch<'call'>, 'dueMs'>, Factory>({
  ...call,
  concerns: (request, first) => ({
    ...call.concerns({ ...request, dueMs: null }, first),
    reads: () => [rowsOf(Order, request.orderId === null ? [] : [request.orderId])],
  }),
  asks: (request, sight) => call.asks({ ...request, dueMs: null }, sight),
  notBefore: (request, rows) => call.notBefore({ ...request, dueMs: null }, rows),
  objection: (request, by) => call.objection({ ...request, dueMs: null }, by),
  first: (request) => call.first({ ...request, dueMs: null }),
  decide(request, given) {
    const order = request.orderId === null ? null : given.rows.find(Order, request.orderId);
    if (order === undefined) return wrongInput('orderId', `There is no order ${request.orderId ?? ''}`);
    return call.decide({ ...request, dueMs: order?.dueMs ?? null }, given);
  },
});

const reroute = onBatch('reroute batch', 'reroute', 'lead');
/** Moves work in progress to another version of its route. */
export const RerouteBatch = commandKind('reroute batch')<OnBatch<'reroute'> & { routeId: string }, Factory>({
  ...reroute,
  decide(request, given) {
    const { batchId, routeId, ...said } = request;
    if (!given.factory.releasedVersion(routeId)) return wrongInput('routeId', `There is no released route ${routeId}`);
    const command: BatchCommand = { kind: 'reroute', ...said };
    const decision = decide(given.rows.get(Batch, batchId), command, contextOf(batchId, command, given, routeId));
    return decision.kind === 'refuse' ? decision : { kind: 'accept', entries: decision.entries.map((entry) => ({ batchId, ...entry })) };
  },
});

/** Whatever can be done with a batch. */
export const BATCH_COMMANDS = [
  StartBatch,
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

/** The command that a word for it stands for. */
export const BATCH_COMMAND: Readonly<Record<Kind, AnyCommandKind<Factory>>> = {
  start: StartWork,
  pause: PauseWork,
  resume: ResumeWork,
  finish: FinishWork,
  'finish some': FinishSome,
  move: MoveBatch,
  place: PlaceBatch,
  hold: HoldBatch,
  release: ReleaseBatch,
  split: SplitBatch,
  merge: MergeBatches,
  accept: AcceptBatch,
  'sign off': SignOffWork,
  refuse: RefuseWork,
  scrap: ScrapPieces,
  send: SendBatch,
  receive: ReceiveBatch,
  call: CallBatch,
  join: JoinParts,
  part: PartInstruments,
  refit: RefitInstruments,
  reroute: RerouteBatch,
  undo: UndoEntry,
};
