/**
 * The rows of one kind by their key. Where hardly any is looked up, they are put aside as they come, and sorted in by
 * their key when one is asked for after all.
 */
export class Table<Row> {
  private readonly rows = new Map<string, Row>();
  private aside: Row[] = [];

  constructor(
    private readonly keyOf: (row: Row) => string,
    private readonly putsAside: boolean,
  ) {}

  find(key: string): Row | undefined {
    return this.sorted().get(key);
  }

  /** Takes a row in, in place of the one of the same key. */
  put(row: Row): void {
    if (this.putsAside) this.aside.push(row);
    else this.rows.set(this.keyOf(row), row);
  }

  delete(key: string): void {
    this.sorted().delete(key);
  }

  all(): Row[] {
    return [...this.sorted().values()];
  }

  private sorted(): Map<string, Row> {
    if (this.aside.length === 0) return this.rows;
    for (const row of this.aside) this.rows.set(this.keyOf(row), row);
    this.aside = [];
    return this.rows;
  }
}
