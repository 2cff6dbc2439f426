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
    if (kind.counted.length > 0) {
      const before = this.inPlace && kind.seldom ? undefined : this.find(kind, kind.keyOf(row));
      this.tally(before ? kind.partsOf(before) : [], kind.partsOf(row));
    }
    this.store(kind, row);
  }

  private store<Row extends object>(kind: RowKind<Row>, row: Row): void {
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
    const counts = kind.counted.some((field) => field in fields);
    const before = counts ? kind.partsOf(now) : [];
    const row = this.inPlace ? now : { ...now, ...fields };
    if (this.inPlace) this.table(kind).amend(now, fields);
    else this.store(kind, row);
    if (counts) this.tally(before, kind.partsOf(row));
    return row;
  }

  /** Adds to the sums of a row, which begins with what is added first: what was there before need not be loaded. */
  add<Row extends object>(kind: RowKind<Row>, more: Row): void {
    const table = this.table(kind);
    const key = kind.keyOf(more);
    const now = table.find(key);
    if (!now) table.put({ ...more });
    else if (this.inPlace) table.amend(now, summed(kind, now, more));
    else table.put({ ...now, ...summed(kind, now, more) });
    if (this.inPlace) return;
    const added = this.added.get(kind) ?? new Map<string, object>();
    const before = added.get(key) as Row | undefined;
    added.set(key, before ? { ...before, ...summed(kind, before, more) } : { ...more });
    this.added.set(kind, added);
  }

  /** Takes a row away: the state forgets it, the logbook does not. */
  drop<Row extends object>(kind: RowKind<Row>, key: string): void {
    const gone = this.table(kind).delete(key);
    if (!gone) return;
    this.tally(kind.partsOf(gone), []);
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

  /** Brings sums up to date with what one row added and adds now. */
  private tally(before: readonly Part[], after: readonly Part[]): void {
    if (before.length === 0 && after.length === 0) return;
    const net = new Map<string, Part>();
    const count = (sign: 1 | -1) => (part: Part) => {
      const kind = part.kind as RowKind<object>;
      const key = `${kind.name} ${kind.keyOf(part.row)}`;
      const known = net.get(key)?.row ?? { ...part.row, ...none(kind) };
      net.set(key, { kind: part.kind, row: { ...known, ...summed(kind, known, part.row, sign) } });
    };
    before.forEach(count(-1));
    after.forEach(count(1));
    for (const { kind, row } of net.values()) if (isMore(kind, row)) this.add(kind, row);
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

/** A kind's fields are checked where it is defined. */
const fieldsOf = (row: object) => row as unknown as Readonly<Record<string, number>>;

function summed<Row extends object>({ sums }: RowKind<Row>, now: Row, more: Row, sign: 1 | -1 = 1): Partial<Row> {
  const [a, b] = [fieldsOf(now), fieldsOf(more)];
  return Object.fromEntries(sums.map((field) => [field, (a[field] ?? 0) + sign * (b[field] ?? 0)])) as Partial<Row>;
}

const none = ({ sums }: RowKind<object>) => Object.fromEntries(sums.map((field) => [field, 0]));

const isMore = ({ sums }: RowKind<object>, row: object) => sums.some((field) => fieldsOf(row)[field] !== 0);

function marked(marks: Map<RowKind<object>, Set<string>>, kind: RowKind<object>): Set<string> {
  const keys = marks.get(kind) ?? new Set<string>();
  marks.set(kind, keys);
  return keys;
}
