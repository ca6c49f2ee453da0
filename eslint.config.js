import js from '@eslint/js';
import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'var/**', 'service/migrations/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/no-explicit-any': 'error',
      'no-restricted-syntax': ['error', { selector: 'TSEnumDeclaration', message: 'Use a union of literals.' }],
    },
  },
  {
    // An expression that can try one text in many ways stops the process on a long one that almost fits.
    plugins: { regexp },
    rules: { 'regexp/no-super-linear-backtracking': 'error', 'regexp/no-super-linear-move': 'error', 'regexp/no-invalid-regexp': 'error' },
  },
  { files: ['scripts/**/*.mjs', 'cli/bin/*.mjs', 'bench/**/*.mjs'], languageOptions: { globals: globals.node } },
  { files: ['demo/assets/**/*.js'], languageOptions: { globals: globals.browser } },
  { files: ['**/test/**/*.ts'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
  { files: ['console/src/**/*.{ts,tsx}'], ...reactHooks.configs.flat['recommended-latest'] },
);
