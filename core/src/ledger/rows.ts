import type { RowKind } from './rowKind.ts';
import { Table } from './table.ts';

/**
 * Where rows live while entries are applied; knows which were touched. It may hold the whole history or only what one
 * command concerns.
 */
export class Rows {
  private readonly tables = new Map<RowKind<object>, Table<object>>();
  private readonly touched = new Map<RowKind<object>, Set<string>>();
  private readonly dropped = new Map<RowKind<object>, Set<string>>();

  /**
   * @param inPlace a long logbook is told again and nobody asks which rows were touched: rows are changed where they
   *   stand, so what was read of them before an entry must not be kept beyond it
   */
  constructor(readonly inPlace = false) {}

  /** Takes a row in as already stored: it counts as untouched. */
  load<Row extends object>(kind: RowKind<Row>, row: Row): void {
    this.table(kind).put(row);
  }

  find<Row extends object>(kind: RowKind<Row>, key: string): Row | undefined {
    return this.table(kind).find(key);
  }

  /** @throws Error when an entry speaks of something the logbook never mentioned: it has been tampered with or cut */
  get<Row extends object>(kind: RowKind<Row>, key: string | null): Row {
    const row = key === null ? undefined : this.table(kind).find(key);
    if (!row) throw new Error(`The logbook speaks of ${kind.name} ${key ?? '(none)'}, which it has not introduced`);
    return row;
  }

  all<Row extends object>(kind: RowKind<Row>): Row[] {
    return this.table(kind).all();
  }

  /** The rows whose field has this value; the kind must name the field in its `by`. */
  where<Row extends object, Field extends keyof Row>(kind: RowKind<Row>, field: Field, value: Row[Field]): Row[] {
    return this.table(kind).where(field, value);
  }

  /** The same one after the other, without a copy: not to be kept beyond the next change. */
  each<Row extends object, Field extends keyof Row>(kind: RowKind<Row>, field: Field, value: Row[Field]): Iterable<Row> {
    return this.table(kind).group(field, value);
  }

  /** The row put last with this value of the kind's `latestBy`. */
  latest<Row extends object>(kind: RowKind<Row>, value: unknown): Row | undefined {
    return this.table(kind).latest(value);
  }

  put<Row extends object>(kind: RowKind<Row>, row: Row): void {
    this.table(kind).put(row);
    if (this.inPlace) return;
    const key = kind.keyOf(row);
    this.dropped.get(kind)?.delete(key);
    marked(this.touched, kind).add(key);
  }

  /** Replaces some fields of a row that must exist. */
  change<Row extends object>(kind: RowKind<Row>, key: string | null, fields: Partial<Row>): Row {
    return this.amend(kind, this.get(kind, key), fields);
  }

  /** The same for a row at hand, as it stands now. */
  amend<Row extends object>(kind: RowKind<Row>, now: Row, fields: Partial<Row>): Row {
    if (this.inPlace) {
      this.table(kind).amend(now, fields);
      return now;
    }
    const row = { ...now, ...fields };
    this.put(kind, row);
    return row;
  }

  /** Takes a row away: the state forgets it, the logbook does not. */
  drop<Row extends object>(kind: RowKind<Row>, key: string): void {
    if (!this.table(kind).delete(key) || this.inPlace) return;
    this.touched.get(kind)?.delete(key);
    marked(this.dropped, kind).add(key);
  }

  /** The rows put since the last call. */
  takeTouched<Row extends object>(kind: RowKind<Row>): Row[] {
    const keys = this.touched.get(kind) ?? [];
    this.touched.delete(kind);
    return [...keys].map((key) => this.get(kind, key));
  }

  /** The keys of the rows dropped since the last call. */
  takeDropped<Row extends object>(kind: RowKind<Row>): string[] {
    const keys = [...(this.dropped.get(kind) ?? [])];
    this.dropped.delete(kind);
    return keys;
  }

  private table<Row extends object>(kind: RowKind<Row>): Table<Row> {
    const known = this.tables.get(kind);
    // A table is made with its kind and found by it, so its rows are of that kind.
    if (known) return known as unknown as Table<Row>;
    const made = new Table(kind, this.inPlace && kind.seldom);
    this.tables.set(kind, made as unknown as Table<object>);
    return made;
  }
}

function marked(marks: Map<RowKind<object>, Set<string>>, kind: RowKind<object>): Set<string> {
  const keys = marks.get(kind) ?? new Set<string>();
  marks.set(kind, keys);
  return keys;
}
