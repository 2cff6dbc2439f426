import { ensurePackages } from './lib/install.mjs';
import { main, Stop } from './lib/run.mjs';

// Brings a backup back into an empty factory, or only tries whether it would come back: npm run restore -- folder [--check]
await main(async () => {
  const [folder, ...options] = process.argv.slice(2);
  if (!folder || options.some((o) => o !== '--check')) throw new Stop('Say which backup: npm run restore -- folder [--check]');
  await ensurePackages();
  const { restore } = await import('./lib/backup.mjs');
  const { openCluster, throwAwayCluster } = await import('./lib/cluster.mjs');
  const onlyCheck = options.length > 0;
  const outside = onlyCheck ? undefined : process.env.OWNER_DATABASE_URL || process.env.DATABASE_URL;
  const cluster = outside ? undefined : await (onlyCheck ? throwAwayCluster() : openCluster());
  try {
    const { figures, differences } = await restore(outside ?? cluster.url, folder);
    if (differences.length > 0) {
      console.log(`Not as it was backed up at ${figures.at}:\n  ${differences.join('\n  ')}`);
      return 1;
    }
    const what = onlyCheck ? 'would come back' : 'is back';
    console.log(
      `The factory as of ${figures.at} ${what}: ${Object.keys(figures.tables).length} tables, counters and rights compared, no difference.`,
    );
    return 0;
  } finally {
    await cluster?.stop();
  }
});
