import { spawn } from 'node:child_process';
import { build } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { main, ROOT } from './lib/run.mjs';
import { prepareDatabase } from './lib/server.mjs';

// Compiler, server and web server, each watching; the factory's own cluster.
await main(async () => {
  await ensurePackages();
  await build();
  const { openCluster } = await import('./lib/cluster.mjs');
  const cluster = process.env.DATABASE_URL ? undefined : await openCluster();
  const env = { ...process.env, ...cluster?.env(), PORT: process.env.PORT ?? '3000' };
  await prepareDatabase(env);
  const start = (args, options) => spawn(process.execPath, args, { cwd: ROOT, stdio: 'inherit', env, ...options });
  const children = [
    start(['node_modules/typescript/bin/tsc', '-b', '-w', '--preserveWatchOutput', 'core', 'devices', 'server']),
    start(['--watch', 'server/dist/main.js']),
    start([`${ROOT}/node_modules/vite/bin/vite.js`], {
      cwd: `${ROOT}/web`,
      env: { ...env, API_URL: `http://127.0.0.1:${env.PORT}` },
    }),
  ];
  await new Promise((resolve) => {
    process.on('SIGINT', resolve);
    process.on('SIGTERM', resolve);
  });
  for (const child of children) child.kill('SIGTERM');
  await cluster?.stop();
});
