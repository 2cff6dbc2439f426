import type { Concerns } from './concerns.ts';
import type { Decision } from './decision.ts';
import type { Subject } from './entry.ts';
import type { Answers, Asked } from './question.ts';
import type { Role } from './role.ts';
import type { Rows } from './rows.ts';

/** What a decision writes: the kind of an entry, what it says, what it is about, and when it was where that is not now. */
export type Written = { kind: string; payload: unknown; atMs?: number } & Subject;

/** Who gives a command. */
export interface Giver {
  personId: string | null;
  role: Role;
}

/** What a judgement sees before its questions are answered. */
export interface Sight<Factory> {
  rows: Rows;
  factory: Factory;
  /** when it happens */
  nowMs: number;
  by: Giver;
}

/** Everything a judgement rests on. What was not asked for is not there. */
export interface Given<Factory> extends Sight<Factory> {
  answers: Answers;
}

/** An act that a person can do. */
export interface CommandKind<Name extends string, Request, Factory = unknown> {
  readonly name: Name;
  /** the least role that may give it */
  readonly role: Role;
  /** What speaks against who gives it, beyond the role, in a sentence; null when nothing does. */
  objection(request: Request, by: Giver): string | null;
  /** What must be known before it is clear what it concerns. */
  first(request: Request): readonly Asked[];
  concerns(request: Request, first: Answers): Concerns;
  /** Before when it cannot have happened, and why; null when it can have happened at any time. */
  notBefore(request: Request, rows: Rows): { atMs: number; because: string } | null;
  /** What it must know besides its rows. */
  asks(request: Request, sight: Sight<Factory>): readonly Asked[];
  /** Judges it. Never throws for a business "no". */
  decide(request: Request, given: Given<Factory>): Decision<Written>;
}

export type AnyCommandKind<Factory> = CommandKind<string, unknown, Factory>;

interface Definition<Request, Factory> {
  role: Role;
  objection?: (request: Request, by: Giver) => string | null;
  first?: (request: Request) => readonly Asked[];
  concerns: (request: Request, first: Answers) => Concerns;
  notBefore?: (request: Request, rows: Rows) => { atMs: number; because: string } | null;
  asks?: (request: Request, sight: Sight<Factory>) => readonly Asked[];
  decide: (request: Request, given: Given<Factory>) => Decision<Written>;
}

/**
 * Defines a kind of command.
 *
 * @example
 * export const HoldBatch = commandKind('hold batch')<{ batchId: string; reason: string }>({
 *   role: 'operator',
 *   concerns: ({ batchId }) => ({ about: [rowsOf(Batch, [batchId])] }),
 *   decide: ({ batchId, reason }, { rows }) => …,
 * });
 */
export const commandKind =
  <const Name extends string>(name: Name) =>
  <Request, Factory = unknown>({
    objection = () => null,
    first = () => [],
    notBefore = () => null,
    asks = () => [],
    ...rest
  }: Definition<Request, Factory>): CommandKind<Name, Request, Factory> => ({ name, objection, first, notBefore, asks, ...rest });
