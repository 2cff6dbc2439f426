import { decideFitting } from '../fitting/index.ts';
import { ShopState, type EntryKind, type LogbookEntry } from '../logbook/index.ts';
import { Recorder } from '../planning/index.ts';
import {
  decide,
  operationOf,
  type Batch,
  type BatchCommand,
  type Decision,
  type DecisionContext,
  type Operation,
  type Route,
} from '../routing/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';

/** A step of a test's route; work of cutting unless told otherwise. */
export const step = (id: string, component: Operation['component'], next: string[], over: Partial<Operation> = {}): Operation => ({
  id,
  name: id,
  component,
  next,
  kind: 'work',
  stage: 'machining',
  stationCode: `S-${id}`,
  skill: 'cutting',
  setupMinutes: 10,
  minutesPerPiece: 5,
  gate: [],
  ...over,
});

/** Two streams, a rest on each side of the fitting, coats, and dispatch. */
export const SHORT_ROUTE: Route = {
  id: 'short@1',
  modelId: 'short',
  version: 1,
  operations: [
    step('cut', 'body', ['rest']),
    step('rest', 'body', ['fit'], { kind: 'dwell', gate: [{ kind: 'elapsed', what: 'Rested', minimumMinutes: 48 * 60 }] }),
    step('carve', 'neck', ['fit']),
    step('fit', 'instrument', ['spray'], { kind: 'fit', stage: 'fitting' }),
    step('spray', 'instrument', ['cure'], {
      stage: 'finishing',
      coat: { materialId: 'lacquer', volumeSolids: 0.25, coats: 2, wetUm: 100, flashMinutes: 60, recoatMaxMinutes: 600 },
    }),
    step('cure', 'instrument', ['ship'], {
      kind: 'dwell',
      stage: 'finishing',
      gate: [{ kind: 'elapsed', what: 'Cured', minimumMinutes: 24 * 60 }],
    }),
    step('ship', 'instrument', [], { kind: 'dispatch', stage: 'dispatch' }),
  ],
};

export const START_MS = Date.UTC(2026, 2, 2, 8);

/** A shop with one lot and one order, whose every movement is judged and written down. */
export class TestShop {
  readonly routes = new Map([[SHORT_ROUTE.id, SHORT_ROUTE]]);
  readonly recorder = new Recorder(this.routes);
  nowMs = START_MS;
  private batches = 0;
  private serials = 0;

  constructor() {
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
        order: { id: 'O1', number: 1, modelId: 'short', quantity: 6, customer: 'Stock', dueMs: this.nowMs + 60 * DAY_MS },
      },
    );
  }

  get state(): ShopState {
    return this.recorder.state;
  }

  pass(ms = HOUR_MS): void {
    this.nowMs += ms;
  }

  start(component: 'body' | 'neck', quantity: number, volumeM3 = 0.01): string {
    const id = `B${++this.batches}`;
    this.recorder.record(
      'batch.started',
      this.nowMs,
      'ann',
      { batchId: id, lotId: 'L1' },
      {
        number: this.batches,
        modelId: 'short',
        component,
        routeId: SHORT_ROUTE.id,
        orderId: 'O1',
        lotId: 'L1',
        quantity,
        dueMs: null,
        carrier: null,
        volumeM3,
      },
    );
    return id;
  }

  batch(id: string): Batch {
    return this.state.get('batch', id);
  }

  operation(id: string): Operation {
    return operationOf(SHORT_ROUTE, this.batch(id).operationId);
  }

  /** Judges a command; what is accepted is written down. */
  command(id: string, command: BatchCommand, over: Partial<DecisionContext> = {}): Decision {
    const batch = this.batch(id);
    const coats = this.state.all('coat').filter((c) => c.visitId === batch.visitId).length;
    const decision = decide(batch, command, {
      route: SHORT_ROUTE,
      pieces: this.state.pieces(id),
      evidence: { nowMs: this.nowMs },
      holdsSkill: () => true,
      coatsLogged: coats,
      ...over,
    });
    if (decision.kind === 'accept')
      for (const entry of decision.entries) this.recorder.record(entry.kind, this.nowMs, 'ann', { batchId: id }, entry.payload);
    return decision;
  }

  /** Does the present step, every piece good unless told otherwise. */
  work(id: string, bad: { rework?: string[]; scrap?: string[] } = {}): Decision {
    this.command(id, { kind: 'start', personId: 'ann' });
    this.pass();
    const { coat } = this.operation(id);
    if (coat && this.batch(id).pass === 1) for (let n = 0; n < coat.coats; n++) this.coat(id);
    const { rework = [], scrap = [] } = bad;
    const inPass = this.state.pieces(id).filter((p) => (this.batch(id).pass === 1 ? p.state !== 'scrapped' : p.state === 'rework'));
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
    const coatId = `${this.batch(id).visitId}/${this.recorder.entries.length}`;
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
    const side = (id: string) => ({ batch: this.batch(id), pieces: this.state.pieces(id) });
    const live = (id: string) => this.state.pieces(id).filter((p) => p.state === 'good' || p.state === 'rework');
    const necks = live(neckId);
    const pairs = live(bodyId)
      .slice(0, necks.length)
      .map((body, i) => ({ bodyId: body.id, neckId: necks[i]?.id ?? null }));
    const decision = decideFitting(SHORT_ROUTE, side(bodyId), side(neckId), pairs);
    if (decision.kind === 'refuse') return decision;
    const id = `B${++this.batches}`;
    this.recorder.record(
      'instruments.fitted',
      this.nowMs,
      'ann',
      { batchId: id },
      {
        number: this.batches,
        bodyBatchId: bodyId,
        neckBatchId: neckId,
        carrier: null,
        pairs: decision.entries.map((pair) => ({ ...pair, serial: `S${++this.serials}`, clearanceMm: 0.1 })),
      },
    );
    return id;
  }

  ship(serial: string): void {
    this.recorder.record('instrument.shipped', this.nowMs, 'ann', { serial }, { consignee: 'Shop', shipper: 'Van' });
  }

  kinds(): EntryKind[] {
    return this.recorder.entries.map((e) => e.kind);
  }
}

/** Everything the state holds, for comparing. */
export function everything(state: ShopState): Record<string, unknown> {
  const kinds = [
    'lot',
    'session',
    'reading',
    'order',
    'batch',
    'piece',
    'visit',
    'run',
    'coat',
    'measure',
    'defect',
    'override',
    'instrument',
  ] as const;
  return Object.fromEntries(kinds.map((kind) => [kind, state.all(kind)]));
}

/** The entries alone, as they would come back from storage. */
export const stored = (entries: readonly LogbookEntry[]): LogbookEntry[] => JSON.parse(JSON.stringify(entries)) as LogbookEntry[];
