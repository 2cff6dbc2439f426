// Writes docs/mutants.md out of the last run of `npm run mutants`: what survived, by file, with the reason where one is known.
import { readFileSync, writeFileSync } from 'node:fs';

const report = JSON.parse(readFileSync('.mutants/report.json', 'utf8'));
const NO_REASON = 'no test tells it apart yet';

/** What is told of a survivor: the first that fits. */
const REASONS = [
  [
    'a text, or how texts are put together',
    ({ file, line }) => /sentence|words|marks|inWords|`/.test(line) || /compareRoutes|finding\.ts/.test(file),
  ],
  [
    'faster, not otherwise: a cache, or rows put aside',
    ({ file, line }) => /ledger\/(table|rows)\.ts/.test(file) || /known|resolved|byFacts|dependent|WeakMap|inPlace|reached\.has/.test(line),
  ],
  [
    'always there; its type cannot say so',
    ({ mutant }) => mutant.mutatorName === 'OptionalChaining' || /\?\? (''|\[\])/.test(mutant.replaced),
  ],
  ['nobody reads the list when it should be empty', ({ mutant }) => mutant.replacement?.includes('Stryker was here')],
  ['at the very edge, which rounding hides', ({ mutant }) => mutant.mutatorName === 'EqualityOperator' && /[<>]=?/.test(mutant.replaced)],
];

const all = Object.entries(report.files).map(([file, { mutants, source }]) => {
  const lines = source.split('\n');
  const counted = mutants.filter((m) => !['Ignored', 'CompileError', 'RuntimeError'].includes(m.status));
  const left = counted
    .filter((m) => m.status === 'Survived' || m.status === 'NoCoverage')
    .map((mutant) => {
      const { start, end } = mutant.location;
      const line = lines[start.line - 1] ?? '';
      const replaced = start.line === end.line ? line.slice(start.column - 1, end.column - 1) : `${line.slice(start.column - 1)} …`;
      const seen = { file, line, mutant: { ...mutant, replaced } };
      const reason = REASONS.find(([, fits]) => fits(seen))?.[0] ?? NO_REASON;
      return { line: start.line, replaced: replaced.trim(), by: (mutant.replacement ?? '').replace(/\s+/g, ' ').trim(), reason };
    })
    .sort((a, b) => a.line - b.line);
  return { file, counted: counted.length, left };
});

const counted = all.reduce((sum, f) => sum + f.counted, 0);
const survived = all.reduce((sum, f) => sum + f.left.length, 0);
const byReason = new Map();
for (const { reason } of all.flatMap((f) => f.left)) byReason.set(reason, (byReason.get(reason) ?? 0) + 1);
const code = (text) => `\`${(text.length > 70 ? `${text.slice(0, 70)}…` : text).replaceAll('`', "'").replaceAll('|', '\\|')}\``;

writeFileSync(
  'docs/mutants.md',
  [
    '# What the tests let through',
    '',
    `Of ${counted} changes to the code of ledger, batches and routing ${counted - survived} are noticed by a test: ${(((counted - survived) / counted) * 100).toFixed(1)} %.`,
    'Texts are left out, and so is what is worked out as a module is read. Written by `node scripts/mutants/survivors.mjs` after',
    '`npm run mutants`; reasons are told by the kind of change, and where none fits it says so.',
    '',
    ...[...byReason].sort((a, b) => b[1] - a[1]).map(([reason, n]) => `- ${n}: ${reason}`),
    '',
    ...all
      .filter((f) => f.left.length > 0)
      .sort((a, b) => a.file.localeCompare(b.file))
      .flatMap(({ file, left }) => [
        `## ${file.replace('core/src/', '')}`,
        '',
        ...left.map((s) => `- ${s.line}: ${code(s.replaced)} → ${code(s.by)}; ${s.reason}`),
        '',
      ]),
  ].join('\n'),
);
console.log(`${counted - survived} of ${counted} noticed; ${survived} listed in docs/mutants.md`);
