import { existsSync, readdirSync, statSync } from 'node:fs';
import { ROOT, run, Stop } from './run.mjs';

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path)
    .filter((name) => name !== 'dist' && name !== 'node_modules')
    .reduce((latest, name) => Math.max(latest, newest(`${path}/${name}`)), stat.mtimeMs);
}

/** Compiles core, devices and server, and the web when it is older than its sources. */
export async function build() {
  if ((await run(process.execPath, ['node_modules/typescript/bin/tsc', '-b', 'core', 'devices', 'server'])) !== 0)
    throw new Stop('The server does not compile.');
  const built = `${ROOT}/web/dist/index.html`;
  const sources = ['web/src', 'web/index.html', 'web/vite.config.ts', 'core/src', 'package-lock.json'].map((p) => newest(`${ROOT}/${p}`));
  if (existsSync(built) && statSync(built).mtimeMs > Math.max(...sources)) return;
  console.log('Building the web…');
  if (
    (await run(process.execPath, [`${ROOT}/node_modules/vite/bin/vite.js`, 'build', '--logLevel', 'warn'], {
      cwd: `${ROOT}/web`,
      // Whoever calls, even a test: what is served is the small, fast build.
      env: { ...process.env, NODE_ENV: 'production' },
    })) !== 0
  )
    throw new Stop('The web does not build.');
}
