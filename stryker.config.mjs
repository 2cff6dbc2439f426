/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  packageManager: 'npm',
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning'],
  jest: { configFile: 'scripts/mutants.jest.mjs', enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  mutate: ['core/src/{ledger,batches,routing}/**/*.ts', '!core/src/**/*.test.ts', '!core/src/**/test/**', '!core/src/**/index.ts'],
  // What is said is not what is judged.
  // What is worked out once, as a module is read, would run every test anew for each change.
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral'] },
  ignorePatterns: [
    '*',
    '!core',
    '!core/**',
    'core/dist',
    '!scripts',
    '!scripts/**',
    '!jest.config.mjs',
    '!.swcrc',
    '!tsconfig*.json',
    '!package.json',
  ],
  reporters: ['clear-text', 'json', 'progress-append-only'],
  jsonReporter: { fileName: '.mutants/report.json' },
  clearTextReporter: { allowColor: false, logTests: false },
  tempDirName: '.mutants/sandbox',
  concurrency: 2,
  timeoutMS: 20_000,
};
