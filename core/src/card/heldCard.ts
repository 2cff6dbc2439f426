import { KitsFor, kitsServing, KitStock } from '../assembly/index.ts';
import { AtStep, Batch, heldFindings, JobsAt, leaveAsks, leaveFindings, SeenAtStep, WaitingAt } from '../batches/index.ts';
import { InRig, OnCarrier, PlacementRow, PlacesTaken, takenOn, type PiecesOf } from '../carriers/index.ts';
import { coatAsks, coatFindings } from '../finishing/index.ts';
import { LEDGER, type HouseFactory } from '../ledger.ts';
import {
  Answers,
  asked,
  judge,
  NOT_ANSWERED,
  Rows,
  type Asked,
  type CommandKind,
  type Decision,
  type Finding,
  type Giver,
  type RowKind,
  type Written,
} from '../ledger/index.ts';
import {
  AirNow,
  BoxesFor,
  CoatsOn,
  CuttersAt,
  coatsOnAll,
  NextNumber,
  OutOfBandOf,
  ProgramFor,
  Temperatures,
  UnmeasuredOf,
  type OffMeasure,
  type Unmeasured,
} from '../routing/index.ts';
import { AIR_COUNTS_MS, type AirSample, type TemperatureSample } from '../climate/index.ts';
import { rigAsks, rigsFor, type RigsFor } from '../rigs/index.ts';

/** Batches made on a card are numbered from here until the server gives them their numbers. */
const FIRST_PROVISIONAL = 900_000_001;

/** Who looks, where nobody acts. */
const NOBODY: Giver = { personId: null, role: 'operator' };

/** What a card holds of its batch, as it was told at an instant. */
export interface Held {
  atMs: number;
  batchId: string;
  /** the rows of the batch and of what belongs to it, by the names of their kinds */
  rows: Readonly<Record<string, readonly object[]>>;
  /** places taken of each carrier, this batch's own among them */
  taken: Readonly<Record<string, number>>;
  /** the air where it waits; null where nobody reads it */
  air: AirSample | null;
  /** how warm it has been there since it came */
  temperatures: readonly TemperatureSample[];
  /** stations of which it was told what goes on there */
  stationCodes: readonly string[];
  /** rigs of which it was told what is in them */
  rigIds: readonly string[];
  /** programs of which it was told how they stand, by what steps call them */
  programs: readonly string[];
  /** who waits at the stations where it may come to wait next */
  waiting: Readonly<Record<string, readonly PiecesOf[]>>;
  /** boxes that its step could draw from, the oldest first */
  boxIds: readonly string[];
}

/**
 * A batch away from the database: judged and changed by the same commands and entries, on what was told of it. What it
 * was not told it does not know, and that never passes.
 */
export class HeldCard {
  private readonly rows = new Rows();
  private readonly takenByOthers: ReadonlyMap<string, number>;
  private provisional = FIRST_PROVISIONAL;
  /** the step it was at when it was told */
  private readonly toldAt: string;

  constructor(
    private readonly held: Held,
    private readonly factory: HouseFactory,
  ) {
    const kinds = new Map(LEDGER.rooms.flatMap((room) => room.rows.map((kind) => [kind.name, kind])));
    for (const [name, rows] of Object.entries(held.rows)) {
      const kind = kinds.get(name);
      // A row stands under the name of its kind.
      if (kind) for (const row of rows) this.rows.load(kind, { ...row });
    }
    this.toldAt = this.batch.operationId;
    const own = new Map(this.rows.all(PlacementRow).map((p) => [p.carrierId, takenOn(this.rows, p.carrierId)]));
    this.takenByOthers = new Map(Object.entries(held.taken).map(([id, taken]) => [id, taken - (own.get(id) ?? 0)]));
  }

  get batch(): Batch {
    return this.rows.get(Batch, this.held.batchId);
  }

  /** All rows of a kind that it holds. */
  all<Row extends object>(kind: RowKind<Row>): Row[] {
    return this.rows.all(kind);
  }

  /** Judges a command; what is accepted has happened, as far as this card knows. */
  give<Name extends string, Request>(
    command: CommandKind<Name, Request, HouseFactory>,
    request: Request,
    { atMs, by }: { atMs: number; by: Giver },
  ): Decision<Written> {
    const sight = { rows: this.rows, factory: this.factory, nowMs: atMs, by };
    const decision = judge(command, request, sight, (ask) => this.answer(ask, atMs));
    if (decision.kind === 'accept')
      for (const { kind, payload, atMs: happenedMs = atMs, lotId = null, batchId = null, serial = null } of decision.entries)
        LEDGER.apply(
          this.rows,
          { kind, payload, atMs: happenedMs, personId: by.personId, lotId, batchId, serial, schemaVersion: LEDGER.versionOf(kind) },
          this.factory,
        );
    return decision;
  }

  /** What is before it when it is done with its step; nothing where it is not. */
  gate(nowMs: number): Finding[] {
    const { batch } = this;
    if (batch.status !== 'finished' && batch.status !== 'dwelling') return heldFindings(batch);
    const sight = { rows: this.rows, factory: this.factory, nowMs, by: NOBODY };
    const answers = this.answered(leaveAsks(new SeenAtStep(batch.id, sight)), nowMs);
    return leaveFindings(new AtStep(batch.id, { ...sight, answers }));
  }

  /** The rigs it may be pressed in, as far as it was told of them. */
  rigs(nowMs: number): RigsFor | null {
    const sight = { rows: this.rows, factory: this.factory, nowMs, by: NOBODY };
    const { id } = this.batch;
    const answers = this.answered(rigAsks(new SeenAtStep(id, sight)), nowMs);
    return rigsFor(new AtStep(id, { ...sight, answers }));
  }

  /** Whether a coat may be sprayed. */
  coatFindings(nowMs: number): Finding[] {
    const { batch } = this;
    const answers = this.answered(coatAsks(batch, this.factory), nowMs);
    return coatFindings(batch, this.factory.operationAt(batch), this.factory, nowMs, answers);
  }

  /** Coats of this pass that every piece of it has. */
  get coats(): number {
    const about = { batchId: this.held.batchId };
    const laid = this.answered([asked(CoatsOn, about)], this.held.atMs).to(CoatsOn, about);
    return laid === NOT_ANSWERED ? 0 : coatsOnAll(laid);
  }

  /** What the pass lacks of the measures its step asks for. */
  get unmeasured(): readonly Unmeasured[] {
    const about = { batchId: this.held.batchId };
    const left = this.answered([asked(UnmeasuredOf, about)], this.held.atMs).to(UnmeasuredOf, about);
    return left === NOT_ANSWERED ? [] : left;
  }

  /** Measures of the pass that lie out of band. */
  get off(): readonly OffMeasure[] {
    const about = { batchId: this.held.batchId };
    const measures = this.answered([asked(OutOfBandOf, about)], this.held.atMs).to(OutOfBandOf, about);
    return measures === NOT_ANSWERED ? [] : measures;
  }

  private answered(asks: readonly Asked[], nowMs: number): Answers {
    return asks.reduce((all, ask) => all.put(ask, this.answer(ask, nowMs)), new Answers());
  }

  /** Whether it is about a station, a rig or a program of which nothing was told. */
  private isElsewhere({ question, about }: Asked): boolean {
    if (question.name === ProgramFor.name) return !this.held.programs.includes((about as { what: string }).what);
    if (question.name === InRig.name) return !this.held.rigIds.includes((about as { rigId: string }).rigId);
    const ofStation = question.name === JobsAt.name || question.name === CuttersAt.name;
    return ofStation && !this.held.stationCodes.includes((about as { stationCode: string }).stationCode);
  }

  private answer(ask: Asked, nowMs: number): unknown {
    const { question, about } = ask;
    const answerer = LEDGER.answererOf(ask);
    // It was told how many sit on a carrier, and not who.
    if (question.name === OnCarrier.name) return NOT_ANSWERED;
    if (this.isElsewhere(ask)) return NOT_ANSWERED;
    if (answerer) {
      // What it would have to read and was never told is not known to be nothing.
      const isTold = answerer.reads(about, this.rows).every(({ kind }) => kind.name in this.held.rows);
      return isTold ? answerer.answer(about, this.rows, this.factory) : NOT_ANSWERED;
    }
    const isFresh = nowMs - this.held.atMs <= AIR_COUNTS_MS;
    switch (question.name) {
      case PlacesTaken.name:
        return (carrierId: string) => (this.takenByOthers.get(carrierId) ?? 0) + takenOn(this.rows, carrierId);
      case WaitingAt.name:
        return this.held.waiting[(about as { stationCode: string }).stationCode] ?? NOT_ANSWERED;
      case BoxesFor.name:
        // Boxes are told for the step it was at.
        return this.batch.operationId === this.toldAt ? this.held.boxIds : NOT_ANSWERED;
      case KitsFor.name:
        return KitStock.name in this.held.rows
          ? kitsServing(
              this.factory.operationAt(this.batch).needs,
              { modelId: this.batch.modelId, onRecord: this.factory.setUp.prerequisites },
              this.rows.all(KitStock),
            )
          : NOT_ANSWERED;
      case NextNumber.name:
        return this.provisional++;
      case AirNow.name:
        return this.held.air ?? NOT_ANSWERED;
      case Temperatures.name:
        return isFresh ? this.held.temperatures : NOT_ANSWERED;
      default:
        return NOT_ANSWERED;
    }
  }
}
