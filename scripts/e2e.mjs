import { runPlaywright } from './lib/checks.mjs';
import { ensureChromium } from './lib/debian.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main } from './lib/run.mjs';

// The tests through the real pages alone. Arguments go to Playwright: npm run e2e -- line
await main(async () => {
  await ensurePackages();
  const { throwAwayCluster } = await import('./lib/cluster.mjs');
  const cluster = await throwAwayCluster();
  try {
    return (await runPlaywright(cluster, await ensureChromium(), process.argv.slice(2))).code;
  } finally {
    await cluster.stop();
  }
});
