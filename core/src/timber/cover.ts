import { runsShort } from '../maths/index.ts';
import { DAY_MS } from '../units/index.ts';

/** A kind of wood: what it is and what it is for. */
export interface WoodKind {
  species: string;
  use: string;
}

/** Wood on hand or on its way to being so. */
export interface Supply {
  volumeM3: number;
  /** when it can be cut: now or earlier for released wood; null when that cannot be told */
  readyMs: number | null;
}

/** Wood that will be asked for. */
export interface Need {
  volumeM3: number;
  atMs: number;
}

export interface Cover {
  /** days until what is ready, or will be by then, runs short; null when it does not within the horizon */
  days: number | null;
  shortMs: number | null;
  /** how much is short by the end of the horizon */
  shortM3: number;
  /** when wood bought green of this kind must be here to be dry in time; in the past when it is late already, null where nothing is short or nobody knows how long it dries */
  buyByMs: number | null;
  /** the first lot to be cut is the one that has been ready longest */
  readyM3: number;
  dryingM3: number;
}

/**
 * How long wood of one kind lasts against what is asked for, with what is drying counted from the day it is ready.
 *
 * @param needs what orders ask for, and what is used beyond them, in any order
 * @param leadDays from buying to ready: delivery and drying; null where nobody knows how long it dries
 * @param horizonDays how far ahead it looks
 */
export function coverOf(
  supplies: readonly Supply[],
  needs: readonly Need[],
  nowMs: number,
  leadDays: number | null,
  horizonDays = 365,
): Cover {
  const { shortMs, lacking } = runsShort(
    supplies.flatMap((s) => (s.readyMs === null ? [] : [{ amount: s.volumeM3, atMs: Math.max(nowMs, s.readyMs) }])),
    needs.map((n) => ({ amount: n.volumeM3, atMs: Math.max(nowMs, n.atMs) })),
    nowMs + horizonDays * DAY_MS,
  );
  const sum = (of: readonly Supply[]) => of.reduce((total, s) => total + s.volumeM3, 0);
  return {
    days: shortMs === null ? null : (shortMs - nowMs) / DAY_MS,
    shortMs,
    shortM3: lacking,
    buyByMs: shortMs === null || leadDays === null ? null : shortMs - leadDays * DAY_MS,
    readyM3: sum(supplies.filter((s) => s.readyMs !== null && s.readyMs <= nowMs)),
    dryingM3: sum(supplies.filter((s) => s.readyMs === null || s.readyMs > nowMs)),
  };
}

/**
 * What a kind of wood asks of whoever buys it: nothing yet, an order within the month, or that something else is found. It
 * runs short and nobody can say when to buy where its drying time is not on record.
 */
export type BuyingCall = 'nothing yet' | 'buy this month' | 'too late to dry' | 'drying time unknown';

const MONTH_MS = 31 * DAY_MS;

/** What needs deciding this month about a kind of wood. What runs short later and can still be bought later needs nothing. */
export function buyingCall({ shortMs, buyByMs }: Pick<Cover, 'shortMs' | 'buyByMs'>, nowMs: number): BuyingCall {
  if (shortMs !== null && buyByMs === null) return 'drying time unknown';
  if (buyByMs === null || buyByMs > nowMs + MONTH_MS) return 'nothing yet';
  return buyByMs < nowMs ? 'too late to dry' : 'buy this month';
}
