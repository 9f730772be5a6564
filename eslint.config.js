import { join } from 'node:path';
import ts from 'typescript-eslint';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import svelteConfig from './svelte.config.js';

// Dependencies point one way: routes -> lib/server and lib/ui -> core.
const forbid = (...patterns) => ({
  'no-restricted-imports': [
    'error',
    { patterns: patterns.map(([group, message, importNames]) => ({ group, message, importNames })) },
  ],
});
const reloadOnly = [
  ['$app/navigation'],
  'Reloading breaks off a navigation that is under way: reload() of lib/ui/reload waits.',
  ['invalidate', 'invalidateAll'],
];
const deepCore = [
  ['$core/*/*', '../core/*/*', '../../core/*/*', '../../../core/*/*'],
  "Import a core folder's index, not what lies inside it.",
];

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', '.odd-quill/', 'node_modules/'] },
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: ['error', 'smart'],
      'prefer-const': ['error', { destructuring: 'all' }],
      'svelte/no-navigation-without-resolve': 'off',
    },
  },
  {
    // Files that import one another in a circle are one file with two names.
    files: [
      'core/**/*.ts',
      'node/**/*.ts',
      'engine/**/*.ts',
      'cli/**/*.ts',
      'src/lib/**/*.ts',
      'bench/**/*.ts',
      'e2e/**/*.ts',
    ],
    plugins: { 'import-x': importX },
    settings: {
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts'] },
      'import-x/resolver-next': [
        createNodeResolver({
          extensions: ['.ts', '.mjs', '.js', '.json'],
          alias: { $core: [join(import.meta.dirname, 'core')], $lib: [join(import.meta.dirname, 'src/lib')] },
        }),
      ],
    },
    rules: { 'import-x/no-cycle': ['error', { ignoreExternal: true }] },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: forbid(
      [['$lib', '$lib/*', '$app/*', '$env/*', 'svelte', 'svelte/*', '@sveltejs/*'], 'core/ knows no interface.'],
      [['node:*', 'pg', 'pg-boss', 'sharp', '@resvg/*'], 'core/ knows neither Node nor a database.'],
      [['**/src/**', '**/engine/main*', '**/cli/**', '**/db/**'], 'core/ depends on nothing outside core/.'],
      [['../*/*', '!../../*', '../../*/*'], "Import a core folder's index, not what lies inside it."],
    ),
  },
  {
    files: ['src/lib/ui/**', 'src/lib/workers/**'],
    ignores: ['src/lib/ui/reload.ts'],
    rules: forbid(
      reloadOnly,
      [['$lib/server', '$lib/server/*', '**/server/**'], 'The interface reaches the server over HTTP only.'],
      [['**/routes/**'], 'Components do not know the routes.'],
      deepCore,
    ),
  },
  {
    files: ['src/lib/server/**'],
    ignores: ['src/lib/server/**/*.test.ts'],
    rules: forbid(
      [['$lib/ui', '$lib/ui/*', '**/routes/**', 'svelte', '*.svelte'], 'The server knows no interface.'],
      deepCore,
    ),
  },
  {
    files: ['src/routes/**'],
    rules: forbid(
      [['pg', 'pg-boss', 'sharp', '@resvg/*'], 'Routes are thin: they call lib/server.'],
      deepCore,
      reloadOnly,
    ),
  },
  {
    files: ['engine/**', 'cli/**'],
    rules: forbid([['**/src/**', '$lib/*'], 'engine/ and cli/ stand on core/ alone.'], deepCore),
  },
);
