import { question } from '../ledger/index.ts';
import type { KilnSchedule } from './kiln.ts';
import type { MoistureGateSettings } from './moistureGate.ts';
import type { MoistureBandSettings, MoistureException } from './moistureRules.ts';
import type { Order } from '../orders/index.ts';
import type { Species } from './species.ts';
import type { WoodNeed } from './woodNeed.ts';

/** What the wood room has decided for itself. */
export interface WoodSettings {
  moistureGate: MoistureGateSettings;
  moistureBand: MoistureBandSettings;
  moistureExceptions: readonly MoistureException[];
  kilnSchedules: readonly KilnSchedule[];
  species: readonly Species[];
}

/** What the wood room asks of the factory. */
export interface WoodFactory {
  hasZone(id: string): boolean;
  species(name: string): Species;
  /** the wood of each part that an order's instruments are begun from, as it has chosen */
  woodNeedsOf(order: Pick<Order, 'modelId' | 'choices'>, atMs: number): WoodNeed[];
  readonly setUp: { readonly settings: WoodSettings };
}

/** What the shop's air has tended to lately, percent moisture. */
export const ShopEmc = question<Record<string, never>, number>('shop emc');
/** The readings of a lot's latest session that stand, and the means of all its sessions, in time order. */
export const ReadingsOf = question<
  { lotId: string },
  { readings: readonly { correctedPct: number; depth: 'shell' | 'core' }[]; series: readonly { atMs: number; value: number }[] }
>('readings of');
