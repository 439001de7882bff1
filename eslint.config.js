import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import { importX } from 'eslint-plugin-import-x';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Imports go one way: routes → ui → workspace, exchange and media → standins, channel → core. What a layer must not reach, by folder. */
const above = {
  core: ['channel', 'standins', 'workspace', 'exchange', 'media', 'workers', 'ui', 'routes'],
  channel: ['standins', 'workspace', 'exchange', 'media', 'workers', 'ui', 'routes'],
  standins: ['workspace', 'exchange', 'media', 'workers', 'ui', 'routes'],
  media: ['standins', 'workspace', 'exchange', 'workers', 'ui', 'routes'],
  workspace: ['exchange', 'media', 'workers', 'ui', 'routes'],
  exchange: ['media', 'workers', 'ui', 'routes'],
  ui: ['routes'],
};
const oneWay = Object.entries(above).map(([layer, forbidden]) => ({
  files: [`src/${layer}/**/*.{ts,svelte}`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: `(^|/|\\$)(${forbidden.join('|')})(/|$)`,
            message: `${layer} is below that: imports go routes → ui → workspace, exchange → standins → core.`,
          },
          ...(layer === 'core'
            ? [
                {
                  regex: '^(svelte|\\$app|idb|carbon)',
                  message: 'The core knows no interface and no storage.',
                },
              ]
            : []),
        ],
      },
    ],
    ...(layer === 'core'
      ? {
          'no-restricted-globals': [
            'error',
            'window',
            'document',
            'navigator',
            'indexedDB',
            'setTimeout',
            'crypto',
            'fetch',
          ],
          'no-restricted-properties': [
            'error',
            { object: 'Date', property: 'now', message: 'The moment comes in.' },
            { object: 'Math', property: 'random', message: 'The seed comes in.' },
          ],
        }
      : {}),
  },
}));

/** Within the core and within calls: each folder may import those before it, and no other. */
const FLOORS = [
  [
    'src/core',
    [
      'numbering',
      'system',
      'hours',
      'texting',
      'asking',
      'booking',
      'buttons',
      'meetings',
      'messages',
      'people',
      'answering',
      'calls',
      'story',
      'dialogues',
      'followups',
      'rounds',
      'call-lists',
      'changes',
      'traffic',
      'staffing',
      'phone',
      'coverage',
      'promises',
      'findings',
      'begin',
    ],
  ],
  ['src/core/calls', ['base', 'rules', 'mailbox', 'people', 'queues', 'talks', 'way', 'engine']],
  // Words are told of traces: the engine needs none of them.
  ['src/core/calls', ['words', 'mailbox', 'people', 'queues', 'talks', 'way', 'engine'], ['words']],
];
const floors = FLOORS.flatMap(([root, order, never = []]) =>
  order.flatMap((folder, i) =>
    order
      .filter((other, j) => j > i || (never.includes(other) && other !== folder))
      .map((other) => ({
        target: `./${root}/${folder}`,
        from: `./${root}/${other}`,
        message: `${folder} is below ${other}: imports go ${order.join(' ← ')}.`,
      })),
  ),
);

export default ts.config(
  {
    ignores: [
      'build/',
      '.svelte-kit/',
      'node_modules/',
      'test-results/',
      'playwright-report/',
      '.mutate/',
      'reports/',
    ],
  },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  prettier,
  ...svelte.configs.prettier,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      'no-undef': 'off',
      'no-console': ['error', { allow: ['error'] }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      'svelte/prefer-svelte-reactivity': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // Text from outside is data, never markup.
      'svelte/no-at-html-tags': 'error',
      'svelte/no-navigation-without-resolve': 'off',
      'no-restricted-properties': [
        'error',
        { property: 'innerHTML', message: 'Text is data, never markup.' },
        { property: 'insertAdjacentHTML', message: 'Text is data, never markup.' },
      ],
    },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
  },
  {
    files: ['src/**/*.ts'],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/extensions': ['.ts'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts'] },
      'import-x/resolver': { node: { extensions: ['.ts'] } },
    },
    rules: { 'import-x/no-cycle': 'error' },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'import-x/no-restricted-paths': ['error', { zones: floors }] },
  },
  { files: ['scripts/**', 'bench/**', '**/*.config.*'], rules: { 'no-console': 'off' } },
  ...oneWay,
);
