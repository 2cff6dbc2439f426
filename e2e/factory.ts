import { test as base } from '@playwright/test';

/** Which factory a file of walks goes through, and the file's name: no two files share one. */
export interface Factory {
  kind: 'demo' | 'long' | 'empty' | 'devices';
  of: string;
}

interface Opened {
  address: string;
  /** the page of the stand-in devices, where there are any */
  standIns?: string;
}

/** A walk through a factory that nobody but its own file has changed. */
export const test = base.extend<object, { factory: Factory; opened: Opened }>({
  factory: [
    { kind: 'demo', of: '' },
    { option: true, scope: 'worker' },
  ],
  opened: [
    async ({ factory }, use) => {
      const desk = process.env['FACTORIES'];
      if (desk === undefined) throw new Error('FACTORIES is not set: run the walks through npm');
      const opened = await fetch(`${desk}/${factory.kind}`, { method: 'POST' });
      const text = await opened.text();
      if (!opened.ok) throw new Error(text);
      const factoryOpened = JSON.parse(text) as Opened;
      await use(factoryOpened);
      await fetch(`${desk}/?address=${encodeURIComponent(factoryOpened.address)}`, { method: 'DELETE' });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ opened }, use) => use(opened.address),
});
