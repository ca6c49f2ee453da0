import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
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
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
      'no-restricted-syntax': [
        'error',
        { selector: 'TSEnumDeclaration', message: 'Use a union of literals.' },
      ],
    },
  },
  {
    // An expression that can try one text in many ways stops the process on a long one that almost fits.
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': 'error',
      'regexp/no-super-linear-move': 'error',
      'regexp/no-invalid-regexp': 'error',
    },
  },
  {
    files: ['scripts/**/*.mjs', 'cli/bin/*.mjs', 'bench/**/*.mjs', 'service/src/reading/*.mjs'],
    languageOptions: { globals: globals.node },
  },
  { files: ['demo/assets/**/*.js'], languageOptions: { globals: globals.browser } },
  { files: ['**/test/**/*.ts'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
  { files: ['console/src/**/*.{ts,tsx}'], ...reactHooks.configs.flat['recommended-latest'] },
  { files: ['console/src/**/*.{ts,tsx}'], ...a11y.flatConfigs.strict },
  // The one field that a screen is opened for may have the focus at once; of our components, not of bare elements.
  { files: ['console/src/**/*.tsx'], rules: { 'jsx-a11y/no-autofocus': ['error', { ignoreNonDOM: true }] } },
  {
    // The whole contract brings every schema along: a screen loads the parts that it uses.
    files: ['console/src/**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: '@orbis/contract',
              allowTypeImports: true,
              message: 'Import from a part of it, such as @orbis/contract/client.',
            },
          ],
        },
      ],
    },
  },
);
