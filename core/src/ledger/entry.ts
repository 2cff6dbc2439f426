import type { Rows } from './rows.ts';

/** One line of the logbook: when, who, about what, and what it says. Appended, never changed. */
export interface Entry<Kind extends string = string, Payload = unknown> {
  kind: Kind;
  atMs: number;
  personId: string | null;
  lotId: string | null;
  batchId: string | null;
  serial: string | null;
  /** the version of its kind that it was written in */
  schemaVersion: number;
  payload: Payload;
}

/** What an entry is about; its history is read by these. */
export interface Subject {
  lotId?: string;
  batchId?: string;
  serial?: string;
}

/** What something is called, for sentences; its id where no name is known. */
export type NameOf = (what: string, id: string | null) => string;

/** A payload of one version made into one of the next. */
export type Reader = (older: never) => unknown;

/**
 * One kind of fact.
 *
 * @typeParam Needs what it asks of the factory when it is applied
 */
export interface EntryKind<Kind extends string, Payload, Needs = unknown> {
  readonly kind: Kind;
  /** the version written now */
  readonly version: number;
  /** for each earlier version, how its payload is read as one of the next */
  readonly readers: Readonly<Record<number, Reader>>;
  /** Brings the rows up to date. Throws only for what cannot be: a row that was never introduced. */
  apply(rows: Rows, entry: Entry<Kind, Payload>, factory: Needs): void;
  /** What it says, as a person would tell it. */
  sentence(entry: Entry<Kind, Payload>, nameOf: NameOf): string;
}

/** Any kind of entry that can be applied in such a factory. */
export type AnyEntryKind<Factory> = EntryKind<string, unknown, Factory>;

interface Definition<Kind extends string, Payload, Needs> {
  version?: number;
  readers?: Readonly<Record<number, Reader>>;
  apply(rows: Rows, entry: Entry<Kind, Payload>, factory: Needs): void;
  sentence(entry: Entry<Kind, Payload>, nameOf: NameOf): string;
}

/**
 * Defines a kind of entry.
 *
 * @example
 * export const BatchHeld = entryKind('batch.held')<{ reason: string }>({
 *   apply: (rows, { batchId, payload }) => void rows.change(Batch, batchId, { holdReason: payload.reason }),
 *   sentence: ({ payload }) => `Held: ${payload.reason}`,
 * });
 * @throws RangeError when a version before the present one has no reader
 */
export const entryKind =
  <const Kind extends string>(kind: Kind) =>
  <Payload, Needs = unknown>({ version = 1, readers = {}, ...rest }: Definition<Kind, Payload, Needs>): EntryKind<Kind, Payload, Needs> => {
    for (let older = 1; older < version; older++) if (!readers[older]) throw new RangeError(`${kind} has no reader of version ${older}`);
    return { kind, version, readers, ...rest };
  };

/** The entries that a kind, or a union of kinds, stands for. */
export type EntryOfKind<Defined> = Defined extends EntryKind<infer Kind, infer Payload, never> ? Entry<Kind, Payload> : never;

/** What a kind of entry says. */
export type PayloadOf<Defined> = EntryOfKind<Defined>['payload'];

/** What a decision writes: the kind and payload of an entry, and what it is about. */
export type Decided<Defined> =
  Defined extends EntryKind<infer Kind, infer Payload, never> ? { kind: Kind; payload: Payload; atMs?: number } & Subject : never;
