import type { Answerer } from './answerer.ts';
import type { AnyEntryKind, Entry, NameOf } from './entry.ts';
import type { AnyCommandKind } from './command.ts';
import type { Asked } from './question.ts';
import type { RowKind } from './rowKind.ts';
import { Rows } from './rows.ts';

/**
 * What a room gives the ledger: the kinds of row it keeps, the facts it writes, the acts people can do in it.
 *
 * @typeParam Applying what its entries ask of the factory when they are applied
 * @typeParam Factory what its judgements ask of it
 */
export interface Room<Applying = never, Factory = never> {
  readonly name: string;
  readonly rows: readonly RowKind<never>[];
  readonly entries: readonly AnyEntryKind<Applying>[];
  readonly commands: readonly AnyCommandKind<Factory>[];
  /** the questions it can answer from rows */
  readonly answers: readonly Answerer<Factory>[];
}

/** Rooms put together: the only way rows change, the same for a live command, a rebuild and the demo. */
export class Ledger<Applying, Factory> {
  private readonly kinds = new Map<string, AnyEntryKind<Applying>>();
  private readonly answerers: ReadonlyMap<string, Answerer<Factory>>;

  /** @throws RangeError when two rooms have a kind of row, entry or command of the same name */
  constructor(readonly rooms: readonly Room<Applying, Factory>[]) {
    for (const entry of rooms.flatMap((r) => r.entries)) {
      if (this.kinds.has(entry.kind)) throw new RangeError(`Two rooms write entries of kind ${entry.kind}`);
      this.kinds.set(entry.kind, entry);
    }
    this.answerers = new Map(rooms.flatMap((r) => r.answers.map((a) => [a.question.name, a])));
    const commands = rooms.flatMap((r) => r.commands.map((command) => command.name));
    const given = commands.find((name, i) => commands.indexOf(name) !== i);
    if (given !== undefined) throw new RangeError(`Two rooms have a command called ${given}`);
    const names = rooms.flatMap((r) => r.rows.map((kind) => kind.name));
    const twice = names.find((name, i) => names.indexOf(name) !== i);
    if (twice !== undefined) throw new RangeError(`Two rooms keep rows of kind ${twice}`);
  }

  /** Brings rows up to date with one entry, whatever version it was written in. */
  apply(rows: Rows, entry: Entry, factory: Applying): void {
    const kind = this.kindOf(entry.kind);
    kind.apply(rows, readAs(kind, entry), factory);
  }

  /** Who answers a question from rows; undefined when it takes more than rows. */
  answererOf({ question }: Asked): Answerer<Factory> | undefined {
    return this.answerers.get(question.name);
  }

  /** The room that writes a kind of entry. @throws Error when none does */
  roomOf(entryKind: string): Room<Applying, Factory> {
    const room = this.rooms.find((r) => r.entries.some((e) => e.kind === entryKind));
    if (!room) throw new Error(`Nobody writes entries of kind ${entryKind}`);
    return room;
  }

  /** What an entry says, as a person would tell it. */
  sentence(entry: Entry, nameOf: NameOf): string {
    const kind = this.kindOf(entry.kind);
    return kind.sentence(readAs(kind, entry), nameOf);
  }

  /** The version in which an entry of a kind is written now. */
  versionOf(kind: string): number {
    return this.kindOf(kind).version;
  }

  /** Tells a history again from its first entry. */
  replay(entries: Iterable<Entry>, factory: Applying, rows = new Rows(true)): Rows {
    for (const entry of entries) this.apply(rows, entry, factory);
    return rows;
  }

  /** @throws Error when no room knows the kind: the logbook was written by a later version, or tampered with */
  private kindOf(name: string): AnyEntryKind<Applying> {
    const kind = this.kinds.get(name);
    if (!kind) throw new Error(`The logbook holds an entry of a kind nobody knows: ${name}`);
    return kind;
  }
}

/** An entry as one of its kind's present version. */
function readAs<Applying>(kind: AnyEntryKind<Applying>, entry: Entry): Entry {
  if (entry.schemaVersion === kind.version) return entry;
  if (entry.schemaVersion > kind.version)
    throw new Error(`The logbook holds a ${entry.kind} of version ${entry.schemaVersion}; this program reads up to ${kind.version}`);
  let { payload } = entry;
  for (let version = entry.schemaVersion; version < kind.version; version++) {
    const reader = kind.readers[version];
    if (!reader) throw new Error(`Nothing reads ${entry.kind} of version ${version}`);
    payload = reader(payload as never);
  }
  return { ...entry, schemaVersion: kind.version, payload };
}
