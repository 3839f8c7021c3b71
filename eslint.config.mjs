import coreWebVitals from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

const pureCore = {
  files: ['src/core/**/*.ts'],
  rules: {
    'no-restricted-properties': [
      'error',
      { object: 'Date', property: 'now', message: 'The core reads no clock: pass the time in.' },
      { object: 'Math', property: 'random', message: 'The core reads no randomness: pass a seed in.' },
    ],
    'no-restricted-syntax': [
      'error',
      { selector: 'ClassDeclaration', message: 'Plain objects only: they survive workers, storage and JSON.' },
      { selector: "NewExpression[callee.name='Date']", message: 'The core reads no clock: pass the time in.' },
      { selector: 'ExportAllDeclaration', message: 'Name what the front door lets out.' },
    ],
    'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
  },
};

/** Long functions and long lists of parameters hide what belongs together. Markup is a list of what is seen, and takes more lines than it has thoughts. */
const short = {
  files: ['src/**/*.ts', 'src/**/*.tsx'],
  ignores: ['**/*.test.ts'],
  rules: {
    'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
    'max-params': ['error', 4],
  },
};
const shortMarkup = {
  files: ['src/**/*.tsx'],
  rules: { 'max-lines-per-function': ['error', { max: 100, skipBlankLines: true, skipComments: true }] },
};

/** Messages are a list, one line each: longer than any function with a thought in it. */
const messages = {
  files: ['src/core/explain/*/screens/*.ts'],
  rules: { 'max-lines-per-function': 'off' },
};

const config = [
  ...coreWebVitals,
  ...typescript,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-console': ['error', { allow: ['error'] }],
      'object-shorthand': 'error',
      'no-useless-rename': 'error',
    },
  },
  { files: ['scripts/**/*.mjs', 'tests/**/*.mjs'], rules: { 'no-console': 'off' } },
  pureCore,
  short,
  shortMarkup,
  messages,
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'public/**', '.check/**'] },
];

export default config;
