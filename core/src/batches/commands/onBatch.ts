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
  type Written,
} from '../../ledger/index.ts';
import { operationOf, type Operation, type Route, type RouteOption } from '../../routing/index.ts';
import { Batch, livePieces, piecesIn, type Piece } from '../batch.ts';
import { Job } from '../job.ts';
import type { BatchEntry } from '../decided.ts';

/** Least role that may pass a gate against its findings. */
export const OVERRIDE_ROLE: Role = 'lead';
/** Least role that may write down work as another's; the logbook names both. */
export const NAMING_ROLE: Role = 'lead';

/** A batch at its step, as a command finds it before its questions are answered. */
export class SeenAtStep implements Sight<Factory> {
  readonly rows: Rows;
  readonly factory: Factory;
  readonly nowMs: number;
  readonly by: Giver;
  readonly batch: Batch;
  /** the route as this batch goes through it */
  readonly route: Route;
  readonly operation: Operation;
  // Looked up when they are asked for: not every judgement looks at pieces.
  private found: readonly Piece[] | undefined;
  private foundLive: readonly Piece[] | undefined;

  constructor(batchId: string, { rows, factory, nowMs, by }: Sight<Factory>) {
    this.rows = rows;
    this.factory = factory;
    this.nowMs = nowMs;
    this.by = by;
    this.batch = rows.get(Batch, batchId);
    this.route = factory.routeOf(this.batch);
    this.operation = operationOf(this.route, this.batch.operationId);
  }

  get options(): readonly RouteOption[] {
    return this.route.options ?? [];
  }

  get pieces(): readonly Piece[] {
    return (this.found ??= piecesIn(this.rows, this.batch.id));
  }

  get live(): readonly Piece[] {
    return (this.foundLive ??= livePieces(this.pieces));
  }
}

/** Everything a judgement of a batch rests on. */
export class AtStep extends SeenAtStep implements Given<Factory> {
  readonly answers: Answers;

  constructor(batchId: string, given: Given<Factory>) {
    super(batchId, given);
    this.answers = given.answers;
  }
}

/** A command on a batch, as it is given. */
export type OnBatch<Said> = { batchId: string } & Said;

interface Definition<Said, Writes extends Written> {
  role: Role;
  /** what speaks against who gives it, beyond the role and acting for others */
  objection?: (request: OnBatch<Said>, by: Giver) => string | null;
  /** what must be known before it is clear what it concerns */
  first?: (request: OnBatch<Said>) => readonly Asked[];
  /** other batches that it is about */
  others?: (request: OnBatch<Said>, first: Answers) => readonly string[];
  /** what else it is about, such as kits that it takes from */
  stock?: (request: OnBatch<Said>, first: Answers) => readonly Ask[];
  /** rows that it may make */
  making?: (request: OnBatch<Said>) => readonly Ask[];
  /** more rows than the batches it is about */
  reads?: (request: OnBatch<Said>) => (known: Rows) => readonly Ask[];
  asks?: (request: OnBatch<Said>, at: SeenAtStep) => readonly Asked[];
  /** it can be given while the batch is held */
  whileHeld?: boolean;
  /** What it writes; about the batch unless an entry names another. */
  decide: (request: OnBatch<Said>, at: AtStep) => Decision<Writes>;
}

/** Defines a kind of command on a batch: judged where it stands, unless it is done or held. */
export const onBatch =
  <const Name extends string>(name: Name) =>
  <Said extends object, Writes extends Written = BatchEntry>({
    role,
    objection,
    first = () => [],
    others = () => [],
    stock = () => [],
    making,
    reads,
    asks = () => [],
    whileHeld = false,
    decide,
  }: Definition<Said, Writes>): CommandKind<Name, OnBatch<Said>, Factory> =>
    commandKind(name)<OnBatch<Said>, Factory>({
      role,
      objection: (request, by) => namedAnother(request, by) ?? objection?.(request, by) ?? null,
      first,
      concerns: (request, known) => ({
        about: [rowsOf(Batch, [request.batchId, ...others(request, known)]), ...stock(request, known)],
        ...(making ? { making: making(request) } : {}),
        ...(reads ? { reads: reads(request) } : {}),
      }),
      notBefore({ batchId }, rows) {
        const { sinceMs, jobId } = rows.get(Batch, batchId);
        // What left the same job before was reckoned with this batch in it.
        const left = jobId === null ? [] : rows.get(Job, jobId).shares.map((share) => share.toMs ?? sinceMs);
        return { atMs: Math.max(sinceMs, ...left), because: `Batch ${batchId} has been changed since then` };
      },
      asks: (request, sight) => asks(request, new SeenAtStep(request.batchId, sight)),
      decide(request, given) {
        const at = new AtStep(request.batchId, given);
        const decision = stopped(at.batch, whileHeld) ?? decide(request, at);
        return decision.kind === 'refuse'
          ? decision
          : { kind: 'accept', entries: decision.entries.map((entry) => ({ batchId: request.batchId, ...entry })) };
      },
    });

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
