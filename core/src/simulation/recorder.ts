import { LEDGER, type EntryName, type LogbookEntry, type Payloads } from '../ledger.ts';
import { Rows, type Subject, type Written } from '../ledger/index.ts';
import { RouteBook, type Route } from '../routing/index.ts';

/** Writes a logbook in memory and keeps the rows that follow from it. */
export class Recorder {
  readonly rows = new Rows();
  readonly routes: RouteBook;
  readonly entries: LogbookEntry[] = [];

  constructor(routes: ReadonlyMap<string, Route>) {
    this.routes = new RouteBook(routes);
  }

  record<K extends EntryName>(kind: K, atMs: number, personId: string | null, subject: Subject, payload: Payloads[K]): void {
    // TypeScript cannot tie a generic kind to its payload in the union; the signature above does.
    const entry = {
      id: this.entries.length + 1,
      kind,
      atMs: Math.round(atMs),
      personId,
      lotId: subject.lotId ?? null,
      batchId: subject.batchId ?? null,
      serial: subject.serial ?? null,
      schemaVersion: LEDGER.versionOf(kind),
      payload,
    } as unknown as LogbookEntry;
    this.entries.push(entry);
    LEDGER.apply(this.rows, entry, this.routes);
  }

  /** Writes down what a decision says. */
  write({ kind, payload, atMs: happenedMs, ...subject }: Written, atMs: number, personId: string | null): void {
    // What a command decides is of its kind; the kernel does not tie the two.
    this.record(kind as EntryName, happenedMs ?? atMs, personId, subject, payload as Payloads[EntryName]);
  }
}
