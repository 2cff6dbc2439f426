// Few random histories for each change: the tests beside the code are what should notice it first.
process.env['HISTORIES'] ??= '40';
process.env['TSX_TSCONFIG_PATH'] = 'scripts/mutants/tsconfig.json';

/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  packageManager: 'npm',
  plugins: ['@stryker-mutator/mocha-runner'],
  testRunner: 'mocha',
  testRunnerNodeArgs: ['--import', 'tsx', '--conditions=source'],
  mochaOptions: { spec: ['core/src/*.test.ts', 'core/src/{ledger,batches,routing,carriers,factory}/**/*.test.ts'] },
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
