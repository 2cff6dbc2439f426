import everything from '../jest.config.mjs';

// The tests that speak of the kernel, the routes and the batches, with few random histories: each runs for each mutant.
process.env['HISTORIES'] ??= '40';
const core = everything.projects.find((project) => project.displayName === 'core');
export default {
  ...core,
  rootDir: `${process.cwd()}/core/src`,
  testMatch: ['<rootDir>/*.test.ts', '<rootDir>/{ledger,batches,routing,carriers,factory}/**/*.test.ts'],
};
