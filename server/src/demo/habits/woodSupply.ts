import {
  type BlankSize,
  boardVolumeM3,
  CutBoards,
  type CuttingPlan,
  DEFAULT_CUTTING,
  type Depth,
  dryThrough,
  emcOfAirPct,
  HOUR_MS,
  Lot,
  MeasureBoards,
  type MeasureBoardsRequest,
  MoveLot,
  planCutting,
  priorDryingRatePerDay,
  type Random,
  readingsNeeded,
  ReadLot,
  ReceiveLot,
  type Recorder,
  ReleaseLot,
  StockBoard,
  WeighBlanks,
  type WoodNeed,
} from '@ample-crane/core';
import type { Mover } from './mover.ts';
import type { Scenario } from './scenario.ts';

interface DryingLot {
  id: string;
  truePct: number;
  atMs: number;
  ratePerDay: number;
  zoneId: string;
}

const READING_NOISE_PCT = 0.2;

/** Lots arriving, drying in the climate of their zone, being read and released. */
export class WoodSupply {
  private readonly lots = new Map<string, DryingLot>();
  private number = 100;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    private readonly random: Random,
  ) {}

  private hourlyEmc(zoneId: string, fromMs: number, toMs: number): number[] {
    const values: number[] = [];
    for (let t = fromMs; t < toMs; t += HOUR_MS) {
      const air = this.scenario.climate(zoneId, t);
      values.push(emcOfAirPct(air));
    }
    return values;
  }

  /** The kind of wood with the least cover: what is in stock against how fast it is used. */
  private scarcest(): WoodNeed {
    const kinds = new Map<string, { need: WoodNeed; perSetM3: number }>();
    for (const model of this.scenario.models)
      for (const need of Object.values(model.wood)) {
        const key = `${need.species} ${need.use}`;
        const known = kinds.get(key);
        kinds.set(key, {
          // A lot is bought for the largest of what is cut from it.
          need: known && known.need.volumeM3 > need.volumeM3 ? known.need : need,
          perSetM3: (known?.perSetM3 ?? 0) + need.volumeM3 * Math.max(1, model.weight),
        });
      }
    const cover = ({ need, perSetM3 }: { need: WoodNeed; perSetM3: number }) => {
      const stockM3 = this.recorder.rows
        .all(Lot)
        .filter((l) => l.species === need.species && l.use === need.use)
        .reduce((sum, l) => sum + l.leftM3, 0);
      return stockM3 / perSetM3;
    };
    const [first, ...others] = [...kinds.values()];
    if (!first) throw new RangeError('No model needs wood');
    return others.reduce((least, entry) => (cover(entry) < cover(least) ? entry : least), first).need;
  }

  /** A lot comes in. @returns its id */
  receive(atMs: number, inShed: boolean): string {
    const { suppliers, people, woodRoomZoneId, shedZoneId } = this.scenario;
    const need = this.scarcest();
    const supplier = this.random.pick(
      suppliers.flatMap(({ name, arrivesAtPct, papersPct, sells }) => {
        const origin = sells[need.species];
        return origin === undefined ? [] : [{ name, arrivesAtPct, papersPct, origin }];
      }),
    );
    const species = this.mover.factory.species(need.species);
    const { restricted } = species;
    const zoneId = inShed ? shedZoneId : woodRoomZoneId;
    const by = this.random.pick(people).id;
    const request = {
      species: need.species,
      form: need.use === 'body' ? 'rough lumber' : need.use === 'neck' ? 'neck blanks' : 'boards',
      use: need.use,
      thicknessMm: need.thicknessMm,
      volumeM3: Math.round(need.volumeM3 * this.random.integer(24, 44) * 1000) / 1000,
      supplier: supplier.name,
      origin: supplier.origin,
      permit: restricted ? `P-${this.random.integer(10000, 99999)}` : null,
      restricted,
      zoneId,
      papersPct: Math.round(this.random.normal(supplier.papersPct, 0.3) * 2) / 2,
      grade: this.random.weighted(['A', 'B', 'C'], (grade) => ({ A: 3, B: 5, C: 2 })[grade] ?? 0),
      place: `Bay ${(++this.number % 6) + 1}`,
    } as const;
    const id = this.mover.give(ReceiveLot, request, atMs, by).entries[0]?.lotId ?? '';
    const { kiln } = this.scenario;
    const inKiln = kiln !== null && !inShed && this.number % KILN_EVERY === 0;
    if (inKiln) this.mover.give(MoveLot, { lotId: id, ...kiln, place: null }, atMs, null);
    this.lots.set(id, {
      id,
      truePct: this.random.normal(supplier.arrivesAtPct, 0.8),
      atMs,
      ratePerDay: known(priorDryingRatePerDay(species, need.thicknessMm), species.name) * Math.exp(this.random.normal(0, 0.15)),
      zoneId: inKiln ? kiln.zoneId : zoneId,
    });
    return id;
  }

  /** Someone reads the lot; if the gate passes, it is released. @returns whether it needs reading again */
  read(id: string, atMs: number): boolean {
    const lot = this.lots.get(id);
    if (!lot) return false;
    const emc = this.hourlyEmc(lot.zoneId, lot.atMs, atMs);
    lot.truePct = dryThrough(lot.truePct, lot.ratePerDay, emc);
    lot.atMs = atMs;
    const gradient = 0.25 * (lot.truePct - (emc.at(-1) ?? lot.truePct));
    const woodTempC = Math.round(this.scenario.climate(lot.zoneId, atMs).tempC * 2) / 2;
    const { volumeM3 } = this.recorder.rows.get(Lot, id);
    const shell = readingsNeeded(this.scenario.moistureGate, volumeM3);
    const said = Array.from({ length: shell + 1 }, (_, i) => {
      const depth: Depth = i < shell ? 'shell' : 'core';
      const truePct = lot.truePct + (depth === 'core' ? gradient : 0) + this.random.normal(0, READING_NOISE_PCT);
      return `${depth === 'core' ? 'c' : ''}${(Math.round(rawFor(truePct, woodTempC) * 10) / 10).toFixed(1)}`;
    });
    const grader = this.random.pick(this.scenario.people.filter((p) => p.skills.some((s) => s.skill === 'wood grading'))).id;
    this.mover.give(ReadLot, { lotId: id, text: said.join(' '), woodTempC, meter: 'pin' }, atMs, grader);
    // From some day on it waits for the manager, and is read on meanwhile.
    return atMs >= this.scenario.releasesUntilMs || !this.mover.tryTo(ReleaseLot, { lotId: id }, atMs, grader);
  }

  /** The oldest released lot with wood for a batch. */
  lotFor(need: WoodNeed, quantity: number): { id: string; restIsOffcut: boolean } | undefined {
    const wanted = Math.round(need.volumeM3 * quantity * 1e6) / 1e6;
    const [lot] = this.lotsOf(need, wanted);
    if (!lot) return undefined;
    // What is too little for another batch is offcut.
    return { id: lot.id, restIsOffcut: lot.leftM3 - wanted < wanted / 2 };
  }

  private lotsOf(need: WoodNeed, wantedM3: number): Lot[] {
    return this.recorder.rows
      .all(Lot)
      .filter((l) => l.state === 'released' && l.species === need.species && l.use === need.use && l.leftM3 >= wantedM3);
  }

  /** Blanks for a batch, cut from measured boards by plan; nothing where boards are not measured or do not suffice. */
  blanksFor(
    need: WoodNeed,
    modelId: string,
    component: string,
    quantity: number,
    atMs: number,
  ): { lotId: string; ids: string[] } | undefined {
    const { blank } = need;
    if (!blank || atMs < this.scenario.boardsFromMs) return undefined;
    for (const lot of this.lotsOf(need, need.volumeM3 * quantity)) {
      const boards = this.boardsOf(lot, blank, atMs);
      const wanted = { id: component, ...blank, count: quantity + SPARE_BLANKS, value: 1, anyGrain: false };
      const plan = planCutting(boards.slice(0, BOARDS_PLANNED), [wanted], DEFAULT_CUTTING, { work: 0 });
      if ((plan.got.get(component) ?? 0) >= quantity)
        return { lotId: lot.id, ids: this.cut(lot, plan, need, modelId, component, atMs).slice(0, quantity) };
    }
    return undefined;
  }

  /** The whole boards of a lot, measured now if nobody did before. */
  private boardsOf(lot: Lot, blank: BlankSize, atMs: number): StockBoard[] {
    const known = this.recorder.rows.all(StockBoard).filter((b) => b.lotId === lot.id);
    if (known.length > 0) return known.filter((b) => b.state === 'whole');
    const { random } = this;
    const boards: MeasureBoardsRequest['boards'][number][] = [];
    for (let leftM3 = lot.leftM3, ordinal = 1; ; ordinal++) {
      // The yard picks boards that suit the part: so many blanks long and wide, and a little over.
      const lengthMm = blank.lengthMm * random.integer(1, 3) + random.integer(75, 190);
      const widthMm = blank.widthMm * random.integer(1, 2) + random.integer(22, 60);
      const board = {
        lengthMm,
        widthMm,
        widthEndMm: widthMm + random.integer(-12, 12),
        thicknessMm: lot.thicknessMm + random.integer(3, 6),
        faults: Array.from({ length: random.weighted([0, 1, 2], (n) => 3 - n) }, () => ({
          xMm: random.integer(0, lengthMm - 120),
          yMm: random.integer(0, widthMm - 60),
          lengthMm: random.integer(20, 110),
          widthMm: random.integer(12, 55),
        })),
      };
      leftM3 -= boardVolumeM3(board);
      if (leftM3 < 0 || ordinal > BOARDS_MEASURED) break;
      boards.push(board);
    }
    if (boards.length > 0) this.mover.give(MeasureBoards, { lotId: lot.id, boards }, atMs, null);
    return this.recorder.rows.all(StockBoard).filter((b) => b.lotId === lot.id);
  }

  /** Boards become blanks, which are weighed. @returns their ids */
  private cut(lot: Lot, plan: CuttingPlan, need: WoodNeed, modelId: string, component: string, atMs: number): string[] {
    const wanted = [{ id: component, modelId, component, thicknessMm: need.blank?.thicknessMm ?? need.thicknessMm }];
    const { entries } = this.mover.give(CutBoards, { boards: plan.boards, wanted }, atMs, null);
    const { blanks } = entries[0]?.payload as { blanks: { id: string; lengthMm: number; widthMm: number; thicknessMm: number }[] };
    const moisturePct = Math.round((lot.meanPct ?? 8.5) * 10) / 10;
    const weighed = blanks.map(({ id, lengthMm, widthMm, thicknessMm }) => ({
      id,
      massG: Math.round(
        ((lengthMm * widthMm * thicknessMm) / 1000) *
          known(this.mover.factory.species(need.species).densityGPerCm3, need.species) *
          Math.exp(this.random.normal(0, 0.07)),
      ),
      moisturePct,
    }));
    this.mover.give(WeighBlanks, { blanks: weighed }, atMs, null);
    return blanks.map((b) => b.id);
  }
}

/** Of the lots, those that go through the cabinet. */
const KILN_EVERY = 12;
const SPARE_BLANKS = 2;
const BOARDS_PLANNED = 14;
const BOARDS_MEASURED = 40;

/** What a pin meter shows for a true moisture: the inverse of the correction. */
function rawFor(truePct: number, woodTempC: number): number {
  const x = woodTempC + 2.8;
  return Math.max(2, truePct * 0.881 * 1.0056 ** x - 0.567 + 0.026 * x - 0.000051 * x * x);
}

/** The demo builds of woods whose figures are on record. @throws Error for others */
function known(figure: number | null, species: string): number {
  if (figure === null) throw new Error(`Too little is known of ${species} to make a lot of it`);
  return figure;
}
