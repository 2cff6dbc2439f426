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
import { Table } from './table.ts';

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

/**
 * Rows that a history writes by the hundred thousand and hardly looks up by their key: while it is told they are put
 * aside. A batch's present visit and run are remembered with the batch.
 */
const SELDOM_LOOKED_UP: ReadonlySet<RowKind> = new Set(['session', 'reading', 'measure', 'coat', 'visit', 'run']);

type Tables = { [K in RowKind]: Table<Rows[K]> };

/** Where rows live while entries are applied; knows which were touched. */
export class ShopState {
  private readonly tables: Tables;
  private readonly touched = new Map<RowKind, Set<string>>();
  private readonly dropped = new Map<RowKind, Set<string>>();
  private readonly piecesOf = new Map<string, Map<string, Piece>>();
  private readonly visits = new Map<string, Visit>();
  private readonly runs = new Map<string, Run>();
  private readonly placementsOf = new Map<string, Set<string>>();
  private readonly takenOn = new Map<string, number>();
  private readonly facts = new Map<string, RouteFacts>();

  /**
   * @param routes every route that the entries speak of, as authored
   * @param replaying a long logbook is told again and nobody asks which rows were touched: rows are changed where they
   *   stand, so what was read of them before an entry must not be kept beyond it
   */
  constructor(
    private readonly routes: ReadonlyMap<string, Route>,
    private readonly replaying = false,
  ) {
    this.tables = tables(replaying);
  }

  /** Takes a row in as already stored. */
  load<K extends RowKind>(kind: K, row: Rows[K]): void {
    this.keep(kind, row);
  }

  find<K extends RowKind>(kind: K, id: string): Rows[K] | undefined {
    return this.tables[kind].find(id);
  }

  /** @throws Error when an entry speaks of something the logbook never mentioned: it has been tampered with or cut */
  get<K extends RowKind>(kind: K, id: string | null): Rows[K] {
    const row = id === null ? undefined : this.tables[kind].find(id);
    if (!row) throw new Error(`The logbook speaks of ${kind} ${id ?? '(none)'}, which it has not introduced`);
    return row;
  }

  /** The visit that a batch is on. */
  visitOf(batch: Pick<Batch, 'id' | 'visitId'>): Visit {
    const visit = this.visits.get(batch.id);
    return visit?.id === batch.visitId ? visit : this.get('visit', batch.visitId);
  }

  /** The stretch of work that a batch is in. */
  runOf(batch: Pick<Batch, 'id' | 'runId'>): Run {
    const run = this.runs.get(batch.id);
    return run && run.id === batch.runId ? run : this.get('run', batch.runId);
  }

  put<K extends RowKind>(kind: K, row: Rows[K]): void {
    this.keep(kind, row);
    if (this.replaying) return;
    const id = keyOf[kind](row);
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
      const before = kind === 'piece' ? (now as Piece).batchId : undefined;
      Object.assign(now, fields);
      if (before !== (now as Piece).batchId && before !== undefined) this.keepWithBatch(now as Piece, before);
      return now;
    }
    const row = { ...now, ...fields };
    this.put(kind, row);
    return row;
  }

  /** Takes a row away: the state forgets it, the logbook does not. */
  drop(kind: RowKind, id: string): void {
    const row = this.tables[kind].find(id);
    if (!row) return;
    if (kind === 'placement') this.count(row as PlacementRow, -1);
    this.tables[kind].delete(id);
    if (this.replaying) return;
    this.touched.get(kind)?.delete(id);
    this.marked(this.dropped, kind).add(id);
  }

  all<K extends RowKind>(kind: K): Rows[K][] {
    return this.tables[kind].all();
  }

  /** The pieces in a batch, those among them that are no longer live. */
  pieces(batchId: string): Piece[] {
    return [...(this.piecesOf.get(batchId)?.values() ?? [])];
  }

  /** Where a batch sits, in the carriers' order. */
  placements(batchId: string): PlacementRow[] {
    const ids = this.placementsOf.get(batchId);
    if (!ids) return [];
    return [...ids].flatMap((id) => this.tables.placement.find(id) ?? []).sort((a, b) => (a.carrierId < b.carrierId ? -1 : 1));
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

  /** Facts that say the same are one object here, so that a route is resolved for them once. */
  sameFacts(facts: RouteFacts): RouteFacts {
    const said = JSON.stringify([facts.choices, facts.species, facts.construction]);
    const same = this.facts.get(said) ?? facts;
    this.facts.set(said, same);
    return same;
  }

  /** How often a batch has come to each step, with one more pass through one of them. */
  withPass(passes: Record<string, number>, operationId: string, pass: number): Record<string, number> {
    if (!this.replaying) return { ...passes, [operationId]: pass };
    passes[operationId] = pass;
    return passes;
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

  private marked(marks: Map<RowKind, Set<string>>, kind: RowKind): Set<string> {
    const ids = marks.get(kind) ?? new Set<string>();
    marks.set(kind, ids);
    return ids;
  }

  private keep<K extends RowKind>(kind: K, row: Rows[K]): void {
    // While a history is told again, only pieces that are new are put.
    if (kind === 'piece') this.keepWithBatch(row as Piece, this.replaying ? undefined : this.find('piece', (row as Piece).id)?.batchId);
    else if (kind === 'placement') this.keepOnCarrier(row as PlacementRow);
    else if (kind === 'visit') this.visits.set((row as Visit).batchId, row as Visit);
    else if (kind === 'run') this.runs.set((row as Run).batchId, row as Run);
    this.tables[kind].put(row);
  }

  /** @param before the batch it was in until now */
  private keepWithBatch(piece: Piece, before: string | undefined): void {
    if (before !== undefined && before !== piece.batchId) this.piecesOf.get(before)?.delete(piece.id);
    const together = this.piecesOf.get(piece.batchId);
    if (together) together.set(piece.id, piece);
    else this.piecesOf.set(piece.batchId, new Map([[piece.id, piece]]));
  }

  private keepOnCarrier(row: PlacementRow): void {
    const was = this.find('placement', row.id);
    if (was) this.count(was, -1);
    this.count(row, 1);
    const ids = this.placementsOf.get(row.batchId);
    if (ids) ids.add(row.id);
    else this.placementsOf.set(row.batchId, new Set([row.id]));
  }

  private count({ carrierId, pieces }: PlacementRow, sign: 1 | -1): void {
    this.takenOn.set(carrierId, this.taken(carrierId) + sign * pieces);
  }
}

function tables(replaying: boolean): Tables {
  const table = ([kind, key]: [string, (row: never) => string]) => [
    kind,
    new Table(key, replaying && SELDOM_LOOKED_UP.has(kind as RowKind)),
  ];
  // Each kind's own type is the caller's to say: the tables are empty.
  return Object.fromEntries(Object.entries(keyOf).map(table)) as Tables;
}
