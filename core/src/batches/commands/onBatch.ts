import type { Factory } from '../../factory/index.ts';
import {
  commandKind,
  mayActAs,
  refuse,
  rowsOf,
  type Answers,
  type Ask,
  type Asked,
  type CommandKind,
  type Decision,
  type Given,
  type Giver,
  type Role,
  type Rows,
  type Sight,
} from '../../ledger/index.ts';
import { operationOf, type Operation, type Route } from '../../routing/index.ts';
import { Batch, livePieces, piecesIn, type Piece } from '../batch.ts';
import type { BatchEntry } from '../decided.ts';

/** Least role that may pass a gate against its findings. */
export const OVERRIDE_ROLE: Role = 'lead';
/** Least role that may write down work as another's; the logbook names both. */
export const NAMING_ROLE: Role = 'lead';

/** A batch at its step. */
interface Standing {
  batch: Batch;
  /** the route as this batch goes through it */
  route: Route;
  operation: Operation;
  pieces: readonly Piece[];
  live: readonly Piece[];
}
/** What a command on a batch sees before its questions are answered. */
export type SeenAtStep = Standing & Sight<Factory>;
/** Everything a judgement of a batch rests on. */
export type AtStep = Standing & Given<Factory>;

/** A command on a batch, as it is given. */
export type OnBatch<Said> = { batchId: string } & Said;

interface Definition<Said> {
  role: Role;
  /** what speaks against who gives it, beyond the role and acting for others */
  objection?: (request: OnBatch<Said>, by: Giver) => string | null;
  /** what must be known before it is clear what it concerns */
  first?: (request: OnBatch<Said>) => readonly Asked[];
  /** other batches that it is about */
  others?: (request: OnBatch<Said>, first: Answers) => readonly string[];
  /** more rows than the batches it is about */
  reads?: (request: OnBatch<Said>) => (known: Rows) => readonly Ask[];
  asks?: (request: OnBatch<Said>, at: SeenAtStep) => readonly Asked[];
  /** it can be given while the batch is held */
  whileHeld?: boolean;
  /** What it writes; about the batch unless an entry names another. */
  decide: (request: OnBatch<Said>, at: AtStep) => Decision<BatchEntry>;
}

/** Defines a kind of command on a batch: judged where it stands, unless it is done or held. */
export const onBatch =
  <const Name extends string>(name: Name) =>
  <Said extends object>({
    role,
    objection,
    first = () => [],
    others = () => [],
    reads,
    asks = () => [],
    whileHeld = false,
    decide,
  }: Definition<Said>): CommandKind<Name, OnBatch<Said>, Factory> =>
    commandKind(name)<OnBatch<Said>, Factory>({
      role,
      objection: (request, by) => namedAnother(request, by) ?? objection?.(request, by) ?? null,
      first,
      concerns: (request, known) => ({
        about: [rowsOf(Batch, [request.batchId, ...others(request, known)])],
        ...(reads ? { reads: reads(request) } : {}),
      }),
      notBefore: ({ batchId }, rows) => ({
        atMs: rows.get(Batch, batchId).sinceMs,
        because: `Batch ${batchId} has been changed since then`,
      }),
      asks: (request, sight) => asks(request, { ...sight, ...standing(request.batchId, sight) }),
      decide(request, given) {
        const at = { ...given, ...standing(request.batchId, given) };
        const decision = stopped(at.batch, whileHeld) ?? decide(request, at);
        return decision.kind === 'refuse'
          ? decision
          : { kind: 'accept', entries: decision.entries.map((entry) => ({ batchId: request.batchId, ...entry })) };
      },
    });

function standing(batchId: string, { rows, factory }: Sight<Factory>): Standing {
  const batch = rows.get(Batch, batchId);
  const route = factory.routeOf(batch);
  const pieces = piecesIn(rows, batchId);
  return { batch, route, operation: operationOf(route, batch.operationId), pieces, live: livePieces(pieces) };
}

function stopped(batch: Batch, whileHeld: boolean) {
  if (batch.status === 'done') return refuse(`Batch ${batch.id} is done`);
  if (batch.status !== 'held' || whileHeld) return null;
  return refuse(`Batch ${batch.id} is held: ${batch.holdReason ?? 'no reason given'}`, { remedy: 'Release it first' });
}

/** Work is written down as one's own, or by somebody who may do so for others. */
const namedAnother = (request: object, by: Giver): string | null =>
  'personId' in request && request.personId !== by.personId && !mayActAs(by.role, NAMING_ROLE)
    ? `Work is written down as another’s by a ${NAMING_ROLE} or above; you are ${by.role}.`
    : null;
