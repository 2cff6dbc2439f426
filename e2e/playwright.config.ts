import { readdirSync } from 'node:fs';
import { defineConfig } from '@playwright/test';
import type { Factory } from './factory.ts';

/** The factory that a file of walks goes through, where it is not the demo as it stands. */
const KINDS: Record<string, Factory['kind']> = { lists: 'long', empty: 'empty', devices: 'devices' };
/** Long ones first: what is left at the end is short. */
const FIRST = ['widths', 'screens', 'setup', 'wood'];
const place = (name: string) => (FIRST.includes(name) ? FIRST.indexOf(name) : FIRST.length);

const walks = readdirSync(import.meta.dirname)
  .filter((file) => file.endsWith('.spec.ts'))
  .map((file) => file.replace('.spec.ts', ''))
  .sort((a, b) => place(a) - place(b));

export default defineConfig<object, { factory: Factory }>({
  testDir: '.',
  outputDir: '../test-results/e2e',
  // Each file of walks has a factory and a clock of its own; within it one walk follows the other.
  projects: walks.map((name) => ({ name, testMatch: `${name}.spec.ts`, use: { factory: { kind: KINDS[name] ?? 'demo', of: name } } })),
  workers: 2,
  fullyParallel: false,
  retries: 0,
  // Generous, for machines that are busy with other things: a check that holds is done at once anyway.
  timeout: 240_000,
  expect: { timeout: 25_000 },
  reporter: [['list'], ['json']],
  use: {
    actionTimeout: 25_000,
    viewport: { width: 1280, height: 800 },
    // A trace takes as long as the walk: TRACE=1 records it for who looks for a fault.
    trace: process.env['TRACE'] === '1' ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
