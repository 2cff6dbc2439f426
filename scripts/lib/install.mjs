import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { ROOT, run, Stop } from './run.mjs';

const MARK = `${ROOT}/node_modules/.installed-lock`;

/** Installs the packages when they are missing or the lock file has changed since. */
export async function ensurePackages() {
  const hash = createHash('sha256')
    .update(readFileSync(`${ROOT}/package-lock.json`))
    .digest('hex');
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === hash) return;
  console.log('Installing packages…');
  const npm = process.env.npm_execpath;
  const args = ['ci', '--no-audit', '--no-fund', '--loglevel=error'];
  const code = npm ? await run(process.execPath, [npm, ...args]) : await run('npm', args);
  if (code !== 0) throw new Stop('The packages could not be installed: is the npm registry reachable, and the disk not full?');
  writeFileSync(MARK, hash);
}
