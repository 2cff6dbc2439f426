import { useSyncExternalStore } from 'react';

/** After so long without a touch nobody is taken to stand at the bench any more. */
const ALONE_AFTER_MS = 3 * 60_000;

let person: string | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

/** Says who of those let on at this tablet acts now. */
export function setBenchPerson(personId: string | null): void {
  if (personId !== person) {
    person = personId;
    for (const tell of listeners) tell();
  }
  touchBench();
}

/** Somebody is there. */
export function touchBench(): void {
  clearTimeout(timer);
  if (person !== null) timer = setTimeout(() => setBenchPerson(null), ALONE_AFTER_MS);
}

export const benchPerson = (): string | null => person;

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

export const useBenchPerson = (): string | null => useSyncExternalStore(subscribe, benchPerson, benchPerson);
