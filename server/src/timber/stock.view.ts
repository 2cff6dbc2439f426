import { COMPONENTS, LOT_STATES, LOT_USES, type Component, type LotState, type LotUse } from '@ample-crane/core';
import { Out, OutEnum, OutList, OutOrNull } from '../platform/http/fields.ts';

/** Wood from the day it comes in, not read yet, to the piece on the floor; a reserved blank is one that an order has. */
const STOCK_STATES = ['raw', 'drying', 'released', 'blank', 'reserved', 'part-made'] as const;

export class StockLineView {
  @Out() species: string;
  @Out() use: string;
  @Out() form: string;
  @OutOrNull(String) grade: string | null;
  @OutEnum(STOCK_STATES) state: (typeof STOCK_STATES)[number];
  @Out() lots: number;
  /** blanks, or pieces on the floor */
  @OutOrNull(Number) pieces: number | null;
  /** null where only pieces are counted */
  @OutOrNull(Number) leftM3: number | null;
}

export class CoverView {
  @Out() species: string;
  @Out() use: string;
  @Out() readyM3: number;
  @Out() dryingM3: number;
  /** of both, what orders keep */
  @Out() keptM3: number;
  /** blanks in stock, and how many of them are kept for an order */
  @Out() blanks: number;
  @Out() reserved: number;
  /** pieces of it under way on the floor */
  @Out() partMade: number;
  @Out() usedM3PerDay: number;
  /** days until it runs short; null when it does not within a year */
  @OutOrNull(Number) days: number | null;
  @OutOrNull(Number) shortMs: number | null;
  @Out() shortM3: number;
  /** when wood must be here to be dry in time */
  @OutOrNull(Number) buyByMs: number | null;
  /** orders that ask for it after it has run short */
  @OutList(() => String) ordersAtRisk: string[];
  /** the lot to cut first: ready longest */
  @OutOrNull(String) cutFirst: string | null;
}

export class SupplierView {
  @Out() supplier: string;
  @Out() lots: number;
  /** first session less papers, points, mean */
  @Out() wetterPct: number;
}

export class StockView {
  @OutList(() => StockLineView) lines: StockLineView[];
  @OutList(() => CoverView) cover: CoverView[];
  @OutList(() => SupplierView) suppliers: SupplierView[];
}

export class AllottedView {
  @Out() slotId: string;
  @Out() orderId: string;
  @Out() blankId: string;
  @Out() blankVersion: number;
  @Out() predictedG: number;
  @Out() inBand: boolean;
  @Out() chamberCm3: number;
  /** kept for this order already */
  @Out() reserved: boolean;
}

export class AllotmentView {
  @Out() lowG: number;
  @Out() highG: number;
  @OutList(() => AllottedView) allotted: AllottedView[];
  @Out() unmet: number;
  @OutList(() => String) left: string[];
  @Out() inBandAsTheyCome: number;
}

/** A lot that could give an order its wood. */
export class LotForOrderView {
  @Out() id: string;
  @Out() version: number;
  @OutEnum(LOT_STATES) state: LotState;
  /** not kept for others */
  @Out() freeM3: number;
  /** kept for this order */
  @Out() keptM3: number;
}

export class OrderPartWoodView {
  @OutEnum(COMPONENTS) component: Component;
  @Out() species: string;
  @OutEnum(LOT_USES) use: LotUse;
  /** another wood than the model's usual: the order has chosen it */
  @Out() chosen: boolean;
  /** for what of it nobody has begun */
  @Out() neededM3: number;
  @Out() keptM3: number;
  /** released ones first */
  @OutList(() => LotForOrderView) lots: LotForOrderView[];
}

export class OrderWoodView {
  @OutList(() => OrderPartWoodView) parts: OrderPartWoodView[];
}
