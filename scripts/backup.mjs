import { ensurePackages } from './lib/install.mjs';
import { main } from './lib/run.mjs';

// Backs the factory up, also while it runs: npm run backup [folder]
await main(async () => {
  await ensurePackages();
  const { backUp } = await import('./lib/backup.mjs');
  const { reachCluster } = await import('./lib/cluster.mjs');
  const outside = process.env.OWNER_DATABASE_URL || process.env.DATABASE_URL;
  const cluster = outside ? undefined : await reachCluster();
  try {
    const stamp = new Date().toISOString().replace(/[:T]/g, '-').slice(0, 19);
    const folder = process.argv[2] ?? `backup-${stamp}`;
    const { tables, seal } = await backUp(outside ?? cluster.url, folder);
    const rows = Object.entries(tables).reduce((sum, [name, t]) => sum + (name.includes(' ') ? 0 : Number(t.rows)), 0);
    console.log(`${folder}: ${rows} rows${seal ? `, sealed up to block ${seal.number} (${seal.hash.slice(0, 16)}…)` : ''}.`);
    console.log('It holds every name, reading and password hash: keep it as safe as the factory itself.');
    return 0;
  } finally {
    await cluster?.stop();
  }
});
