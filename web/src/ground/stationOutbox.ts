import { useEffect } from 'react';
import { takeChanged } from './api.ts';
import { Changes } from './changes.ts';
import { useLostConnection } from './connection.ts';
import { Outbox, sendEntry, STORED } from './outbox.ts';
import { queryClient } from './queries.ts';

const RETRY_MS = 5_000;

/** What was done at this device's stations and waits to be sent. */
export const stationOutbox = new Outbox(localStorage, sendEntry, ({ key }) => void Changes.of(queryClient).mine(takeChanged(key)));

/** Sends what waits of these people: now, when the connection comes back, and every few seconds while something waits. */
export function useSending(people: readonly string[]): void {
  const lost = useLostConnection();
  const names = people.join(' ');
  useEffect(() => {
    if (names === '') return;
    const send = () => void stationOutbox.flush(...names.split(' '));
    send();
    const timer = setInterval(() => stationOutbox.entries().some((e) => e.state === 'waiting') && send(), RETRY_MS);
    const reread = (event: StorageEvent) => event.key === STORED && stationOutbox.reread();
    window.addEventListener('online', send);
    window.addEventListener('storage', reread);
    return () => {
      clearInterval(timer);
      window.removeEventListener('storage', reread);
      window.removeEventListener('online', send);
    };
  }, [names, lost]);
}
