// Native ESM through Node's vm modules, TypeScript through swc; the 'source' condition makes the
// workspaces resolve to their source, so no build is needed to test.
const common = {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  transform: { '^.+\\.ts$': ['@swc/jest', { configFile: `${import.meta.dirname}/.swcrc` }] },
  testEnvironmentOptions: { customExportConditions: ['source', 'node', 'node-addons'] },
  modulePathIgnorePatterns: ['/dist/'],
};

const JSX = {
  swcrc: false,
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', tsx: true, dynamicImport: true },
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
  sourceMaps: 'inline',
};

/** @type {import('jest').Config} */
export default {
  // A test of the server may wait for the database of a busy machine, and a demo loads beside another.
  testTimeout: 180_000,
  maxWorkers: 2,
  // Modules of a file that is done are not all let go of: a worker begins anew before it spends its time on clearing up.
  workerIdleMemoryLimit: '1500MB',
  projects: [
    { ...common, displayName: 'core', rootDir: 'core/src', testMatch: ['<rootDir>/**/*.test.ts'] },
    { ...common, displayName: 'devices', rootDir: 'devices/src', testMatch: ['<rootDir>/**/*.test.ts'] },
    {
      ...common,
      displayName: 'web',
      rootDir: 'web/src',
      setupFiles: ['<rootDir>/test/storage.ts'],
      testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
      extensionsToTreatAsEsm: ['.ts', '.tsx'],
      transform: { '^.+\\.tsx?$': ['@swc/jest', JSX] },
    },
    { ...common, displayName: 'server', rootDir: 'server/src', testMatch: ['<rootDir>/**/*.test.ts'] },
    { testEnvironment: 'node', transform: {}, displayName: 'scripts', rootDir: 'scripts', testMatch: ['<rootDir>/**/*.test.mjs'] },
  ],
};
