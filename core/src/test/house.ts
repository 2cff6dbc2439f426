import {
  Batch,
  batchCommand,
  livePieces,
  piecesIn,
  piecesInPass,
  type BatchCommand,
  type Piece,
  type WorkClass,
} from '../batches/index.ts';
import type { Carrier } from '../carriers/index.ts';
import { ShipInstrument } from '../dispatch/index.ts';
import type { SetUp } from '../factory/index.ts';
import { LogCoat } from '../finishing/index.ts';
import { FitInstruments } from '../fitting/index.ts';
import { LEDGER, type EntryName, type HouseFactory, type LogbookEntry } from '../ledger.ts';
import {
  Answers,
  asked,
  isNothing,
  judge,
  refuse,
  type AnyCommandKind,
  type Decision,
  type Question,
  type RowKind,
  type Rows,
  type Written,
} from '../ledger/index.ts';
import { programIdOf } from '../machining/index.ts';
import { Recorder, WholeHistory } from '../simulation/index.ts';
import {
  NO_FACTS,
  operationOf,
  programsIn,
  type Component,
  type Operation,
  type Route,
  type RouteBook,
  type RouteFacts,
} from '../routing/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { testFactory } from './factory.ts';
import { BRACES_ROUTE, CARRIERS, SHORT_ROUTE, WIDE_ROUTE } from './routes.ts';
import { filledIn } from './parts.ts';
import { START_MS } from './start.ts';

export { START_MS };

const RELEASED = {
  name: 'A',
  why: 'The first',
  file: '',
  fixture: '',
  piecesALoad: 2,
  cutters: [{ cutter: '6 mm', minutes: 3 }],
  planned: { setUp: 10, load: 2, run: 9, unload: 1 },
};

interface StartOptions {
  volumeM3?: number;
  route?: Route;
  facts?: RouteFacts;
  setIds?: string[];
  workClass?: WorkClass;
}

/** A house with one lot and one order, whose every act is judged and written down. */
export class TestHouse {
  readonly recorder: Recorder;
  nowMs = START_MS;
  readonly factory: HouseFactory;
  private readonly history: WholeHistory;

  constructor(
    readonly versions: ReadonlyMap<string, Route> = new Map([SHORT_ROUTE, WIDE_ROUTE, BRACES_ROUTE].map((r) => [r.id, r])),
    readonly carriers: readonly Carrier[] = CARRIERS,
    over: Partial<SetUp> = {},
  ) {
    this.recorder = new Recorder(this.versions);
    this.factory = testFactory(this.versions, carriers, over);
    this.history = new WholeHistory(this.rows, this.recorder.entries, this.factory, {
      air: () => ({ tempC: 21, relativeHumidity: 0.5 }),
      shopEmcPct: () => 8.5,
    });
    this.releasePrograms();
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

  /** Every program that a route names is there, released. */
  private releasePrograms(): void {
    const named = [...this.versions.values()].flatMap(({ modelId, operations }) =>
      operations.flatMap(({ needs }) => programsIn(needs).map(({ what }) => ({ modelId, what }))),
    );
    for (const [id, { modelId, what }] of new Map(named.map((n) => [programIdOf({ ...n, serves: [] }), n]))) {
      const told = { programId: id, what, revision: 'A' };
      const write = (kind: EntryName, payload: object) => {
        this.recorder.write({ kind, payload }, this.nowMs, 'ann');
      };
      write('program.asked', { id, modelId, what, side: '', serves: [], ownerId: 'ann', note: '' });
      write('revision.drawn', { ...told, revision: RELEASED });
      write('revision.moved', { ...told, to: 'checked', note: '' });
      write('revision.proven', { ...told, proof: { piece: 'first', measures: [], note: 'clean' } });
      write('revision.moved', { ...told, to: 'released', note: '' });
    }
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

  /** Judges a command on a batch; what is accepted is written down. */
  command(id: string, { command, ...said }: BatchCommand): Decision<Written> {
    return this.give(batchCommand(command), { batchId: id, ...said });
  }

  /** Judges any command as the application would; what is accepted is written down. */
  give(command: AnyCommandKind<HouseFactory>, request: unknown): Decision<Written> {
    if (!isThere(command, request, this.rows)) return refuse('Something it is about does not exist');
    const sight = { rows: this.rows, factory: this.factory, nowMs: this.nowMs, by: { personId: 'ann', role: 'admin' as const } };
    const decision = judge(command, request, sight, (ask) => this.history.answer(ask, this.nowMs));
    if (decision.kind === 'accept') for (const entry of decision.entries) this.recorder.write(entry, this.nowMs, 'ann');
    return decision;
  }

  /** What is answered to a question now. */
  answer<About, Answer>(question: Question<About, Answer>, about: About): Answer {
    return this.history.answer(asked(question, about), this.nowMs) as Answer;
  }

  /** Does the present step, every piece good unless told otherwise. */
  work(id: string, bad: { rework?: string[]; scrap?: string[] } = {}): Decision<Written> {
    this.command(id, { command: 'start work', personId: 'ann' });
    this.pass();
    const { coat, sheet } = this.operation(id);
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
      command: 'finish work',
      good: inPass.length - rework.length - scrap.length,
      rework: rework.length,
      scrap: scrap.length,
      outcomes: [...rework.map(outcome('rework')), ...scrap.map(outcome('scrap'))],
      ...(sheet ? { sheet: filledIn(sheet) } : {}),
    });
  }

  coat(id: string): Decision<Written> {
    const { coat } = this.operation(id);
    const decision = this.give(LogCoat, { batchId: id, wetUm: coat?.wetUm ?? 0, overrideReason: 'Told to' });
    this.pass();
    return decision;
  }

  /** Pairs as many as there are, in order. @returns the batch of instruments, or why not */
  fit(bodyId: string, neckId: string): string | Decision<Written> {
    const necks = this.live(neckId);
    const pairs = this.live(bodyId)
      .slice(0, necks.length)
      .map((body, i) => ({ bodyId: body.id, neckId: necks[i]?.id ?? null }));
    const decision = this.give(FitInstruments, { bodyBatchId: bodyId, neckBatchId: neckId, pairs });
    return decision.kind === 'refuse' ? decision : (decision.entries[0]?.batchId ?? '');
  }

  ship(serial: string): Decision<Written> {
    return this.give(ShipInstrument, { serial, consignee: 'Shop', shipper: 'Van' });
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
        const all = rows
          .all(kind)
          .filter((row) => !isNothing(kind, row))
          .sort((a, b) => (kind.keyOf(a) < kind.keyOf(b) ? -1 : 1));
        return [kind.name, all] as [string, object[]];
      }),
    ),
  );

/** The entries alone, as they would come back from storage. */
export const stored = (entries: readonly LogbookEntry[]): LogbookEntry[] => JSON.parse(JSON.stringify(entries)) as LogbookEntry[];

/** Whether everything a command is about is there. */
const isThere = <Factory>(command: AnyCommandKind<Factory>, request: unknown, rows: Rows): boolean =>
  command.concerns(request, new Answers()).about.every(({ kind, values }) => values.every((key) => rows.find(kind, key) !== undefined));
