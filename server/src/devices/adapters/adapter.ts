import type { Admitted } from '@ample-crane/core';

/** What becomes of a message: it was taken, or it is refused and need not come again. Who hears nothing sends it again. */
export type Reply = { id: string; taken: true } | { id: string; refused: string };

/** What an adapter hands on. */
export interface Hears {
  /**
   * A device says something, in the words of the factory's own protocol (docs/devices.md).
   *
   * @param reply called once what it said is kept for good; never where it is held back, or could not be kept
   */
  hear(deviceId: string, text: string, reply: (reply: Reply) => void): void;
  /** The line begins anew: who is on it is told by what comes from now on. */
  begin(): void;
  /** A device came on the line, or left it. */
  line(deviceId: string, connected: boolean): void;
}

/** How the way to the devices stands. */
export interface LineState {
  /** none: nobody said where they are to be heard */
  state: 'none' | 'on' | 'off';
  sinceMs: number;
}

/** One way by which devices are heard. A device with words of its own needs another of these, and nothing else. */
export abstract class DeviceAdapter {
  abstract start(hears: Hears): void;
  abstract stop(): Promise<void>;
  abstract readonly line: LineState;
  /** Tells who may speak, where this way has to know it. */
  abstract tellDevices(devices: readonly Admitted[]): void;
}
