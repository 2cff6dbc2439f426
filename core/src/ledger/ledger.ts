import type { AnyEntryKind, Entry, NameOf } from './entry.ts';
import type { RowKind } from './rowKind.ts';
import { Rows } from './rows.ts';

/** What a room gives the ledger: the kinds of row it keeps and the kinds of entry it writes. */
export interface Room<Factory = never> {
  readonly name: string;
  readonly rows: readonly RowKind<never>[];
  readonly entries: readonly AnyEntryKind<Factory>[];
}

/** Rooms put together: the only way rows change, the same for a live command, a rebuild and the demo. */
export class Ledger<Factory> {
  private readonly kinds = new Map<string, AnyEntryKind<Factory>>();

  /** @throws RangeError when two rooms have a kind of row or of entry of the same name */
  constructor(readonly rooms: readonly Room<Factory>[]) {
    for (const entry of rooms.flatMap((r) => r.entries)) {
      if (this.kinds.has(entry.kind)) throw new RangeError(`Two rooms write entries of kind ${entry.kind}`);
      this.kinds.set(entry.kind, entry);
    }
    const names = rooms.flatMap((r) => r.rows.map((kind) => kind.name));
    const twice = names.find((name, i) => names.indexOf(name) !== i);
    if (twice !== undefined) throw new RangeError(`Two rooms keep rows of kind ${twice}`);
  }

  /** Brings rows up to date with one entry, whatever version it was written in. */
  apply(rows: Rows, entry: Entry, factory: Factory): void {
    const kind = this.kindOf(entry.kind);
    kind.apply(rows, readAs(kind, entry), factory);
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
  replay(entries: Iterable<Entry>, factory: Factory, rows = new Rows(true)): Rows {
    for (const entry of entries) this.apply(rows, entry, factory);
    return rows;
  }

  /** @throws Error when no room knows the kind: the logbook was written by a later version, or tampered with */
  private kindOf(name: string): AnyEntryKind<Factory> {
    const kind = this.kinds.get(name);
    if (!kind) throw new Error(`The logbook holds an entry of a kind nobody knows: ${name}`);
    return kind;
  }
}

/** An entry as one of its kind's present version. */
function readAs<Factory>(kind: AnyEntryKind<Factory>, entry: Entry): Entry {
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
