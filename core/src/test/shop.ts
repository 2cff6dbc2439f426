import {
  Batch,
  type BatchCommand,
  contextOf,
  decide,
  type DecisionContext,
  lastOf,
  livePieces,
  type Piece,
  piecesIn,
  piecesInPass,
  type BatchEntry,
} from '../batches/index.ts';
import type { Carrier } from '../carriers/index.ts';
import { Coat, coatsOnVisit } from '../finishing/index.ts';
import { decideFitting } from '../fitting/index.ts';
import { type EntryName, type LogbookEntry, LEDGER } from '../ledger.ts';
import type { Decision, RowKind, Rows } from '../ledger/index.ts';
import { Recorder } from '../planning/index.ts';
import {
  type Component,
  type Operation,
  operationOf,
  resolveRoute,
  type Route,
  type RouteFacts,
  NO_FACTS,
  type RouteBook,
} from '../routing/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { BRACES_ROUTE, CARRIERS, SHORT_ROUTE, WIDE_ROUTE } from './routes.ts';

export const START_MS = Date.UTC(2026, 2, 2, 8);

interface StartOptions {
  volumeM3?: number;
  route?: Route;
  facts?: RouteFacts;
  setIds?: string[];
  trial?: boolean;
}

/** A shop with one lot and one order, whose every movement is judged and written down. */
export class TestShop {
  readonly recorder: Recorder;
  nowMs = START_MS;
  private serials = 0;

  constructor(
    readonly versions: ReadonlyMap<string, Route> = new Map([SHORT_ROUTE, WIDE_ROUTE, BRACES_ROUTE].map((r) => [r.id, r])),
    readonly carriers: readonly Carrier[] = CARRIERS,
  ) {
    this.recorder = new Recorder(this.versions);
    this.recorder.record(
      'lot.received',
      this.nowMs,
      'ann',
      { lotId: 'L1' },
      {
        lot: {
          id: 'L1',
          number: 1,
          species: 'mahogany',
          form: 'rough lumber',
          use: 'body',
          thicknessMm: 50,
          volumeM3: 1,
          supplier: 'Yard',
          origin: 'Here',
          permit: 'P-1',
          restricted: true,
          zoneId: 'wood',
        },
      },
    );
    this.recorder.record(
      'order.placed',
      this.nowMs,
      null,
      {},
      {
        order: { id: 'O1', number: 1, modelId: 'short', quantity: 6, choices: {}, customer: 'Stock', dueMs: this.nowMs + 60 * DAY_MS },
      },
    );
  }

  get rows(): Rows {
    return this.recorder.rows;
  }

  get routes(): RouteBook {
    return this.recorder.routes;
  }

  pass(ms = HOUR_MS): void {
    this.nowMs += ms;
  }

  start(
    component: Component,
    quantity: number,
    { volumeM3 = 0.01, route = SHORT_ROUTE, facts = NO_FACTS, ...given }: StartOptions = {},
  ): string {
    const number = this.nextBatchNumber;
    const id = `B${number}`;
    this.recorder.record(
      'batch.started',
      this.nowMs,
      'ann',
      { batchId: id, lotId: 'L1' },
      {
        number,
        modelId: route.modelId,
        component,
        routeId: route.id,
        orderId: route === SHORT_ROUTE ? 'O1' : null,
        lotId: 'L1',
        quantity,
        dueMs: null,
        volumeM3,
        facts,
        ...given,
      },
    );
    return id;
  }

  get nextBatchNumber(): number {
    return this.rows.all(Batch).length + 1;
  }

  batch(id: string): Batch {
    return this.rows.get(Batch, id);
  }

  operation(id: string): Operation {
    return operationOf(this.routes.routeOf(this.batch(id)), this.batch(id).operationId);
  }

  live(id: string): Piece[] {
    return livePieces(piecesIn(this.rows, id));
  }

  /** Judges a command; what is accepted is written down. */
  command(id: string, command: BatchCommand, over: Partial<DecisionContext> = {}): Decision<BatchEntry> {
    const batch = this.batch(id);
    const last = lastOf(this.recorder.entries.filter((e) => e.batchId === id));
    const context = contextOf(this.rows, this.routes, batch, command, {
      coatsLogged: coatsOnVisit(this.rows, batch.visitId, this.operation(id).coat?.coats ?? 0),
      evidence: { nowMs: this.nowMs },
      holdsSkill: () => true,
      missing: () => null,
      carriers: this.carriers,
      nextBatchNumber: this.nextBatchNumber,
      ...(last ? { last } : {}),
    });
    const otherVersion = [...this.versions.values()].find((r) => r.modelId === batch.modelId && r.id !== batch.routeId);
    const toRoute = otherVersion ? { toRoute: resolveRoute(otherVersion, batch.facts) } : {};
    const decision = decide(batch, command, { ...context, ...toRoute, ...over });
    if (decision.kind === 'accept')
      for (const entry of decision.entries)
        this.recorder.record(entry.kind, this.nowMs, 'ann', { batchId: entry.batchId ?? id }, entry.payload);
    return decision;
  }

  /** Does the present step, every piece good unless told otherwise. */
  work(id: string, bad: { rework?: string[]; scrap?: string[] } = {}): Decision<BatchEntry> {
    this.command(id, { kind: 'start', personId: 'ann' });
    this.pass();
    const { coat } = this.operation(id);
    if (coat && !this.batch(id).redo) for (let n = 0; n < coat.coats; n++) this.coat(id);
    const { rework = [], scrap = [] } = bad;
    const inPass = piecesInPass(this.batch(id), piecesIn(this.rows, id));
    const outcome = (outcomeKind: 'rework' | 'scrap') => (pieceId: string) => ({
      pieceId,
      outcome: outcomeKind,
      defect: 'tear-out',
      originOperationId: this.batch(id).operationId,
      note: '',
    });
    return this.command(id, {
      kind: 'finish',
      good: inPass.length - rework.length - scrap.length,
      rework: rework.length,
      scrap: scrap.length,
      outcomes: [...rework.map(outcome('rework')), ...scrap.map(outcome('scrap'))],
    });
  }

  coat(id: string): void {
    const { coat } = this.operation(id);
    if (!coat) throw new Error(`${id} is not being sprayed`);
    const { visitId } = this.batch(id);
    const coatId = `${visitId}/${this.rows.all(Coat).filter((c) => c.visitId === visitId).length + 1}`;
    this.recorder.record(
      'coat.logged',
      this.nowMs,
      'ann',
      { batchId: id },
      {
        coatId,
        operationId: this.batch(id).operationId,
        materialId: coat.materialId,
        wetUm: coat.wetUm,
        dryUm: coat.wetUm * coat.volumeSolids,
        flashMinutes: coat.flashMinutes,
        override: null,
      },
    );
    this.pass();
  }

  /** Pairs as many as there are, in order. @returns the batch of instruments, or why not */
  fit(bodyId: string, neckId: string): string | Decision<unknown> {
    const side = (id: string) => ({ batch: this.batch(id), pieces: piecesIn(this.rows, id) });
    const necks = this.live(neckId);
    const pairs = this.live(bodyId)
      .slice(0, necks.length)
      .map((body, i) => ({ bodyId: body.id, neckId: necks[i]?.id ?? null }));
    const decision = decideFitting(this.routes.routeOf(this.batch(bodyId)), side(bodyId), side(neckId), pairs);
    if (decision.kind === 'refuse') return decision;
    const number = this.nextBatchNumber;
    const id = `B${number}`;
    this.recorder.record(
      'instruments.fitted',
      this.nowMs,
      'ann',
      { batchId: id },
      {
        number,
        bodyBatchId: bodyId,
        neckBatchId: neckId,
        pairs: decision.entries.map((pair) => ({ ...pair, serial: `S${++this.serials}`, clearanceMm: 0.1 })),
      },
    );
    return id;
  }

  ship(serial: string): void {
    this.recorder.record('instrument.shipped', this.nowMs, 'ann', { serial }, { consignee: 'Shop', shipper: 'Van' });
  }

  kinds(): EntryName[] {
    return this.recorder.entries.map((e) => e.kind);
  }
}

/** Every row there is, by its kind and in the order of its keys, for comparing. */
export const everything = (rows: Rows): Record<string, object[]> =>
  Object.fromEntries(
    LEDGER.rooms.flatMap((room) =>
      room.rows.map((kind: RowKind<never>) => {
        const all = rows.all(kind).sort((a, b) => (kind.keyOf(a) < kind.keyOf(b) ? -1 : 1));
        return [kind.name, all] as [string, object[]];
      }),
    ),
  );

/** The entries alone, as they would come back from storage. */
export const stored = (entries: readonly LogbookEntry[]): LogbookEntry[] => JSON.parse(JSON.stringify(entries)) as LogbookEntry[];
