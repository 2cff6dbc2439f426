import type { Measure } from '../assembly/index.ts';
import type { Coat } from '../finishing/index.ts';
import type { Instrument } from '../fitting/index.ts';
import type { Defect } from '../quality/index.ts';
import type { Batch, Override, Piece, Route, Run, Visit } from '../routing/index.ts';
import type { Lot, Reading, ReadingSession } from '../timber/index.ts';
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

/** The kinds of row that the logbook's entries make and change. */
export interface Rows {
  lot: Lot;
  session: ReadingSession;
  reading: Reading;
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
}

export type RowKind = keyof Rows;

export const keyOf: { [K in RowKind]: (row: Rows[K]) => string } = {
  lot: (r) => r.id,
  session: (r) => r.id,
  reading: (r) => r.id,
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
};

/** Where rows live while entries are applied; knows which were touched. */
export class ShopState {
  private readonly rows: { [K in RowKind]: Map<string, Rows[K]> } = {
    lot: new Map(),
    session: new Map(),
    reading: new Map(),
    order: new Map(),
    batch: new Map(),
    piece: new Map(),
    visit: new Map(),
    run: new Map(),
    coat: new Map(),
    measure: new Map(),
    defect: new Map(),
    override: new Map(),
    instrument: new Map(),
  };
  private readonly touched = new Map<RowKind, Set<string>>();
  private readonly piecesOf = new Map<string, Set<string>>();

  constructor(private readonly routes: ReadonlyMap<string, Route>) {}

  /** Takes a row in as already stored. */
  load<K extends RowKind>(kind: K, row: Rows[K]): void {
    this.rows[kind].set(keyOf[kind](row), row);
    if (kind === 'piece') this.index(row as Piece);
  }

  find<K extends RowKind>(kind: K, id: string): Rows[K] | undefined {
    return this.rows[kind].get(id);
  }

  /** @throws Error when an entry speaks of something the logbook never mentioned: it has been tampered with or cut */
  get<K extends RowKind>(kind: K, id: string | null): Rows[K] {
    const row = id === null ? undefined : this.rows[kind].get(id);
    if (!row) throw new Error(`The logbook speaks of ${kind} ${id ?? '(none)'}, which it has not introduced`);
    return row;
  }

  put<K extends RowKind>(kind: K, row: Rows[K]): void {
    const id = keyOf[kind](row);
    this.rows[kind].set(id, row);
    if (kind === 'piece') this.index(row as Piece);
    const ids = this.touched.get(kind) ?? new Set<string>();
    ids.add(id);
    this.touched.set(kind, ids);
  }

  /** Replaces some fields of a row that must exist. */
  change<K extends RowKind>(kind: K, id: string | null, fields: Partial<Rows[K]>): Rows[K] {
    const row = { ...this.get(kind, id), ...fields };
    this.put(kind, row);
    return row;
  }

  all<K extends RowKind>(kind: K): Rows[K][] {
    return [...this.rows[kind].values()];
  }

  pieces(batchId: string): Piece[] {
    return [...(this.piecesOf.get(batchId) ?? [])].map((id) => this.get('piece', id)).filter((p) => p.batchId === batchId);
  }

  route(routeId: string): Route {
    const route = this.routes.get(routeId);
    if (!route) throw new Error(`No route ${routeId}`);
    return route;
  }

  /** The rows put since the last call. */
  takeTouched<K extends RowKind>(kind: K): Rows[K][] {
    const ids = this.touched.get(kind) ?? [];
    this.touched.delete(kind);
    return [...ids].map((id) => this.get(kind, id));
  }

  private index(piece: Piece): void {
    const ids = this.piecesOf.get(piece.batchId) ?? new Set<string>();
    ids.add(piece.id);
    this.piecesOf.set(piece.batchId, ids);
  }
}
