import { applyEntry, ShopState, type EntryKind, type LogbookEntry, type Payloads } from '../logbook/index.ts';
import type { Route } from '../routing/index.ts';

export interface Subject {
  lotId?: string;
  batchId?: string;
  serial?: string;
}

/** Writes a logbook in memory and keeps the state that follows from it. */
export class Recorder {
  readonly state: ShopState;
  readonly entries: LogbookEntry[] = [];

  constructor(routes: ReadonlyMap<string, Route>) {
    this.state = new ShopState(routes);
  }

  record<K extends EntryKind>(kind: K, atMs: number, personId: string | null, subject: Subject, payload: Payloads[K]): void {
    // TypeScript cannot tie a generic kind to its payload in the union; the signature above does.
    const entry = {
      id: this.entries.length + 1,
      kind,
      atMs: Math.round(atMs),
      personId,
      lotId: subject.lotId ?? null,
      batchId: subject.batchId ?? null,
      serial: subject.serial ?? null,
      schemaVersion: 1,
      payload,
    } as unknown as LogbookEntry;
    this.entries.push(entry);
    applyEntry(this.state, entry);
  }
}
