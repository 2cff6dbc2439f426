/**
 * A kind of row that entries make and change. The value is what rows are asked for by: `rows.get(Batch, id)` is a batch
 * because `Batch` is a `RowKind<Batch>`; no table of all kinds exists.
 */
export interface RowKind<Row extends object> {
  readonly name: string;
  /** the field that tells one row from another; it is a string */
  readonly key: string;
  /** fields by whose value rows are found together */
  readonly by: readonly string[];
  /** the field of which the row put last is remembered, whatever its key */
  readonly latestBy: string | null;
  /**
   * Fields that are only ever added to, by `rows.add`: whoever adds need not know what was there, so nobody waits for
   * another to count. Whole numbers, whose sum is the same in any order.
   */
  readonly sums: readonly string[];
  /** the fields that what a row adds to sums depends on; none where it adds to none */
  readonly counted: readonly string[];
  /** What a row adds to sums, for as long as it is as it is. */
  partsOf(row: Row): readonly Part[];
  /** Written by the hundred thousand and hardly looked up: put aside while a history is told again, and sorted in when asked for. */
  readonly seldom: boolean;
  keyOf(row: Row): string;
  /** Rows that belong to a row, and change only while it is kept still: read along with it. */
  alongWith(row: Row): readonly Ask[];
  /** whether its rows stand under others */
  readonly hasParents: boolean;
  /** Rows that a row stands under, by key: kept still along with it. */
  under(row: Row): readonly Ask[];
}

/** One row's part in a row of sums. */
export interface Part {
  readonly kind: RowKind<never>;
  readonly row: object;
}

/** A part of a row of sums. */
export const partOf = <Row extends object>(kind: RowKind<Row>, row: Row): Part => ({ kind, row });

/**
 * How rows are summed up. When a row comes, changes or goes, the sums change by what it adds less what it added: whoever
 * writes or takes back an entry need not think of them, and all together they are what telling the rows one by one comes to.
 */
export interface Tally<Row> {
  /** the fields that it depends on; when none of them changes, nor does what the row adds */
  readonly from: readonly (keyof Row & string)[];
  /** what the row adds, from itself alone */
  of: (row: Row) => readonly Part[];
}

/** What a kind says beyond its name. */
export interface RowKindOptions<Row> {
  key: keyof Row & string;
  by?: readonly (keyof Row & string)[];
  latestBy?: keyof Row & string;
  sums?: readonly (keyof Row & string)[];
  tally?: Tally<Row>;
  seldom?: boolean;
  alongWith?: (row: Row) => readonly Ask[];
  under?: (row: Row) => readonly Ask[];
}

/** Defines a kind of row. */
export function rowKind<Row extends object>(name: string, options: RowKindOptions<Row>): RowKind<Row> {
  const { key, by = [], latestBy = null, sums = [], tally, seldom = false, alongWith = none, under = none } = options;
  const keyOf = (row: Row) => row[key] as string;
  const { from: counted, of: partsOf } = tally ?? { from: [], of: none };
  return { name, key, by, latestBy, sums, counted, partsOf, seldom, keyOf, alongWith, hasParents: under !== none, under };
}

const none = (): readonly never[] => [];

/** Whether a row of sums holds nothing, which is the same as there being none. */
export const isNothing = ({ sums }: RowKind<never>, row: object): boolean =>
  sums.length > 0 && sums.every((field) => (row as Readonly<Record<string, unknown>>)[field] === 0);

/** Rows of a kind that have one of these values in a field. */
export interface Ask {
  readonly kind: RowKind<never>;
  readonly field: string;
  readonly values: readonly string[];
}

/** The rows with these keys. */
export const rowsOf = <Row extends object>(kind: RowKind<Row>, keys: readonly string[]): Ask => ({ kind, field: kind.key, values: keys });

/** The rows with one of these values in a field. */
export const rowsBy = <Row extends object>(kind: RowKind<Row>, field: keyof Row & string, values: readonly string[]): Ask => ({
  kind,
  field,
  values,
});
