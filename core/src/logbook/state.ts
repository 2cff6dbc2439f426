import type { Measure } from '../assembly/index.ts';
import type { Coat } from '../finishing/index.ts';
import type { Instrument } from '../fitting/index.ts';
import type { Defect } from '../quality/index.ts';
import {
  NO_FACTS,
  resolveRoute,
  type Batch,
  type Override,
  type Piece,
  type Route,
  type RouteFacts,
  type Run,
  type Visit,
} from '../routing/index.ts';
import type { Blank, Lot, Reading, ReadingSession, StockBoard } from '../timber/index.ts';
import type { Order } from './order.ts';

/** An override as it stays on the record. */
export interface OverrideRecord {
  id: string;
  batchId: string | null;
  lotId: string | null;
  operationId: string | null;
  atMs: number;
  personId: string | null;
  reason: string;
  findings: Override['findings'];
}

/** So many pieces of a batch on a carrier. */
export interface PlacementRow {
  id: string;
  batchId: string;
  carrierId: string;
  pieces: number;
}

/** The kinds of row that the logbook's entries make and change. */
export interface Rows {
  lot: Lot;
  session: ReadingSession;
  reading: Reading;
  board: StockBoard;
  blank: Blank;
  order: Order;
  batch: Batch;
  piece: Piece;
  visit: Visit;
  run: Run;
  coat: Coat;
  measure: Measure;
  defect: Defect;
  override: OverrideRecord;
  instrument: Instrument;
  placement: PlacementRow;
}

export type RowKind = keyof Rows;

export const keyOf: { [K in RowKind]: (row: Rows[K]) => string } = {
  lot: (r) => r.id,
  session: (r) => r.id,
  reading: (r) => r.id,
  board: (r) => r.id,
  blank: (r) => r.id,
  order: (r) => r.id,
  batch: (r) => r.id,
  piece: (r) => r.id,
  visit: (r) => r.id,
  run: (r) => r.id,
  coat: (r) => r.id,
  measure: (r) => r.id,
  defect: (r) => r.id,
  override: (r) => r.id,
  instrument: (r) => r.serial,
  placement: (r) => r.id,
};

/** Rows that a history writes by the hundred thousand and hardly looks at: while it is told they are put aside, and indexed when asked for. */
const SELDOM_ASKED_FOR: ReadonlySet<RowKind> = new Set(['reading', 'measure', 'coat']);

/** The rows of a kind: by their key, and those put aside without one. */
interface Table<Row> {
  readonly rows: Map<string, Row>;
  readonly aside: Row[];
}

/** Where rows live while entries are applied; knows which were touched. */
export class ShopState {
  private readonly tables = byKind<{ [K in RowKind]: Table<Rows[K]> }>(() => ({ rows: new Map(), aside: [] }));
  private readonly touched = new Map<RowKind, Set<string>>();
  private readonly dropped = new Map<RowKind, Set<string>>();
  private readonly piecesOf = new Map<string, Set<string>>();
  private readonly placementsOf = new Map<string, Set<string>>();
  private readonly takenOn = new Map<string, number>();

  /**
   * @param routes every route that the entries speak of, as authored
   * @param replaying a long logbook is told again and nobody asks which rows were touched: rows are changed where they
   *   stand, so what was read of them before an entry must not be kept beyond it
   */
  constructor(
    private readonly routes: ReadonlyMap<string, Route>,
    private readonly replaying = false,
  ) {}

  /** Takes a row in as already stored. */
  load<K extends RowKind>(kind: K, row: Rows[K]): void {
    this.keep(kind, row);
  }

  find<K extends RowKind>(kind: K, id: string): Rows[K] | undefined {
    return this.indexed(kind).get(id);
  }

  /** @throws Error when an entry speaks of something the logbook never mentioned: it has been tampered with or cut */
  get<K extends RowKind>(kind: K, id: string | null): Rows[K] {
    const row = id === null ? undefined : this.indexed(kind).get(id);
    if (!row) throw new Error(`The logbook speaks of ${kind} ${id ?? '(none)'}, which it has not introduced`);
    return row;
  }

  put<K extends RowKind>(kind: K, row: Rows[K]): void {
    if (this.replaying && SELDOM_ASKED_FOR.has(kind)) {
      this.tables[kind].aside.push(row);
      return;
    }
    const id = this.keep(kind, row);
    if (this.replaying) return;
    this.dropped.get(kind)?.delete(id);
    this.marked(this.touched, kind).add(id);
  }

  /** Replaces some fields of a row that must exist. */
  change<K extends RowKind>(kind: K, id: string | null, fields: Partial<Rows[K]>): Rows[K] {
    return this.amend(kind, this.get(kind, id), fields);
  }

  /** The same for a row at hand, as it stands now. */
  amend<K extends RowKind>(kind: K, now: Rows[K], fields: Partial<Rows[K]>): Rows[K] {
    if (this.replaying && kind !== 'placement') {
      Object.assign(now, fields);
      if (kind === 'piece' && 'batchId' in fields) addTo(this.piecesOf, (now as Piece).batchId, (now as Piece).id);
      return now;
    }
    const row = { ...now, ...fields };
    this.put(kind, row);
    return row;
  }

  /** Takes a row away: the state forgets it, the logbook does not. */
  drop(kind: RowKind, id: string): void {
    const row = this.indexed(kind).get(id);
    if (!row) return;
    if (kind === 'placement') this.count(row as PlacementRow, -1);
    this.tables[kind].rows.delete(id);
    if (this.replaying) return;
    this.touched.get(kind)?.delete(id);
    this.marked(this.dropped, kind).add(id);
  }

  all<K extends RowKind>(kind: K): Rows[K][] {
    return [...this.indexed(kind).values()];
  }

  pieces(batchId: string): Piece[] {
    const found: Piece[] = [];
    for (const id of this.piecesOf.get(batchId) ?? []) {
      const piece = this.get('piece', id);
      // A piece that has gone on to another batch is remembered here, but no longer in it.
      if (piece.batchId === batchId) found.push(piece);
    }
    return found;
  }

  /** Where a batch sits, in the carriers' order. */
  placements(batchId: string): PlacementRow[] {
    const ids = this.placementsOf.get(batchId);
    if (!ids) return [];
    return [...ids].flatMap((id) => this.tables.placement.rows.get(id) ?? []).sort((a, b) => (a.carrierId < b.carrierId ? -1 : 1));
  }

  /** How many places of a carrier are taken by the batches known here. */
  taken(carrierId: string): number {
    return this.takenOn.get(carrierId) ?? 0;
  }

  /** A route as authored, every condition in it. */
  route(routeId: string): Route {
    const route = this.routes.get(routeId);
    if (!route) throw new Error(`No route ${routeId}`);
    return route;
  }

  /** A route as a batch goes through it. */
  routeOf(batch: { routeId: string; facts?: RouteFacts }): Route {
    return resolveRoute(this.route(batch.routeId), batch.facts ?? NO_FACTS);
  }

  /** The rows put since the last call. */
  takeTouched<K extends RowKind>(kind: K): Rows[K][] {
    const ids = this.touched.get(kind) ?? [];
    this.touched.delete(kind);
    return [...ids].map((id) => this.get(kind, id));
  }

  /** The keys of the rows dropped since the last call. */
  takeDropped(kind: RowKind): string[] {
    const ids = [...(this.dropped.get(kind) ?? [])];
    this.dropped.delete(kind);
    return ids;
  }

  /** The rows of a kind by their key, those put aside among them. */
  private indexed<K extends RowKind>(kind: K): Map<string, Rows[K]> {
    const { rows, aside } = this.tables[kind];
    if (aside.length > 0) for (const row of aside.splice(0)) rows.set(keyOf[kind](row), row);
    return rows;
  }

  private marked(marks: Map<RowKind, Set<string>>, kind: RowKind): Set<string> {
    const ids = marks.get(kind) ?? new Set<string>();
    marks.set(kind, ids);
    return ids;
  }

  private keep<K extends RowKind>(kind: K, row: Rows[K]): string {
    const id = keyOf[kind](row);
    const { rows } = this.tables[kind];
    if (kind === 'piece') addTo(this.piecesOf, (row as Piece).batchId, id);
    if (kind === 'placement') {
      const was = rows.get(id) as PlacementRow | undefined;
      if (was) this.count(was, -1);
      this.count(row as PlacementRow, 1);
      addTo(this.placementsOf, (row as PlacementRow).batchId, id);
    }
    rows.set(id, row);
    return id;
  }

  private count({ carrierId, pieces }: PlacementRow, sign: 1 | -1): void {
    this.takenOn.set(carrierId, this.taken(carrierId) + sign * pieces);
  }
}

function addTo(index: Map<string, Set<string>>, key: string, id: string): void {
  const ids = index.get(key) ?? new Set<string>();
  ids.add(id);
  index.set(key, ids);
}

/** Something of its own for every kind of row. */
function byKind<T extends Record<RowKind, unknown>>(make: () => unknown): T {
  // Each kind's own type is the caller's to say: what is made is empty.
  return Object.fromEntries(Object.keys(keyOf).map((kind) => [kind, make()])) as T;
}
