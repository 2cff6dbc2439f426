// The tests beside the code should notice a change first; few random histories look at what they let through.
process.env['HISTORIES'] ??= '250';
process.env['TSX_TSCONFIG_PATH'] = 'scripts/mutants/tsconfig.json';

/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  packageManager: 'npm',
  plugins: ['@stryker-mutator/mocha-runner'],
  testRunner: 'mocha',
  testRunnerNodeArgs: ['--import', 'tsx', '--conditions=source'],
  mochaOptions: { spec: ['core/src/{routing,ledger,batches,carriers,factory}/**/*.test.ts', 'core/src/*.test.ts'] },
  coverageAnalysis: 'perTest',
  mutate: ['core/src/{ledger,batches,routing}/**/*.ts', '!core/src/**/*.test.ts', '!core/src/**/test/**', '!core/src/**/index.ts'],
  // What is worked out once, as a module is read, would have every module read anew for each change.
  ignoreStatic: true,
  // What is said is not what is judged.
  mutator: { excludedMutations: ['StringLiteral'] },
  ignorePatterns: ['*', '!core', '!core/**', 'core/dist', '!scripts', '!scripts/**', '!tsconfig*.json', '!package.json'],
  reporters: ['clear-text', 'json', 'progress-append-only'],
  jsonReporter: { fileName: '.mutants/report.json' },
  clearTextReporter: { allowColor: false, logTests: false },
  tempDirName: '.mutants/sandbox',
  concurrency: 2,
  timeoutMS: 20_000,
};
