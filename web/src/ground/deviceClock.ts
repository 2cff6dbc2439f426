import { useSyncExternalStore } from 'react';

/** How the device's clock stands to the server's, as the last answer told. */
interface Offsets {
  /** what to add to the device's clock for real time, ms */
  realMs: number;
  /** and for the factory's time, which the demo lets run ahead */
  factoryMs: number;
}

/** A device that is further out than this is told so; less is the ordinary drift of tablets and the way of an answer. */
const TOLD_FROM_MS = 90_000;

let offsets: Offsets | null = null;
const listeners = new Set<() => void>();

/**
 * Takes in what an answer says of the time.
 *
 * @param header "real factory", both in epoch ms, at the moment of answering
 * @param sentMs when the request was sent, by the device's clock
 * @param gotMs when its answer came
 */
export function noteTime(header: string | null, sentMs: number, gotMs: number): void {
  const [real, factory] = (header ?? '').split(' ').map(Number);
  if (!real || !factory || gotMs < sentMs) return;
  const middle = (sentMs + gotMs) / 2;
  const next = { realMs: Math.round(real - middle), factoryMs: Math.round(factory - middle) };
  const isNews = offsets === null || isOut(offsets) !== isOut(next);
  offsets = next;
  if (isNews) for (const tell of listeners) tell();
}

/** The factory's time now; undefined before the first answer of this page. */
export const factoryNow = (): number | undefined => (offsets === null ? undefined : Date.now() + offsets.factoryMs);

const isOut = ({ realMs }: Offsets) => Math.abs(realMs) >= TOLD_FROM_MS;
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const read = () => (offsets !== null && isOut(offsets) ? offsets.realMs : null);

/** By how much the device's clock is slow (or fast, below zero), ms; null while it is right enough. */
export const useClockOffset = (): number | null => useSyncExternalStore(subscribe, read, read);
