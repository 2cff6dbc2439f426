import { asked, NOT_ANSWERED, refuse, type Answers, type Asked, type Refused } from '../ledger/index.ts';
import type { Band } from './drying.ts';
import type { Lot } from './lot.ts';
import { bandOf, rulesFor } from './moistureRules.ts';
import { ShopEmc, type WoodFactory } from './woodFactory.ts';

export const OUT_OF_BAND = ['at its release', 'since its release'] as const;
/**
 * How a released lot came to lie outside the band in force: it was let go so, against its gate or on a band that has been
 * put right since; or a reading after its release found it there.
 */
export type OutOfBand = (typeof OUT_OF_BAND)[number];

/** What a meter tells apart, in points: a mean so close to an edge lies on it. */
const TELLING_PCT = 0.1;

type Released = Pick<Lot, 'id' | 'use' | 'form' | 'thicknessMm' | 'state' | 'meanPct' | 'lastReadMs' | 'releasedMs'>;

/** Whether a released lot's latest mean lies outside a band, and since when; null where it does not, or nobody read it. */
export function outOfBand({ state, meanPct, lastReadMs, releasedMs }: Released, { low, high }: Band): OutOfBand | null {
  if (state !== 'released' || meanPct === null || (meanPct > low - TELLING_PCT && meanPct < high + TELLING_PCT)) return null;
  return (lastReadMs ?? 0) > (releasedMs ?? 0) ? 'since its release' : 'at its release';
}

/** The band a lot is judged by. */
export function bandFor(lot: Pick<Lot, 'use' | 'form' | 'thicknessMm'>, { setUp: { settings } }: WoodFactory, shopEmcPct: number): Band {
  const { moistureGate: gate, moistureBand: band, moistureExceptions } = settings;
  return bandOf(rulesFor(lot, { gate, band }, moistureExceptions).band, shopEmcPct);
}

/** What must be known before wood is cut. */
export const cuttingAsks: readonly Asked[] = [asked(ShopEmc, {})];

/** What speaks against cutting a released lot: it was read out of band after it was let go. */
export function wentOutObjection(lot: Released, factory: WoodFactory, answers: Answers): Refused | undefined {
  const shopEmcPct = answers.to(ShopEmc, {});
  if (shopEmcPct === NOT_ANSWERED) return refuse('Nobody could say how moist the shop is');
  const band = bandFor(lot, factory, shopEmcPct);
  if (outOfBand(lot, band) !== 'since its release') return undefined;
  return refuse(
    `Lot ${lot.id} was read at ${(lot.meanPct ?? 0).toFixed(1)} % since its release; its band is ${band.low.toFixed(1)} to ${band.high.toFixed(1)} %`,
    { field: 'lotId', rule: 'moisture', remedy: 'Read it again when it has settled, or release it again with a reason' },
  );
}
