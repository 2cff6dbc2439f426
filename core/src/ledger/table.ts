import type { RowKind } from './rowKind.ts';

/**
 * The rows of one kind by their key, and together by the fields the kind names. Where hardly any is looked up, they are
 * put aside as they come, and sorted in by their key when one is asked for after all.
 */
export class Table<Row extends object> {
  private readonly rows = new Map<string, Row>();
  private readonly groups: readonly { field: keyof Row; of: Map<unknown, Map<string, Row>> }[];
  private readonly latestRows = new Map<unknown, Row>();
  private readonly latestBy: keyof Row | null;
  private aside: Row[] = [];

  constructor(
    private readonly kind: RowKind<Row>,
    private readonly putsAside: boolean,
  ) {
    // A kind's fields are checked where it is defined.
    this.groups = kind.by.map((field) => ({ field: field as keyof Row, of: new Map() }));
    this.latestBy = kind.latestBy as keyof Row | null;
  }

  find(key: string): Row | undefined {
    return this.sorted().get(key);
  }

  /** Takes a row in, in place of the one of the same key. */
  put(row: Row): void {
    if (this.latestBy !== null) this.latestRows.set(row[this.latestBy], row);
    if (this.putsAside) this.aside.push(row);
    else this.take(row);
  }

  private take(row: Row): void {
    const key = this.kind.keyOf(row);
    if (this.groups.length > 0) {
      const before = this.rows.get(key);
      for (const group of this.groups) {
        if (before && before[group.field] !== row[group.field]) group.of.get(before[group.field])?.delete(key);
        join(group.of, row[group.field], key, row);
      }
    }
    this.rows.set(key, row);
  }

  /** Changes fields of a row where it stands. The key must stay. */
  amend(row: Row, fields: Partial<Row>): void {
    if (this.groups.length === 0) {
      Object.assign(row, fields);
      return;
    }
    this.sorted();
    const before = this.groups.map(({ field }) => row[field]);
    Object.assign(row, fields);
    this.groups.forEach(({ field, of }, i) => {
      if (before[i] === row[field]) return;
      const key = this.kind.keyOf(row);
      of.get(before[i])?.delete(key);
      join(of, row[field], key, row);
    });
  }

  delete(key: string): Row | undefined {
    const row = this.sorted().get(key);
    if (!row) return undefined;
    this.rows.delete(key);
    for (const { field, of } of this.groups) of.get(row[field])?.delete(key);
    return row;
  }

  all(): Row[] {
    return [...this.sorted().values()];
  }

  /** The rows of one group, in the order they came to it. @throws RangeError when the kind does not name the field */
  where(field: keyof Row, value: unknown): Row[] {
    return [...this.group(field, value)];
  }

  /** The same without a copy: not to be kept beyond the next change. */
  group(field: keyof Row, value: unknown): Iterable<Row> {
    this.sorted();
    const group = this.groups.find((g) => g.field === field);
    if (!group) throw new RangeError(`Rows of kind ${this.kind.name} are not found by ${String(field)}`);
    return group.of.get(value)?.values() ?? [];
  }

  /** The row put last with this value of the field the kind remembers by. */
  latest(value: unknown): Row | undefined {
    return this.latestRows.get(value);
  }

  private sorted(): Map<string, Row> {
    if (this.aside.length === 0) return this.rows;
    const { aside } = this;
    this.aside = [];
    for (const row of aside) this.take(row);
    return this.rows;
  }
}

function join<Row>(groups: Map<unknown, Map<string, Row>>, value: unknown, key: string, row: Row): void {
  const together = groups.get(value);
  if (together) together.set(key, row);
  else groups.set(value, new Map([[key, row]]));
}
