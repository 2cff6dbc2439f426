import { cureRate, equivalentTime, equivalentTimeReached, LONGEST_SILENCE_MS, type TemperatureSample } from '../climate/index.ts';
import { DAY_MS, formatDuration, MINUTE_MS, said } from '../units/index.ts';
import type { DwellLaw } from './stay.ts';

/** How far a time under pressure has come. */
export interface Pressed {
  /** of what was asked, minutes at the glue's own temperature */
  servedMinutes: number;
  neededMinutes: number;
  isOver: boolean;
  /** when it will be over, going on as warm as it was last, or was over; null while the clock stands */
  freeMs: number | null;
  /** why it stands */
  stands: 'cold' | 'silent' | null;
  /** at which temperature its minutes are told; null where the clock alone decides */
  atC: number | null;
}

/** "22 min of 45 min at 20 °C" */
export function pressedInWords({ servedMinutes, neededMinutes, atC }: Pressed): string {
  const needed = formatDuration(neededMinutes * MINUTE_MS);
  return `${formatDuration(servedMinutes * MINUTE_MS)} of ${needed}${atC === null ? '' : ` at ${said(atC, '°C')}`}`;
}

/** Rounding never keeps a clamp shut. */
const NEXT_TO_NOTHING_DAYS = 1e-9;

/**
 * How far glue has come since its clamps were closed. Time counts by how warm it was, none below its lower limit, and none
 * while the room's sensor is silent. Of several laws the one that lasts longest holds.
 *
 * @param samples how warm it has been where the rig stands, in time order
 * @returns of no law: over at once
 */
export function pressedFor(laws: readonly DwellLaw[], closedMs: number, nowMs: number, samples: readonly TemperatureSample[]): Pressed {
  const each = laws.map((law) => pressedBy(law, closedMs, nowMs, samples));
  const [first] = each;
  if (!first) return { servedMinutes: 0, neededMinutes: 0, isOver: true, freeMs: closedMs, stands: null, atC: null };
  return each.reduce((longest, one) => (lasts(one) > lasts(longest) ? one : longest), first);
}

const lasts = ({ freeMs }: Pressed) => freeMs ?? Infinity;

function pressedBy({ minutes, law }: DwellLaw, closedMs: number, nowMs: number, samples: readonly TemperatureSample[]): Pressed {
  const until = Math.max(closedMs, nowMs);
  const days = (minutes * MINUTE_MS) / DAY_MS;
  const atC = law.q10 === 1 ? null : law.referenceTempC;
  const reachedMs = equivalentTimeReached(days - NEXT_TO_NOTHING_DAYS, closedMs, until, samples, law);
  if (reachedMs !== null)
    return { servedMinutes: minutes, neededMinutes: minutes, isOver: true, freeMs: Math.round(reachedMs), stands: null, atC };
  const served = equivalentTime(closedMs, until, samples, law).days;
  const last = samples.findLast((s) => s.atMs <= until);
  const rate = last === undefined ? 0 : cureRate(last.tempC, law);
  const stands = last === undefined || until - last.atMs > LONGEST_SILENCE_MS ? 'silent' : rate === 0 ? 'cold' : null;
  const freeMs = stands === null ? Math.round(until + ((days - served) * DAY_MS) / rate) : null;
  return { servedMinutes: (served * DAY_MS) / MINUTE_MS, neededMinutes: minutes, isOver: false, freeMs, stands, atC };
}
