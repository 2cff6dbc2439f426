import { readFileSync } from 'node:fs';
import { capture, main, ROOT } from './lib/run.mjs';

// Test lines over all code lines, of what git tracks or would.
await main(async () => {
  const { out } = await capture('git', [
    'ls-files',
    '--cached',
    '--others',
    '--exclude-standard',
    '--',
    '*.ts',
    '*.tsx',
    '*.mjs',
    '*.cjs',
    '*.css',
  ]);
  const files = out.split('\n').filter((f) => f !== '' && !/(^|\/)(node_modules|dist|migrations)\/|\.gen\.ts$/.test(f));
  const lines = (file) => readFileSync(`${ROOT}/${file}`, 'utf8').split('\n').length - 1;
  const isTest = (file) => /\.(test|spec)\.|^e2e\/|\/test\//.test(file);
  const all = files.reduce((sum, f) => sum + lines(f), 0);
  const tests = files.filter(isTest).reduce((sum, f) => sum + lines(f), 0);
  console.log(`${tests} of ${all} code lines are tests: ${((100 * tests) / all).toFixed(1)} % (a quarter to a third is wanted)`);
});
