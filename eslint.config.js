import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';
import { noFloatingCalls } from './scripts/lint/noFloatingCalls.mjs';

export default ts.config(
  {
    ignores: [
      '**/dist/',
      '**/node_modules/',
      '.data/',
      '.mutate/',
      'test-results/',
      'playwright-report/',
    ],
  },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.ts'],
    ignores: ['web/**'],
    languageOptions: { parserOptions: { project: './tsconfig.json' } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
    },
  },
  {
    // With the types of the web application: its modules. A component would have them all worked out
    // anew, each by itself, until the memory is full; vue-tsc checks its types, and the rule below
    // its promises.
    files: ['web/**/*.ts'],
    languageOptions: { parserOptions: { project: './web/tsconfig.json' } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  {
    files: ['web/**/*.{ts,vue}'],
    languageOptions: {
      globals: globals.browser,
      parserOptions: { parser: ts.parser, extraFileExtensions: ['.vue'] },
    },
    rules: {
      'vue/multi-word-component-names': 'off',
      // Vuetify's tables name their slots `item.<column>`, which is no modifier.
      'vue/valid-v-slot': ['error', { allowModifiers: true }],
    },
  },
  {
    files: ['web/**/*.vue'],
    plugins: { kritikos: { rules: { 'no-floating-calls': noFloatingCalls } } },
    rules: { 'kritikos/no-floating-calls': 'error' },
  },
  { files: ['**/*.mjs', '**/*.cjs', '*.js'], languageOptions: { globals: globals.node } },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/no-extraneous-class': 'off',
    },
  },
  prettier,
);
