import { build } from './lib/build.mjs';
import { runJest, runPlaywright, runSteps } from './lib/checks.mjs';
import { ensureChromium, ensurePostgres } from './lib/debian.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main, run } from './lib/run.mjs';
import { startServer } from './lib/server.mjs';

// Everything that must hold, on its own cluster and ports. The factory's clock stands on an ordinary Tuesday morning.
const CLOCK_AT = '2026-03-10T07:10:00Z';

await main(async () => {
  await ensurePackages();
  await ensurePostgres();
  const chromium = await ensureChromium();
  const { freePort, throwAwayCluster } = await import('./lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  let server;
  try {
    const failedSteps = await runSteps(['types', 'lint', 'layers', 'format']);
    if ((await run(process.execPath, ['scripts/openapi.mjs', '--check'])) !== 0) failedSteps.push('openapi');
    const jest = await runJest(cluster);
    await build();
    const port = await freePort();
    server = await startServer({ DATABASE_URL: cluster.url, PORT: String(port), CLOCK_AT });
    const e2e = await runPlaywright({ BASE_URL: `http://127.0.0.1:${port}`, CHROMIUM: chromium });
    const passed = jest.passed + e2e.passed;
    const failed = jest.failed + e2e.failed + failedSteps.length;
    if (failedSteps.length > 0) console.log(`\nFailed before the tests: ${failedSteps.join(', ')}`);
    console.log(`\n${passed} passed, ${failed} failed`);
    return failed > 0 || jest.code !== 0 || e2e.code !== 0 ? 1 : 0;
  } finally {
    await server?.stop();
    await cluster.stop();
  }
});
