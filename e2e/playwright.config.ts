import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results/e2e',
  // One factory with one clock: tests that let time pass must not run beside others.
  workers: 1,
  fullyParallel: false,
  retries: 0,
  // Generous, for machines that are busy with other things: a check that holds is done at once anyway.
  timeout: 240_000,
  expect: { timeout: 25_000 },
  reporter: [['list'], ['json']],
  use: {
    baseURL: process.env['BASE_URL'] ?? 'http://127.0.0.1:3000',
    actionTimeout: 25_000,
    viewport: { width: 1280, height: 800 },
    trace: 'retain-on-failure',
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
