import { KitsFor, kitsServing, KitStock } from '../assembly/index.ts';
import { Batch, isWaiting, LatestEntry, lastOf, WaitingAt } from '../batches/index.ts';
import { PlacesTaken, takenOn, type PiecesOf } from '../carriers/index.ts';
import type { AirSample } from '../climate/index.ts';
import { SerialCount, SerialsGiven } from '../fitting/index.ts';
import { LEDGER, type HouseFactory, type LogbookEntry } from '../ledger.ts';
import { NOT_ANSWERED, type Asked, type Rows } from '../ledger/index.ts';
import { Order } from '../orders/index.ts';
import { AirNow, BoxesFor, NextNumber, Temperatures } from '../routing/index.ts';
import { Lot, ShopEmc } from '../timber/index.ts';
import { HOUR_MS } from '../units/index.ts';

/** What no row says: the air. */
export interface Surroundings {
  air(zoneId: string, atMs: number): { tempC: number; relativeHumidity: number } | null;
  /** what the shop's air has tended to lately, percent moisture */
  shopEmcPct(atMs: number): number | null;
}

/** Answers every question out of a history that is there from its first entry: in the simulation, and in tests. */
export class WholeHistory {
  constructor(
    private readonly rows: Rows,
    private readonly entries: readonly LogbookEntry[],
    private readonly factory: HouseFactory,
    private readonly around: Surroundings,
  ) {}

  answer({ question, about }: Asked, nowMs: number): unknown {
    const answerer = LEDGER.answererOf({ question, about });
    if (answerer) return answerer.answer(about, this.rows, this.factory);
    switch (question.name) {
      case PlacesTaken.name:
        return (carrierId: string) => takenOn(this.rows, carrierId);
      case WaitingAt.name:
        return this.waiting((about as AboutOf<typeof WaitingAt>).stationCode);
      case KitsFor.name:
        return this.kits((about as AboutOf<typeof KitsFor>).batchId);
      case BoxesFor.name:
        return this.boxes((about as AboutOf<typeof BoxesFor>).batchId);
      case LatestEntry.name: {
        const { batchId } = about as AboutOf<typeof LatestEntry>;
        return lastOf(this.entries.filter((e) => e.batchId === batchId)) ?? null;
      }
      case NextNumber.name:
        return 1 + this.highest((about as AboutOf<typeof NextNumber>).of);
      case SerialsGiven.name:
        return this.rows.find(SerialCount, (about as AboutOf<typeof SerialsGiven>).period)?.given ?? 0;
      case AirNow.name:
        return this.airAt((about as AboutOf<typeof AirNow>).zoneId, nowMs) ?? NOT_ANSWERED;
      case Temperatures.name:
        return this.temperatures(about as AboutOf<typeof Temperatures>);
      case ShopEmc.name:
        return this.around.shopEmcPct(nowMs) ?? NOT_ANSWERED;
      default:
        return NOT_ANSWERED;
    }
  }

  private airAt(zoneId: string, atMs: number): AirSample | undefined {
    const air = this.around.air(zoneId, atMs);
    return air ? { atMs, ...air } : undefined;
  }

  private waiting(stationCode: string): PiecesOf[] {
    const there = this.rows.all(Batch).filter((b) => b.stationCode === stationCode && isWaiting(b));
    return there.map((b) => ({ batchId: b.id, pieces: b.quantity }));
  }

  private kits(batchId: string): string[] {
    const batch = this.rows.find(Batch, batchId);
    if (!batch) return [];
    const of = { modelId: batch.modelId, onRecord: this.factory.setUp.prerequisites };
    return kitsServing(this.factory.operationAt(batch).needs, of, this.rows.all(KitStock));
  }

  private boxes(batchId: string): string[] {
    const batch = this.rows.find(Batch, batchId);
    const drawn = batch ? (this.factory.operationAt(batch).draws ?? []).map((d) => d.modelId) : [];
    return this.rows
      .all(Batch)
      .filter((b) => b.status === 'stocked' && drawn.includes(b.modelId))
      .sort((a, b) => a.arrivedMs - b.arrivedMs || a.number - b.number)
      .map((b) => b.id);
  }

  private highest(of: 'batch' | 'lot' | 'customer_order'): number {
    const kind = { batch: Batch, lot: Lot, customer_order: Order }[of];
    return this.rows.all<{ number: number }>(kind).reduce((most, { number }) => Math.max(most, number), 0);
  }

  private temperatures({ zoneId, fromMs, toMs }: AboutOf<typeof Temperatures>): { atMs: number; tempC: number }[] {
    const samples = [];
    for (let atMs = Math.ceil(fromMs / HOUR_MS) * HOUR_MS; atMs <= toMs; atMs += HOUR_MS) {
      const air = this.around.air(zoneId, atMs);
      if (air) samples.push({ atMs, tempC: air.tempC });
    }
    return samples;
  }
}

type AboutOf<Asking> = Asking extends { types?: (about: infer About) => unknown } ? About : never;
