import { shopBand, type Band } from './drying.ts';
import type { Lot } from './lot.ts';
import type { MoistureGateSettings } from './moistureGate.ts';

/** Two schools on the band: fixed, or what the shop's own air asks for. */
export interface MoistureBandSettings {
  school: 'shop' | 'fixed';
  halfWidthPct: number;
  fixedLowPct: number;
  fixedHighPct: number;
}

export interface MoistureRules {
  gate: MoistureGateSettings;
  band: MoistureBandSettings;
}

/** Rules of their own for a use of wood, for a form of it, or for both. */
export interface MoistureException extends MoistureRules {
  use: Lot['use'] | null;
  form: string | null;
}

/**
 * The rules a lot is judged by: the factory's, unless an exception speaks of its form, its use, or best of both.
 */
export function rulesFor(
  lot: Pick<Lot, 'use' | 'form'>,
  factory: MoistureRules,
  exceptions: readonly MoistureException[],
): MoistureRules & { of: string } {
  const fits = exceptions.filter((e) => (e.use ?? lot.use) === lot.use && (e.form ?? lot.form) === lot.form);
  const rank = (e: MoistureException) => (e.form === null ? 0 : 2) + (e.use === null ? 0 : 1);
  const [best, ...others] = fits;
  if (!best) return { ...factory, of: 'the factory' };
  const exception = others.reduce((a, b) => (rank(b) > rank(a) ? b : a), best);
  return { gate: exception.gate, band: exception.band, of: [exception.form, exception.use].filter((w) => w !== null).join(' for ') };
}

/** The band in force, given what the shop's air tends to. */
export function bandOf(settings: MoistureBandSettings, shopEmcPct: number): Band {
  return settings.school === 'shop'
    ? shopBand(shopEmcPct, settings.halfWidthPct)
    : { low: settings.fixedLowPct, high: settings.fixedHighPct };
}
