import { build } from './lib/build.mjs';
import { runJest, runPlaywright, runSteps } from './lib/checks.mjs';
import { ensureChromium, ensurePostgres } from './lib/debian.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main, run } from './lib/run.mjs';

// Everything that must hold, on its own cluster and ports.
await main(async () => {
  await ensurePackages();
  await ensurePostgres();
  const chromium = await ensureChromium();
  const { throwAwayCluster } = await import('./lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  try {
    const failedSteps = await runSteps(['lint', 'types', 'format', 'layers']);
    if ((await run(process.execPath, ['scripts/openapi.mjs', '--check'])) !== 0) failedSteps.push('openapi');
    await build();
    const jest = await runJest(cluster);
    const e2e = await runPlaywright(cluster, chromium);
    const passed = jest.passed + e2e.passed;
    const failed = jest.failed + e2e.failed + failedSteps.length;
    if (failedSteps.length > 0) console.log(`\nFailed before the tests: ${failedSteps.join(', ')}`);
    console.log(`\n${passed} passed, ${failed} failed`);
    return failed > 0 || jest.code !== 0 || e2e.code !== 0 ? 1 : 0;
  } finally {
    await cluster.stop();
  }
});
