import { shopBand, type Band } from './drying.ts';
import type { Lot } from './lot.ts';
import type { MoistureGateSettings } from './moistureGate.ts';
import { said } from '../units/index.ts';

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

/** Which wood has rules of its own: by use, form or thickness, or any of them together. */
export interface WoodMeant {
  use: Lot['use'] | null;
  form: string | null;
  /** of this thickness or more */
  fromMm?: number | null;
}

export interface MoistureException extends MoistureRules, WoodMeant {}

/** "boards for top, from 40 mm" */
export function woodMeantInWords({ use, form, fromMm }: WoodMeant): string {
  const kind = `${form ?? 'any form'} for ${use ?? 'any use'}`;
  return fromMm == null ? kind : `${kind}, from ${said(fromMm, 'mm')}`;
}

/**
 * The rules a lot is judged by: the factory's, unless an exception speaks of its form, its use, or best of both; of two
 * that speak of the same, the one for the thicker wood.
 */
export function rulesFor(
  lot: Pick<Lot, 'use' | 'form' | 'thicknessMm'>,
  factory: MoistureRules,
  exceptions: readonly MoistureException[],
): MoistureRules & { of: string } {
  const fits = exceptions.filter(
    (e) => (e.use ?? lot.use) === lot.use && (e.form ?? lot.form) === lot.form && (e.fromMm ?? 0) <= lot.thicknessMm,
  );
  /** no lumber is a metre thick */
  const rank = (e: MoistureException) => (e.form === null ? 0 : 2000) + (e.use === null ? 0 : 1000) + (e.fromMm ?? 0);
  const [best, ...others] = fits;
  if (!best) return { ...factory, of: 'the factory' };
  const exception = others.reduce((a, b) => (rank(b) > rank(a) ? b : a), best);
  return { gate: exception.gate, band: exception.band, of: woodMeantInWords(exception) };
}

/** The band in force, given what the shop's air tends to. */
export function bandOf(settings: MoistureBandSettings, shopEmcPct: number): Band {
  return settings.school === 'shop'
    ? shopBand(shopEmcPct, settings.halfWidthPct)
    : { low: settings.fixedLowPct, high: settings.fixedHighPct };
}
