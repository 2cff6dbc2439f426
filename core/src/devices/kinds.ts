import { DAY_MS, MINUTE_MS } from '../units/index.ts';

/** What a value that a device sends is a value of. */
export const QUANTITIES = ['length', 'mass', 'moisture'] as const;
export type Quantity = (typeof QUANTITIES)[number];

export const DEVICE_KINDS = ['caliper', 'scale', 'moisture meter', 'climate sensor', 'machine controller'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

interface KindOfDevice {
  /** what it tells, under this word in its messages */
  tells: Quantity | 'air' | 'machine';
  /** where it belongs: at a station, on one of its machines, or in a zone */
  place: 'station' | 'machine' | 'zone';
  /** after how long without a word it is silent, ms; null where it speaks only when its button is pressed */
  silentAfterMs: number | null;
}

/** What a factory expects of each kind of device. */
export const KINDS: Readonly<Record<DeviceKind, KindOfDevice>> = {
  caliper: { tells: 'length', place: 'station', silentAfterMs: null },
  scale: { tells: 'mass', place: 'station', silentAfterMs: null },
  'moisture meter': { tells: 'moisture', place: 'zone', silentAfterMs: null },
  'climate sensor': { tells: 'air', place: 'zone', silentAfterMs: 90 * MINUTE_MS },
  'machine controller': { tells: 'machine', place: 'machine', silentAfterMs: 5 * MINUTE_MS },
};

/** A message that was measured longer ago than this is refused; what has been heard is known for longer, so none counts twice. */
export const OLDEST_MS = 7 * DAY_MS;
export const KNOWN_MS = OLDEST_MS + DAY_MS;
/** For so long a value may still be meant for the field that waits now. */
export const FOR_A_FIELD_MS = 2 * MINUTE_MS;
/** From so far on a device's clock is told to be out, either way. */
export const CLOCK_OUT_MS = 2 * MINUTE_MS;

export const MACHINE_STATES = ['idle', 'running', 'held', 'fault'] as const;
/** idle: nothing runs · running: a program runs · held: somebody pressed feed hold · fault: it has stopped by itself */
export type MachineState = (typeof MACHINE_STATES)[number];

/** What a machine's controller tells of it. */
export interface MachineTold {
  state: MachineState;
  /** the program that is loaded, as the machine calls it; null where none is */
  program: string | null;
  /** parts of this program since it was loaded */
  parts: number;
  /** minutes that each cutter has cut since it was put on */
  cutters: readonly { cutter: string; minutes: number }[];
}
