import type { Part, RowKind } from './rowKind.ts';
import { Table } from './table.ts';

/**
 * Where rows live while entries are applied; knows which were touched. It may hold the whole history or only what one
 * command concerns.
 */
export class Rows {
  private readonly tables = new Map<RowKind<object>, Table<object>>();
  private readonly touched = new Map<RowKind<object>, Set<string>>();
  private readonly dropped = new Map<RowKind<object>, Set<string>>();
  private readonly added = new Map<RowKind<object>, Map<string, object>>();
  /** kinds that rows add up to, and whether rows have changed since they were summed up; where rows are changed in place */
  private readonly summedUp = new Set<RowKind<object>>();
  private isStale = false;

  /**
   * @param inPlace a long logbook is told again and nobody asks which rows were touched: rows are changed where they
   *   stand, so what was read of them before an entry must not be kept beyond it, and summed up when somebody asks
   */
  constructor(readonly inPlace = false) {}

  /** Takes a row in as already stored: it counts as untouched. */
  load<Row extends object>(kind: RowKind<Row>, row: Row): void {
    this.table(kind).put(row);
  }

  find<Row extends object>(kind: RowKind<Row>, key: string): Row | undefined {
    this.settle(kind);
    return this.table(kind).find(key);
  }

  /** @throws Error when an entry speaks of something the logbook never mentioned: it has been tampered with or cut */
  get<Row extends object>(kind: RowKind<Row>, key: string | null): Row {
    const row = key === null ? undefined : this.find(kind, key);
    if (!row) throw new Error(`The logbook speaks of ${kind.name} ${key ?? '(none)'}, which it has not introduced`);
    return row;
  }

  all<Row extends object>(kind: RowKind<Row>): Row[] {
    this.settle(kind);
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

  /** The row put last with this value of the kind's `latestBy`, of those that are here. */
  latest<Row extends object>(kind: RowKind<Row>, value: unknown): Row | undefined {
    return this.table(kind).latest(value);
  }

  put<Row extends object>(kind: RowKind<Row>, row: Row): void {
    if (!this.reckons(kind)) return this.store(kind, row);
    const before = this.find(kind, kind.keyOf(row));
    this.store(kind, row);
    this.tally(before ? kind.partsOf(before) : [], kind.partsOf(row));
  }

  protected store<Row extends object>(kind: RowKind<Row>, row: Row): void {
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
      this.reckons(kind);
      this.table(kind).amend(now, fields);
      return now;
    }
    const row = { ...now, ...fields };
    this.store(kind, row);
    if (kind.counted.some((field) => valueOf(now, field) !== valueOf(row, field))) this.tally(kind.partsOf(now), kind.partsOf(row));
    return row;
  }

  /** Adds to the sums of a row, which begins with what is added first: what was there before need not be loaded. */
  add<Row extends object>(kind: RowKind<Row>, more: Row): void {
    const table = this.table(kind);
    const key = kind.keyOf(more);
    const now = table.find(key);
    if (!now) table.put({ ...more });
    else if (this.inPlace) addTo(kind, now, more);
    else table.put(summed(kind, now, more));
    if (this.inPlace) return;
    const added = this.added.get(kind) ?? new Map<string, object>();
    const before = added.get(key) as Row | undefined;
    added.set(key, before ? summed(kind, before, more) : { ...more });
    this.added.set(kind, added);
  }

  /** Takes a row away: the state forgets it, the logbook does not. */
  drop<Row extends object>(kind: RowKind<Row>, key: string): void {
    const gone = this.table(kind).delete(key);
    if (!gone) return;
    if (this.reckons(kind)) this.tally(kind.partsOf(gone), []);
    if (this.inPlace) return;
    this.touched.get(kind)?.delete(key);
    marked(this.dropped, kind).add(key);
  }

  /** The rows put since the last call; of kinds with sums what was added to each. */
  takeTouched<Row extends object>(kind: RowKind<Row>): Row[] {
    if (kind.sums.length > 0) {
      // In the order of their keys, so that no two who add wait for each other in a ring.
      const added = [...(this.added.get(kind) ?? [])].sort(([a], [b]) => (a < b ? -1 : 1));
      this.added.delete(kind);
      return added.map(([, row]) => row as Row);
    }
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

  /** Whether what a row of a kind adds to sums is reckoned at every change; in place it is noted, and reckoned when somebody asks. */
  private reckons(kind: RowKind<never>): boolean {
    if (this.inPlace) this.isStale ||= kind.counted.length > 0;
    return !this.inPlace && kind.counted.length > 0;
  }

  /** Sums up anew what rows add up to, where they have changed since. */
  private settle(asked: RowKind<never>): void {
    if (!this.isStale || asked.sums.length === 0) return;
    this.isStale = false;
    for (const kind of this.summedUp) this.tables.delete(kind);
    for (const [kind, table] of [...this.tables])
      for (const row of kind.counted.length > 0 ? table.all() : [])
        for (const part of kind.partsOf(row)) {
          this.summedUp.add(part.kind);
          this.add(part.kind, part.row);
        }
  }

  /** Brings sums up to date with what one row added and adds now. */
  protected tally(before: readonly Part[], after: readonly Part[]): void {
    for (const part of before) if (!after.some((other) => isSame(part, other))) this.add(part.kind, less(part));
    for (const part of after) if (!before.some((other) => isSame(part, other))) this.add(part.kind, part.row);
  }

  protected table<Row extends object>(kind: RowKind<Row>): Table<Row> {
    const known = this.tables.get(kind);
    // A table is made with its kind and found by it, so its rows are of that kind.
    if (known) return known as unknown as Table<Row>;
    const made = new Table(kind, this.inPlace && kind.seldom);
    this.tables.set(kind, made as unknown as Table<object>);
    return made;
  }
}

/** A kind's fields are checked where it is defined. */
const fieldsOf = (row: object) => row as unknown as Record<string, number>;

const valueOf = (row: object, field: string): unknown => (row as Readonly<Record<string, unknown>>)[field];

/** Adds to a row where it stands. */
function addTo({ sums }: RowKind<never>, row: object, more: object): void {
  const [a, b] = [fieldsOf(row), fieldsOf(more)];
  for (const field of sums) a[field] = (a[field] ?? 0) + (b[field] ?? 0);
}

function summed<Row extends object>(kind: RowKind<Row>, now: Row, more: Row): Row {
  const row = { ...now };
  addTo(kind, row, more);
  return row;
}

function less({ kind, row }: Part): object {
  const taken = { ...row };
  const fields = fieldsOf(taken);
  for (const field of kind.sums) fields[field] = 0 - (fields[field] ?? 0);
  return taken;
}

/** Whether two parts add the same to the same row. */
function isSame(a: Part, b: Part): boolean {
  const kind = a.kind as RowKind<object>;
  if (a.kind !== b.kind || kind.keyOf(a.row) !== kind.keyOf(b.row)) return false;
  const [x, y] = [fieldsOf(a.row), fieldsOf(b.row)];
  return kind.sums.every((field) => x[field] === y[field]);
}

function marked(marks: Map<RowKind<object>, Set<string>>, kind: RowKind<object>): Set<string> {
  const keys = marks.get(kind) ?? new Set<string>();
  marks.set(kind, keys);
  return keys;
}
