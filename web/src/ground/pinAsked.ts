import { useSyncExternalStore } from 'react';

let asked: { personId: string; answer: (confirmed: boolean) => void } | null = null;
const listeners = new Set<() => void>();
const tell = () => {
  for (const listener of listeners) listener();
};

/** Asks whoever stands there for their PIN; resolves with whether it was right, false when they turned away. */
export function askPin(personId: string): Promise<boolean> {
  answerPin(false);
  return new Promise((resolve) => {
    asked = { personId, answer: resolve };
    tell();
  });
}

/** What came of asking. */
export function answerPin(confirmed: boolean): void {
  const was = asked;
  asked = null;
  was?.answer(confirmed);
  tell();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const read = () => asked?.personId ?? null;

/** Whose PIN is asked for; null while nobody's is. */
export const usePinAsked = (): string | null => useSyncExternalStore(subscribe, read, read);
