import { build } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main, run } from './lib/run.mjs';

// Proves that the state tables follow from the logbook; with --write, writes them anew.
await main(async () => {
  await ensurePackages();
  await build();
  const { openCluster } = await import('./lib/cluster.mjs');
  const cluster = process.env.DATABASE_URL ? undefined : await openCluster();
  try {
    return await run(process.execPath, ['server/dist/rebuild.js', ...process.argv.slice(2)], {
      env: { ...process.env, ...cluster?.env() },
    });
  } finally {
    await cluster?.stop();
  }
});
