import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { build } from './build.mjs';
import { openFactories } from './factories.mjs';
import { ROOT, run } from './run.mjs';

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

/** Runs the named steps, two at a time, in their order. @returns the names of those that failed */
export async function runSteps(names) {
  const failed = [];
  const left = [...names];
  const work = async () => {
    for (let name = left.shift(); name !== undefined; name = left.shift()) {
      const [command, args] = STEPS[name];
      const began = Date.now();
      const code = await run(command, args);
      console.log(`${code === 0 ? 'ok' : 'FAILED'}  ${name} (${((Date.now() - began) / 1000).toFixed(1)} s)`);
      if (code !== 0) failed.push(name);
    }
  };
  await Promise.all([work(), work()]);
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

/** Builds the application and drives it with Playwright, in a factory for each file of walks. @returns what its report counts */
export async function runPlaywright(cluster, chromium, args = []) {
  await build();
  const factories = await openFactories(cluster, CLOCK_AT);
  try {
    const report = `${ROOT}/test-results/playwright.json`;
    mkdirSync(`${ROOT}/test-results`, { recursive: true });
    rmSync(report, { force: true });
    const code = await run(process.execPath, [bin('@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts', ...args], {
      env: { ...process.env, FACTORIES: factories.address, CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
    });
    const { stats, errors } = JSON.parse(readFileSync(report, 'utf8'));
    return { code, passed: stats.expected, failed: stats.unexpected + stats.flaky + (errors?.length ?? 0) };
  } finally {
    await factories.stop();
  }
}
