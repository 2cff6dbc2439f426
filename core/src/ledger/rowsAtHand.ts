import { AskSet } from './askSet.ts';
import type { Ask, RowKind } from './rowKind.ts';
import { Rows } from './rows.ts';

/** What a stretch changes of a kind of row. */
export interface Changes {
  rows: readonly object[];
  /** the keys of stored rows that are no more */
  gone: readonly string[];
}

/**
 * Rows of which only some are at hand: so a long history is told a stretch at a time, in memory that does not grow with it.
 * What is asked for and is not at hand is noted; an entry that missed something is worth nothing but what it missed, may
 * have thrown for it, and is to be taken back and applied again with that at hand. What rows add to sums is told once at
 * the end, from how they were and how they are.
 */
export class RowsAtHand extends Rows {
  /** what has been read, whether there was any or not */
  private readonly known = new AskSet();
  private readonly stored = new Map<RowKind<object>, Map<string, object>>();
  private missed = new AskSet();
  private readonly journal: { kind: RowKind<object>; key: string; before: object | undefined }[] = [];

  /** How far it has been told: a point to go back to. */
  get point(): number {
    return this.journal.length;
  }

  /** Whether something was asked for that is not at hand. */
  get isMissingAny(): boolean {
    return !this.missed.isEmpty;
  }

  /** What was asked for and is not at hand, since it was last asked. */
  takeMissing(): AskSet {
    const { missed } = this;
    this.missed = new AskSet();
    return missed;
  }

  /** What of some asks has not been read. */
  unreadOf(asks: readonly Ask[]): AskSet {
    return this.known.freshOf(asks);
  }

  /** Takes in all rows that an ask comes to, as they are stored. @returns those that are new here */
  take<Row extends object>(ask: Ask, rows: readonly Row[]): Row[] {
    const kind = ask.kind as unknown as RowKind<Row>;
    const stored = this.storedOf(kind);
    const fresh = rows.filter((row) => !stored.has(kind.keyOf(row)));
    for (const row of fresh) {
      const key = kind.keyOf(row);
      stored.set(key, row);
      // One that was put meanwhile stands in its place.
      if (!super.find(kind, key)) this.load(kind, row);
    }
    this.known.add(ask);
    return fresh;
  }

  /** Takes back all that was changed after a point. */
  backTo(point: number): void {
    while (this.journal.length > point) {
      const last = this.journal.pop();
      if (!last) return;
      if (last.before) this.table(last.kind).put(last.before);
      else this.table(last.kind).delete(last.key);
    }
  }

  /** What all that was told changes: rows that are not as they are stored, of kinds with sums what is to be added to each, and what is gone. */
  changes(): Map<RowKind<never>, Changes> {
    const changed = this.changed();
    for (const [kind, keys] of changed)
      if (kind.counted.length > 0)
        for (const key of keys) {
          const [before, after] = [this.storedOf(kind).get(key), super.find(kind, key)];
          super.tally(before ? kind.partsOf(before) : [], after ? kind.partsOf(after) : []);
        }
    return new Map([...this.changed()].map(([kind, keys]) => [kind, this.changesOf(kind, [...keys].sort())]));
  }

  override find<Row extends object>(kind: RowKind<Row>, key: string): Row | undefined {
    const row = super.find(kind, key);
    if (!row && !this.storedOf(kind).has(key)) this.need(kind, kind.key, key);
    return row;
  }

  override where<Row extends object, Field extends keyof Row>(kind: RowKind<Row>, field: Field, value: Row[Field]): Row[] {
    this.need(kind, String(field), value);
    return super.where(kind, field, value);
  }

  override each<Row extends object, Field extends keyof Row>(kind: RowKind<Row>, field: Field, value: Row[Field]): Iterable<Row> {
    this.need(kind, String(field), value);
    return super.each(kind, field, value);
  }

  override drop<Row extends object>(kind: RowKind<Row>, key: string): void {
    if (!this.find(kind, key)) return;
    this.note(kind, key);
    super.drop(kind, key);
  }

  override add<Row extends object>(kind: RowKind<Row>, more: Row): void {
    this.note(kind, kind.keyOf(more));
    super.add(kind, more);
  }

  /** @throws RangeError always */
  override all(kind: RowKind<never>): never {
    throw new RangeError(`Not every ${kind.name} is at hand`);
  }

  protected override store<Row extends object>(kind: RowKind<Row>, row: Row): void {
    this.note(kind, kind.keyOf(row));
    this.table(kind).put(row);
  }

  protected override tally(): void {
    // Told once, by `changes`.
  }

  private note<Row extends object>(kind: RowKind<Row>, key: string): void {
    this.journal.push({ kind: kind, key, before: super.find(kind, key) });
  }

  private need(kind: RowKind<never>, field: string, value: unknown): void {
    const asked = value as string;
    if (!this.known.has(kind, field, asked)) this.missed.add({ kind, field, values: [asked] });
  }

  private changed(): Map<RowKind<object>, Set<string>> {
    const changed = new Map<RowKind<object>, Set<string>>();
    for (const { kind, key } of this.journal) {
      const keys = changed.get(kind) ?? new Set<string>();
      changed.set(kind, keys.add(key));
    }
    return changed;
  }

  private changesOf(kind: RowKind<object>, keys: readonly string[]): Changes {
    const rows = keys.map((key) => super.find(kind, key));
    return {
      rows: rows.filter((row) => row !== undefined),
      gone: keys.filter((key, i) => !rows[i] && this.storedOf(kind).has(key)),
    };
  }

  private storedOf<Row extends object>(kind: RowKind<Row>): Map<string, Row> {
    const known = kind as unknown as RowKind<object>;
    const stored = this.stored.get(known) ?? new Map<string, object>();
    this.stored.set(known, stored);
    return stored as Map<string, Row>;
  }
}
