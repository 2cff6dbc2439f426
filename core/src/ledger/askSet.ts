import type { Ask, RowKind } from './rowKind.ts';

/** Asks gathered: each kind and field once, with every value that is asked for. */
export class AskSet {
  private readonly fields = new Map<RowKind<never>, Map<string, Set<string>>>();

  constructor(asks: readonly Ask[] = []) {
    asks.forEach((ask) => this.add(ask));
  }

  has(kind: RowKind<never>, field: string, value: string): boolean {
    return this.fields.get(kind)?.get(field)?.has(value) ?? false;
  }

  add({ kind, field, values }: Ask): void {
    const fields = this.fields.get(kind) ?? new Map<string, Set<string>>();
    const known = fields.get(field) ?? new Set<string>();
    for (const value of values) known.add(value);
    if (known.size === 0) return;
    this.fields.set(kind, fields.set(field, known));
  }

  /** What of some asks is not among these. */
  freshOf(asks: readonly Ask[]): AskSet {
    return new AskSet(asks.map(({ kind, field, values }) => ({ kind, field, values: values.filter((v) => !this.has(kind, field, v)) })));
  }

  get all(): Ask[] {
    return [...this.fields].flatMap(([kind, fields]) => [...fields].map(([field, values]) => ({ kind, field, values: [...values] })));
  }

  get isEmpty(): boolean {
    return this.fields.size === 0;
  }
}
