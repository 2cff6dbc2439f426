import { runJest, runSteps } from './lib/checks.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main } from './lib/run.mjs';

// The quick loop: types, lint, layers, format, unit tests. Arguments go to Jest.
await main(async () => {
  await ensurePackages();
  const { throwAwayCluster } = await import('./lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  try {
    const failed = await runSteps(['lint', 'types', 'format', 'layers']);
    const jest = await runJest(cluster, process.argv.slice(2));
    console.log(`\n${jest.passed} passed, ${jest.failed + failed.length} failed`);
    return failed.length > 0 || jest.code !== 0 ? 1 : 0;
  } finally {
    await cluster.stop();
  }
});
