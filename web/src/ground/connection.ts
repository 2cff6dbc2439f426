import { useSyncExternalStore } from 'react';

/** Since when the server has not been heard; null while it is. */
let lostAtMs: number | null = null;
const listeners = new Set<() => void>();

export function setConnected(connected: boolean): void {
  const next = connected ? null : (lostAtMs ?? Date.now());
  if (next === lostAtMs) return;
  lostAtMs = next;
  for (const tell of listeners) tell();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

const read = () => lostAtMs;

/** When the connection was lost, by this device's clock; null while there is one. */
export const useLostConnection = (): number | null => useSyncExternalStore(subscribe, read, read);
