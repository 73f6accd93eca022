import js from '@eslint/js';
import importX from 'eslint-plugin-import-x';
import tseslint from 'typescript-eslint';

// The rooms of the core, in order: each may import only from rooms above it.
const rooms = [
  'text',
  'address',
  'format',
  'target',
  'plan',
  'edit',
  'page',
  'site',
  'hand',
  'menu',
  'look',
  'markup',
  'style',
  'inlay',
  'draft',
  'check',
  'pack',
  'walk',
  'draw',
  'manual',
];
// What is read of pages does not know what is read of plans.
const plans = ['format', 'target', 'plan', 'edit'];
const strangers = { page: plans, site: plans, hand: plans };
const outer = ['client', 'files', 'browser', 'opening', 'server', 'jobs', 'cli'];

const law = (files, forbidden, message) => ({
  files,
  rules: {
    '@typescript-eslint/no-restricted-imports': [
      'error',
      { patterns: forbidden.map(regex => ({ regex, message, caseSensitive: true })) },
    ],
  },
});
const room = name => `(^|/)${name}/`;
const outerRooms = `(^|/)(${outer.join('|')})/|^(\\.\\./)+index\\.ts$`;

const coreLaws = rooms.map((name, at) =>
  law(
    [`src/core/${name}/**/*.ts`],
    ['^node:', outerRooms, ...[...rooms.slice(at + 1), ...(strangers[name] ?? [])].map(room)],
    `core/${name} knows only the rooms above it in the list (docs/rooms.md)`,
  ),
);
// What outer rooms know of each other, beside the core.
const known = { files: [], browser: [], opening: ['files'], server: ['files', 'opening'] };
const outerLaws = [
  law(
    ['src/client/*.ts'],
    ['^node:', '^[a-z@]', '^\\.\\./(?!core/markup/names\\.ts$)', '\\.\\./core/(?!markup/names\\.ts$)'],
    'client knows only itself and core/markup/names.ts',
  ),
  law(
    ['src/client/own/**/*.ts'],
    [
      '^node:',
      '^[a-z@]',
      '/core/(?!markup/names\\.ts$|check/seen\\.ts$|walk/seen\\.ts$|draft/computed-look\\.ts$)',
    ],
    'what runs in Kamino’s own pages knows the client, the names, and the types of what it gives back',
  ),
  ...Object.entries(known).map(([name, others]) =>
    law(
      [`src/${name}/**/*.ts`],
      outer.filter(other => other !== name && !others.includes(other)).map(room),
      `${name} knows ${['the core', ...others].join(', ')}, and none of the other outer rooms`,
    ),
  ),
  law(
    ['src/jobs/**/*.ts'],
    [room('cli'), room('client'), '^(?!node:)[a-z@]'],
    'jobs join core, files, browser, opening and server, and compute nothing that a package would help with',
  ),
  {
    files: ['src/jobs/**/*.ts', 'src/opening/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['Literal[regex]', 'NewExpression[callee.name="RegExp"]', 'ForStatement'].map(selector => ({
          selector,
          message: 'a job opens, calls, writes and tells: judge in the core',
        })),
      ],
    },
  },
  law(
    ['src/cli/**/*.ts'],
    [...outer.filter(name => !['jobs', 'cli'].includes(name)).map(room), '/core/(?!text/)'],
    'cli calls jobs and prints; it holds no computation',
  ),
];

export default tseslint.config(
  { ignores: ['dist/', 'demo/', 'demo-old/', 'demo-site/', 'coverage/', 'test/fixtures/'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    files: ['src/**/*.ts', 'test/**/*.ts'],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/extensions': ['.ts'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts'] },
    },
    rules: {
      // No two files import each other, for types neither.
      'import-x/no-cycle': 'error',
      'import-x/order': [
        'error',
        {
          groups: ['builtin', 'external', 'parent', 'sibling', 'index'],
          named: false,
          alphabetize: { order: 'ignore' },
        },
      ],
      'import-x/first': 'error',
      'import-x/no-duplicates': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      'no-control-regex': 'off',
      'max-params': ['error', 4],
    },
  },
  {
    files: ['src/**/*.ts'],
    rules: {
      'max-lines': ['error', 250],
      'max-lines-per-function': ['error', { max: 40, skipBlankLines: true, skipComments: true }],
    },
  },
  // Tables of texts.
  { files: ['src/core/draft/looks.ts'], rules: { 'max-lines': 'off' } },
  // CSS and HTML that functions give.
  {
    files: ['src/core/style/*.ts', 'src/server/widths.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 65, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...[
          'process',
          'console',
          'fetch',
          'setTimeout',
          'setInterval',
          'setImmediate',
          'performance',
          'Date',
        ].map(name => ({ name, message: 'the core has no process, clock, network or output' })),
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportExpression',
          message: 'the core imports statically, so that its laws can be held',
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/text/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Buffer', message: 'core/text is the only place that goes between bytes and characters' },
      ],
    },
  },
  ...coreLaws,
  ...outerLaws,
  {
    // What starts the program, before anything that needs a module.
    files: ['**/*.cjs'],
    languageOptions: {
      sourceType: 'commonjs',
      globals: { require: 'readonly', module: 'writable', __dirname: 'readonly', Buffer: 'readonly' },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    files: ['**/*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        Buffer: 'readonly',
        setTimeout: 'readonly',
        performance: 'readonly',
        document: 'readonly',
      },
    },
  },
);
