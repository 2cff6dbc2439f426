const ROOT = 'crane/1';
const OF_DEVICE = new RegExp(`^${ROOT}/([A-Za-z0-9][A-Za-z0-9-]*)/(say|state|heard)$`);

/** What devices and the factory tell each other, by topic. */
export const topicOf = (deviceId: string, what: 'say' | 'state' | 'heard'): string => `${ROOT}/${deviceId}/${what}`;
/** What every device says, for who listens to all of them. */
export const EVERY_DEVICE = { say: `${ROOT}/+/say`, state: `${ROOT}/+/state` } as const;
/** The factory's time, for devices without a clock of their own. */
export const CLOCK_TOPIC = `${ROOT}/clock`;
/** Who may speak, from the server to the broker that ships. */
export const ADMITTED_TOPIC = `${ROOT}/admitted`;
/** Under what name the server signs in at the broker that ships. */
export const SERVER_NAME = 'server';

/** Whose topic it is, and what for; null where it is none of a device. */
export function topicIn(topic: string): { deviceId: string; what: string } | null {
  const [, deviceId, what] = OF_DEVICE.exec(topic) ?? [];
  return deviceId === undefined || what === undefined ? null : { deviceId, what };
}

/** Who may speak: a device's name, and the SHA-256 of its password. */
export interface Admitted {
  id: string;
  passwordHash: string;
}
