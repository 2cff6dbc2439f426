import { test as base } from '@playwright/test';

/** Which factory a file of walks goes through, and the file's name: no two files share one. */
export interface Factory {
  kind: 'demo' | 'long' | 'empty';
  of: string;
}

/** A walk through a factory that nobody but its own file has changed. */
export const test = base.extend<object, { factory: Factory; address: string }>({
  factory: [
    { kind: 'demo', of: '' },
    { option: true, scope: 'worker' },
  ],
  address: [
    async ({ factory }, use) => {
      const desk = process.env['FACTORIES'];
      if (desk === undefined) throw new Error('FACTORIES is not set: run the walks through npm');
      const opened = await fetch(`${desk}/${factory.kind}`, { method: 'POST' });
      const address = await opened.text();
      if (!opened.ok) throw new Error(address);
      await use(address);
      await fetch(`${desk}/?address=${encodeURIComponent(address)}`, { method: 'DELETE' });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ address }, use) => use(address),
});
