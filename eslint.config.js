import js from '@eslint/js';
import vue from 'eslint-plugin-vue';
import ts from 'typescript-eslint';

/** Rooms may only look down: web, cli and server use contracts and core; contracts use core; core uses nobody. */
const forbid = (files, groups, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group: groups, message }] }] },
});

export default ts.config(
  { ignores: ['dist', 'data', 'node_modules', 'coverage', 'test-results', '.cache'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
  },
  {
    files: ['**/*.{ts,vue}'],
    rules: {
      // The compiler checks names; the rule does not know TypeScript's globals.
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['**/*.{mjs,cjs}', '*.js'],
    languageOptions: {
      globals: { process: 'readonly', Buffer: 'readonly', console: 'readonly', module: 'writable', fetch: 'readonly' },
    },
  },
  {
    files: ['**/*.test.ts'],
    rules: { '@typescript-eslint/no-explicit-any': 'off', '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  forbid(
    ['core/**/*.ts'],
    ['@/*', 'vue', 'express', 'drizzle-orm', 'zod', 'node:*', 'comlink'],
    'The computation stands alone: no interface, network, file or database code.',
  ),
  { files: ['core/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  forbid(['contracts/**/*.ts'], ['@/web/*', '@/server/*', '@/cli/*'], 'Contracts look down only.'),
  { files: ['contracts/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  forbid(
    ['web/**/*.{ts,vue}'],
    ['@/server/*', '@/cli/*', 'drizzle-orm', '@electric-sql/*'],
    'The interface talks to the server over HTTP only.',
  ),
  forbid(
    ['server/*.ts', 'server/routes/**/*.ts', 'cli/**/*.ts'],
    ['drizzle-orm*', '@electric-sql/*', 'pg', '@/web/*'],
    'Only server/db knows the database.',
  ),
);
