import { useSyncExternalStore } from 'react';
import { problemOf, type ProblemDocument } from './api.ts';
import { send, type BatchBodies, type BatchCommandName, type BatchGiven } from './batchCommands.ts';

/** Something a person did at a station that the server has to be told. */
export interface OutboxEntry<K extends BatchCommandName = BatchCommandName> {
  /** the Idempotency-Key: however often it is sent, it is carried out once */
  key: string;
  personId: string;
  batchId: string;
  command: K;
  given: BatchGiven<K>;
  /** the version it rests on; null where it rests on the entry before it */
  version: number | null;
  /** when it happened, by the factory's clock */
  atMs: number;
  /** somebody chose that it counts from when it is sent, since its own time was refused */
  asOfNow?: boolean;
  /** what it says, for whoever waits for it to be sent */
  sentence: string;
  /** waiting: to be sent · conflict: the server said no, and somebody has to choose · aside: kept, not sent */
  state: 'waiting' | 'conflict' | 'aside';
  problem?: ProblemDocument;
}

interface Storage {
  getItem(key: string): string | null;
  setItem(key: string, value: string): void;
  removeItem(key: string): void;
}

/** What keeps the device from doing its part. */
export interface OutboxTrouble {
  /** what was kept and cannot be read any more, as it is */
  unreadable: string | null;
  /** the device has no room: entries are lost when the page is closed before they are sent */
  full: boolean;
}

export type Sending = (entry: OutboxEntry, version: number) => Promise<{ version: number }>;

export const STORED = 'outbox';
const UNREADABLE = 'outbox, unreadable';
/** What the server has not decided for good: not reached, not signed in, broken, too many at once. */
export const isForLater = (problem: ProblemDocument) =>
  problem.status <= 0 || problem.status === 401 || problem.status === 429 || problem.status >= 500;

/**
 * Entries that wait on the device until the server has them: kept across reloads, shared by all pages open on it, sent
 * in order, once each. A refusal stops the entries of its batch and waits for somebody's choice; nothing is dropped on
 * its own.
 */
export class Outbox {
  private list: readonly OutboxEntry[] = [];
  private told: OutboxTrouble;
  private readonly listeners = new Set<() => void>();
  private sending: Promise<void> | undefined;

  constructor(
    private readonly storage: Storage,
    private readonly send: Sending,
    /** told when an entry has been carried out */
    private readonly onSent: (entry: OutboxEntry) => void = () => undefined,
  ) {
    this.told = { unreadable: storage.getItem(UNREADABLE), full: false };
    this.list = this.kept();
  }

  readonly entries = (): readonly OutboxEntry[] => this.list;
  readonly trouble = (): OutboxTrouble => this.told;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Takes an entry in. It rests on what the person saw, or on the entry before it that is not sent yet. */
  add(entry: Omit<OutboxEntry, 'state' | 'version' | 'problem'>, seenVersion: number): void {
    this.put((list) => {
      const follows = list.some((e) => e.batchId === entry.batchId && e.state !== 'aside');
      return [...list, { ...entry, version: follows ? null : seenVersion, state: 'waiting' }];
    });
  }

  /** A refused entry is tried again on the batch as it is now; at its own time, or as of now. */
  retry(key: string, versionNow: number, asOfNow = false): void {
    this.change(key, ({ problem, ...entry }) => ({ ...entry, state: 'waiting', version: versionNow, asOfNow }));
  }

  /** A refused entry is kept on the device, out of the way of those after it. */
  setAside(key: string): void {
    this.change(key, (entry) => ({ ...entry, state: 'aside' }));
  }

  /** Forgets an entry that was set aside, because somebody said so. */
  forget(key: string): void {
    this.put((list) => list.filter((e) => e.key !== key || e.state !== 'aside'));
  }

  /** Forgets what could not be read, because somebody said so. */
  forgetUnreadable(): void {
    this.storage.removeItem(UNREADABLE);
    this.told = { ...this.told, unreadable: null };
    this.tell();
  }

  /** Another page has changed what is kept. */
  reread(): void {
    this.list = this.kept();
    this.tell();
  }

  /** Sends what can be sent by these people; resolves when nothing more can be. */
  flush(...people: readonly string[]): Promise<void> {
    this.sending ??= this.sendAll(people).finally(() => {
      this.sending = undefined;
    });
    return this.sending;
  }

  private async sendAll(people: readonly string[]): Promise<void> {
    for (let next = this.next(people); next; next = this.next(people)) {
      const { version } = next;
      if (version === null) {
        // What it rested on was set aside: only the batch as it is now can tell.
        this.refuse(next.key, { status: 409, title: 'Rests on an entry that was not sent', detail: 'The entry before it was set aside.' });
        continue;
      }
      try {
        const done = await this.send(next, version);
        this.sent(next, done.version);
      } catch (error) {
        const problem = problemOf(error);
        if (isForLater(problem)) return;
        this.refuse(next.key, problem);
      }
    }
  }

  /** What comes after it for the same batch rests on what it left. */
  private sent(entry: OutboxEntry, version: number): void {
    this.put((list) => {
      const left = list.filter((e) => e.key !== entry.key);
      const after = left.find((e) => e.batchId === entry.batchId && e.state === 'waiting');
      return left.map((e) => (e === after && e.version === null ? { ...e, version } : e));
    });
    this.onSent(entry);
  }

  /** The first entry of these people that nothing before it holds up. */
  private next(people: readonly string[]): OutboxEntry | undefined {
    return this.list.find(
      (e, i) =>
        e.state === 'waiting' &&
        people.includes(e.personId) &&
        !this.list.slice(0, i).some((b) => b.batchId === e.batchId && b.state !== 'aside'),
    );
  }

  private refuse(key: string, problem: ProblemDocument): void {
    this.change(key, (entry) => ({ ...entry, state: 'conflict', problem }));
  }

  private change(key: string, how: (entry: OutboxEntry) => OutboxEntry): void {
    this.put((list) => list.map((e) => (e.key === key ? how(e) : e)));
  }

  /** Changes what is kept, as it is now: another page may have added to it. */
  private put(how: (list: readonly OutboxEntry[]) => readonly OutboxEntry[]): void {
    this.list = how(this.told.full ? this.list : this.kept());
    try {
      this.storage.setItem(STORED, JSON.stringify(this.list));
      if (this.told.full) this.told = { ...this.told, full: false };
    } catch {
      this.told = { ...this.told, full: true };
    }
    this.tell();
  }

  /** What is kept on the device; what cannot be read is put by as it is. */
  private kept(): readonly OutboxEntry[] {
    const text = this.storage.getItem(STORED);
    if (text === null) return [];
    const read = entriesIn(text);
    if (read) return read;
    const unreadable = [this.storage.getItem(UNREADABLE), text].filter((t) => t !== null).join('\n');
    // First what makes room: a device that is full has none for both.
    this.storage.removeItem(STORED);
    this.storage.setItem(UNREADABLE, unreadable);
    this.told = { ...this.told, unreadable };
    return [];
  }

  private tell(): void {
    for (const tell of this.listeners) tell();
  }
}

/** @returns undefined where the text does not hold entries */
function entriesIn(text: string): OutboxEntry[] | undefined {
  try {
    const list: unknown = JSON.parse(text);
    return Array.isArray(list) && list.every(isEntry) ? list : undefined;
  } catch {
    return undefined;
  }
}

const TEXTS = ['key', 'personId', 'batchId', 'command', 'sentence', 'state'] as const;
const isEntry = (value: unknown): value is OutboxEntry =>
  typeof value === 'object' && value !== null && TEXTS.every((name) => name in value && typeof (value as OutboxEntry)[name] === 'string');

/** Sends an entry as the command it stands for. */
export function sendEntry(entry: OutboxEntry, version: number): Promise<{ version: number }> {
  const { command, given, atMs, asOfNow, batchId, key } = entry;
  // A command and what it says belong together; TypeScript loses that in the union.
  const body = { ...given, version, ...(asOfNow ? {} : { atMs }) } as BatchBodies[typeof command];
  return send(command, batchId, body, { 'Idempotency-Key': key, 'Bench-Person': entry.personId });
}

export const useOutbox = (outbox: Outbox): readonly OutboxEntry[] => useSyncExternalStore(outbox.subscribe, outbox.entries, outbox.entries);
export const useOutboxTrouble = (outbox: Outbox): OutboxTrouble => useSyncExternalStore(outbox.subscribe, outbox.trouble, outbox.trouble);
