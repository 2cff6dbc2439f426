import { KINDS, MACHINE_STATES, OLDEST_MS, type DeviceKind, type MachineTold, type Quantity } from './kinds.ts';
import { inSi, unitsOf } from './units.ts';

/** What a device tells. */
export type Told =
  | { kind: 'value'; quantity: Quantity; /** mm, g or % */ value: number }
  | { kind: 'air'; tempC: number; /** fraction 0…1 */ relativeHumidity: number }
  | ({ kind: 'machine' } & MachineTold);

/** A message that can be taken. */
export interface DeviceMessage {
  id: string;
  /** when it was measured, by the factory's clock */
  atMs: number;
  /** how far the device's clock is ahead of the factory's, ms; null where it tells none */
  aheadMs: number | null;
  told: Told;
}

/** Why a message is not taken. It is answered: a device does not send it again. */
export interface RefusedMessage {
  /** null where none can be read: it cannot be answered */
  id: string | null;
  why: string;
}

export type Heard = { kind: 'message'; message: DeviceMessage } | ({ kind: 'refused' } & RefusedMessage);

const LONGEST_ID = 64;
const LONGEST_TEXT = 120;
const MOST_CUTTERS = 60;
/** The longest message that is read, bytes of UTF-8. */
export const LONGEST_MESSAGE = 4096;
/** Two figures of one clock that were taken one after the other. */
const TICK_MS = 2000;
/** How far a clock may be out that tells when it measured, and not when it sends. */
const SKEW_MS = 2 * 60_000;

/** What can be measured with a hand tool, mm, g and %: outside of it a unit is wrong, or the tool is. */
const SPANS: Readonly<Record<Quantity, readonly [number, number]>> = { length: [-50, 3000], mass: [-50, 100_000], moisture: [0, 150] };
const AIR_C = [-40, 90] as const;

class Wrong extends Error {}
type Fields = Readonly<Record<string, unknown>>;

/**
 * Reads a message of a device.
 *
 * A device's clock is believed for how long ago it measured, by when it says it sends; not for what time it is. So a message
 * that was kept through a night without network tells the right hour even where the clock stands in another year.
 *
 * @param text JSON as it came
 * @param heardMs when it came, by the factory's clock
 */
export function readMessage(kind: DeviceKind, text: string, heardMs: number): Heard {
  let id: string | null = null;
  try {
    const said = fieldsOf(parsed(text), 'The message');
    id = textIn(said, 'id', LONGEST_ID);
    const { atMs, aheadMs } = when(said, heardMs);
    return { kind: 'message', message: { id, atMs, aheadMs, told: toldBy(kind, said) } };
  } catch (error) {
    if (error instanceof Wrong) return { kind: 'refused', id, why: error.message };
    throw error;
  }
}

function parsed(text: string): unknown {
  if (text.length > LONGEST_MESSAGE) throw new Wrong(`It is longer than ${LONGEST_MESSAGE} characters`);
  try {
    return JSON.parse(text);
  } catch {
    throw new Wrong('It is no JSON');
  }
}

function when(said: Fields, heardMs: number): Pick<DeviceMessage, 'atMs' | 'aheadMs'> {
  const [at, sent] = [instantIn(said, 'at'), instantIn(said, 'sent')];
  if (sent !== null && at !== null && at > sent + TICK_MS) throw new Wrong('It says that it was measured after it was sent');
  if (sent === null && at !== null && at > heardMs + SKEW_MS) throw new Wrong('It says that it was measured in the future');
  const agoMs = at === null ? 0 : Math.max(0, (sent ?? heardMs) - at);
  if (agoMs > OLDEST_MS) throw new Wrong(`It was measured ${Math.floor(agoMs / 86_400_000)} days before it came: too late to be taken`);
  return { atMs: heardMs - agoMs, aheadMs: sent === null ? null : sent - heardMs };
}

function toldBy(kind: DeviceKind, said: Fields): Told {
  const { tells } = KINDS[kind];
  const strange = ['length', 'mass', 'moisture', 'air', 'machine'].find((word) => word !== tells && word in said);
  if (strange !== undefined) throw new Wrong(`A ${kind} tells ${tells}, not ${strange}`);
  const told = fieldsOf(said[tells], `"${tells}"`);
  switch (tells) {
    case 'air': {
      const tempC = amountIn(told, 'temperature', 'temperature');
      if (tempC < AIR_C[0] || tempC > AIR_C[1]) throw new Wrong(`Air of ${tempC.toFixed(1)} °C: is the unit right?`);
      const humidity = fieldsOf(told['humidity'], '"humidity"');
      if (humidity['unit'] !== '%') throw new Wrong(`"humidity" is told in %, not in ${shown(humidity['unit'])}`);
      const percent = figureIn(humidity, 'value', '"humidity"');
      if (percent < 0 || percent > 100) throw new Wrong(`Humidity of ${percent} %: it lies from 0 to 100`);
      return { kind: 'air', tempC, relativeHumidity: percent / 100 };
    }
    case 'machine':
      return { kind: 'machine', ...machineIn(told) };
    default: {
      const value = amount(told, tells, `"${tells}"`);
      const [low, high] = SPANS[tells];
      if (value < low || value > high) throw new Wrong(`${shown(told['value'])} ${shown(told['unit'])} is more than a ${kind} can measure`);
      return { kind: 'value', quantity: tells, value };
    }
  }
}

function machineIn(told: Fields): MachineTold {
  const state = MACHINE_STATES.find((s) => s === told['state']);
  if (!state) throw new Wrong(`"state" is one of ${MACHINE_STATES.join(', ')}, not ${shown(told['state'])}`);
  const program = told['program'] === null || told['program'] === '' ? null : textIn(told, 'program', LONGEST_TEXT);
  const parts = figureIn(told, 'parts', '"machine"');
  if (!Number.isInteger(parts) || parts < 0) throw new Wrong('"parts" is a count');
  const list = told['cutters'] ?? [];
  if (!Array.isArray(list) || list.length > MOST_CUTTERS) throw new Wrong(`"cutters" is a list of ${MOST_CUTTERS} at most`);
  const cutters = list.map((each: unknown) => {
    const one = fieldsOf(each, 'A cutter');
    const minutes = figureIn(one, 'minutes', 'A cutter');
    if (minutes < 0) throw new Wrong('A cutter cuts for no minutes below nothing');
    return { cutter: textIn(one, 'cutter', LONGEST_TEXT), minutes };
  });
  if (state === 'running' && program === null) throw new Wrong('It runs, and tells no program');
  return { state, program, parts, cutters };
}

const amountIn = (told: Fields, key: string, of: Quantity | 'temperature') => amount(fieldsOf(told[key], `"${key}"`), of, `"${key}"`);

function amount(told: Fields, of: Quantity | 'temperature', where: string): number {
  const unit = told['unit'];
  const si = typeof unit === 'string' ? inSi(figureIn(told, 'value', where), unit, of) : null;
  if (si === null) throw new Wrong(`${where} is told in ${unitsOf(of).join(', ')}; not in ${shown(unit)}`);
  return si;
}

const shown = (value: unknown): string => (value === undefined ? 'nothing' : JSON.stringify(value).slice(0, 30));

function fieldsOf(value: unknown, what: string): Fields {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) throw new Wrong(`${what} is not there, or holds no fields`);
  return value as Fields;
}

function figureIn(fields: Fields, key: string, where: string): number {
  const value = fields[key];
  if (typeof value !== 'number' || !Number.isFinite(value)) throw new Wrong(`"${key}" of ${where} is a number, not ${shown(value)}`);
  return value;
}

function textIn(fields: Fields, key: string, longest: number): string {
  const value = fields[key];
  // What cannot be printed is no name, and a database keeps neither a NUL nor half of a character.
  if (typeof value !== 'string' || !/^[^\p{Cc}\p{Cs}]+$/u.test(value) || value.length > longest)
    throw new Wrong(`"${key}" is a text of 1 to ${longest} characters`);
  return value;
}

/** ISO 8601 with a zone; null where nothing is said. */
function instantIn(fields: Fields, key: string): number | null {
  const value = fields[key];
  if (value === undefined || value === null) return null;
  const ms = typeof value === 'string' && /^\d{4}-\d\d-\d\dT[\d:.]+(Z|[+-]\d\d:\d\d)$/.test(value) ? Date.parse(value) : NaN;
  if (Number.isNaN(ms)) throw new Wrong(`"${key}" is an instant such as 2026-03-10T07:00:00Z, not ${shown(value)}`);
  return ms;
}
