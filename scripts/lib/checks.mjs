import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { build } from './build.mjs';
import { freePort } from './port.mjs';
import { ROOT, run } from './run.mjs';
import { lengthenLists } from './longLists.mjs';
import { prepareDatabase, serve, startServer } from './server.mjs';

// The factory's clock stands on an ordinary Tuesday morning.
const CLOCK_AT = '2026-03-10T07:10:00Z';

const bin = (path) => `${ROOT}/node_modules/${path}`;
const node = (path, ...args) => [process.execPath, [bin(path), ...args]];

/** Each quick check by name: the command that must end with 0. */
export const STEPS = {
  types: node('typescript/bin/tsc', '-b'),
  lint: node('eslint/bin/eslint.js', '.', '--max-warnings', '0'),
  layers: node(
    'dependency-cruiser/bin/dependency-cruise.mjs',
    '--config',
    '.dependency-cruiser.cjs',
    '--output-type',
    'err',
    'core/src',
    'devices/src',
    'server/src',
    'web/src',
  ),
  format: node('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.'),
};

/** Runs the named steps. @returns the names of those that failed */
export async function runSteps(names) {
  const failed = [];
  for (const name of names) {
    const [command, args] = STEPS[name];
    const began = Date.now();
    const code = await run(command, args);
    console.log(`${code === 0 ? 'ok' : 'FAILED'}  ${name} (${((Date.now() - began) / 1000).toFixed(1)} s)`);
    if (code !== 0) failed.push(name);
  }
  return failed;
}

/** Runs Jest against the given cluster. @returns what its report counts */
export async function runJest(cluster, args = []) {
  const report = `${ROOT}/test-results/jest.json`;
  mkdirSync(`${ROOT}/test-results`, { recursive: true });
  rmSync(report, { force: true });
  const code = await run(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--disable-warning=ExperimentalWarning',
      bin('jest/bin/jest.js'),
      '--json',
      `--outputFile=${report}`,
      ...args,
    ],
    {
      env: { ...process.env, TEST_CLUSTER_URL: cluster.urlOf('postgres') },
      stdio: ['inherit', 'ignore', 'inherit'],
    },
  );
  const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(readFileSync(report, 'utf8'));
  // A suite that could not run at all counts as one failure.
  const broken = testResults.filter((suite) => suite.status === 'failed' && suite.assertionResults.length === 0).length;
  return { code, passed: numPassedTests, failed: numFailedTests + Math.min(broken, numFailedTestSuites) };
}

/** Builds and serves the application on its own port and drives it with Playwright. @returns what its report counts */
export async function runPlaywright(cluster, chromium, args = []) {
  await build();
  const [port, emptyPort, longPort] = [await freePort(), await freePort(), await freePort()];
  const servers = [];
  try {
    await prepareDatabase({ ...cluster.env(), CLOCK_AT });
    await lengthenLists(await cluster.createDatabase('long_lists', { copyOf: cluster.database }));
    servers.push(await serve({ ...cluster.env(), PORT: String(port), CLOCK_AT }));
    servers.push(await serve({ ...cluster.env('long_lists'), PORT: String(longPort), CLOCK_AT }));
    await cluster.createDatabase('empty_factory');
    servers.push(await startServer({ ...cluster.env('empty_factory'), PORT: String(emptyPort), CLOCK_AT, DEMO: '0' }));

    const report = `${ROOT}/test-results/playwright.json`;
    mkdirSync(`${ROOT}/test-results`, { recursive: true });
    rmSync(report, { force: true });
    const code = await run(process.execPath, [bin('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts', ...args], {
      env: {
        ...process.env,
        BASE_URL: `http://127.0.0.1:${port}`,
        EMPTY_URL: `http://127.0.0.1:${emptyPort}`,
        LONG_URL: `http://127.0.0.1:${longPort}`,
        CHROMIUM: chromium,
        PLAYWRIGHT_JSON_OUTPUT_NAME: report,
      },
    });
    const { stats, errors } = JSON.parse(readFileSync(report, 'utf8'));
    return { code, passed: stats.expected, failed: stats.unexpected + stats.flaky + (errors?.length ?? 0) };
  } finally {
    for (const server of servers) await server.stop();
  }
}
