import { accessSync, constants, existsSync, readdirSync } from 'node:fs';
import { run, Stop } from './run.mjs';

export const isRoot = () => process.getuid?.() === 0;

function executable(path) {
  try {
    accessSync(path, constants.X_OK);
    return true;
  } catch {
    return false;
  }
}

async function installPackages(packages, what) {
  if (!isRoot() || !existsSync('/usr/bin/apt-get'))
    throw new Stop(`${what} is not installed. Install it first, as root:\n\n  apt-get install ${packages.join(' ')}`);
  console.log(`Installing ${what} from Debian's packages…`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  await run('apt-get', ['update', '-qq'], { env });
  const code = await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
    env,
  });
  if (code !== 0) throw new Stop(`${what} could not be installed: is Debian's registry reachable, and the disk not full?`);
}

function findPostgres() {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  return versions.map((v) => `${base}/${v}/bin`).find((dir) => executable(`${dir}/postgres`) && executable(`${dir}/initdb`));
}

/** The folder of PostgreSQL's server programs. */
export async function ensurePostgres() {
  const found = findPostgres();
  if (found) return found;
  await installPackages(['postgresql'], "PostgreSQL's server");
  const installed = findPostgres();
  if (!installed) throw new Stop("PostgreSQL's server was installed but cannot be found under /usr/lib/postgresql.");
  return installed;
}

/** Debian's Chromium, for the tests that drive the real pages. */
export async function ensureChromium() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (!executable(path)) await installPackages(['chromium'], 'Chromium');
  if (!executable(path)) throw new Stop(`Chromium was installed but is not at ${path}; say where it is in CHROMIUM.`);
  return path;
}
