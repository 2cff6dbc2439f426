import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import reactHooks from 'eslint-plugin-react-hooks';
import { defineConfig, globalIgnores } from 'eslint/config';
import globals from 'globals';
import tseslint from 'typescript-eslint';

export default defineConfig(
  globalIgnores(['**/dist/', '**/*.gen.ts', '.data/', 'test-results/', 'playwright-report/']),
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
    },
  },
  { files: ['**/*.mjs', 'server/**', 'e2e/**', 'devices/**'], languageOptions: { globals: globals.node } },
  {
    // The core is pure: no clock, no unseeded chance, no I/O.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/test/**'],
    rules: {
      'no-restricted-globals': ['error', 'process', 'console', 'fetch', 'setTimeout', 'setInterval', 'performance'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
        { object: 'Math', property: 'random', message: 'Pass a seeded Random in.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Pass the time in.' },
        { selector: 'ImportDeclaration[source.value=/^node:/]', message: 'The core does no I/O.' },
      ],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    extends: [reactHooks.configs.flat.recommended],
    languageOptions: { globals: globals.browser },
    rules: {
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  {
    // One way to the logbook: a command that core judges. Changes of the set-up are written by their own service.
    files: ['server/src/**/*.ts'],
    ignores: ['server/src/logbook/**', 'server/src/factory/changes.service.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: "CallExpression[callee.property.name='perform']", message: 'Give a command of core: CommandsService.give.' },
        {
          selector:
            "CallExpression[callee.property.name=/^(make|transaction|inTransaction)$/] > ArrowFunctionExpression MemberExpression[object.type='ThisExpression'][property.name='database']",
          message: 'Inside a transaction nothing reaches the database but by its own manager.',
        },
      ],
    },
  },
  {
    // What is asked while something is judged is asked within its transaction.
    files: ['server/src/**/*.evidence.ts'],
    rules: {
      'no-restricted-imports': ['error', { paths: [{ name: 'typeorm', message: 'Ask through the manager that the question came with.' }] }],
    },
  },
  {
    // Over plain http browsers keep these shut; the one that is used has another way beside it.
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['web/src/parts/copyText.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        ...['randomUUID', 'subtle'].map((property) => ({
          object: 'crypto',
          property,
          message: 'Missing over plain http: see newKey, offlinePin.',
        })),
        ...['clipboard', 'locks', 'mediaDevices', 'storage'].map((property) => ({
          object: 'navigator',
          property,
          message: 'Missing over plain http: give it another way, as copyText does.',
        })),
      ],
    },
  },
  {
    // Screens take their colours from the theme.
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['web/src/ground/theme.ts', 'web/src/ground/tokens.ts', 'web/src/parts/deskFields.tsx', '**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'Literal[value=/#[0-9a-fA-F]{6}/]', message: 'Take colours from the theme tokens.' },
        {
          selector: "CallExpression[callee.property.name='format'][callee.object.callee.name='dayjs']",
          message: 'Times are told in the zone of the factory: useSession, or dayjs().tz().',
        },
        {
          selector:
            "JSXOpeningElement[name.name='TextField'] JSXAttribute[name.name='onChange'] CallExpression[callee.name=/^set(?!Search|Value)[A-Z]/]",
          message: 'What is filled in and sent is a form of react-hook-form: parts/fields. A filter is kept in the address.',
        },
      ],
    },
  },
  {
    // The bodies that a server under test answers with are not typed: what they hold is what is tested.
    files: ['**/*.test.ts', 'server/src/test/**'],
    rules: {
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
    },
  },
  { files: ['server/src/test/**'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
  prettier,
);
