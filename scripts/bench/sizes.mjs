import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { ROOT } from '../lib/run.mjs';
import { line, TARGETS } from './report.mjs';

/** What a browser has to fetch. */
export function benchSizes() {
  const dist = `${ROOT}/web/dist`;
  const manifest = JSON.parse(readFileSync(`${dist}/.vite/manifest.json`, 'utf8'));
  const size = (file) => gzipSync(readFileSync(`${dist}/${file}`)).length / 1024;
  const closure = (key, seen = new Set()) => {
    if (seen.has(key)) return seen;
    seen.add(key);
    for (const next of manifest[key].imports ?? []) closure(next, seen);
    return seen;
  };
  const files = (keys) => [...keys].map((k) => manifest[k].file);
  const entry = Object.keys(manifest).find((k) => manifest[k].isEntry);
  const shell = closure(entry);
  const total = (keys) => files(keys).reduce((sum, f) => sum + size(f), 0);
  line('Shell, gzip', `${total(shell).toFixed(0)} kB`, `${TARGETS.shellKb} kB`, total(shell) < TARGETS.shellKb);
  for (const key of Object.keys(manifest).filter((k) => manifest[k].isDynamicEntry)) {
    const own = [...closure(key)].filter((k) => !shell.has(k));
    const largest = Math.max(...files(own).map(size));
    line(
      `  ${key.replace(/^src\//, '')}: beyond the shell, largest chunk`,
      `${total(own).toFixed(0)} kB, ${largest.toFixed(0)} kB`,
      `${TARGETS.chunkKb} kB a chunk`,
      largest < TARGETS.chunkKb,
    );
  }
  const fonts = readdirSync(`${dist}/assets`).filter((f) => f.endsWith('.woff2') && f.includes('latin-wght'));
  line('Fonts of Latin text', `${fonts.length} files`);
}
