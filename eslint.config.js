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
    files: ['{core,contract,sheets,service,demo,cli,console}/src/**/*.{ts,tsx}'],
    extends: [ts.configs.strict, ts.configs.strictTypeCheckedOnly],
    languageOptions: {
      parserOptions: { project: './tsconfig.lint.json', tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      // Numbers stand in sentences and SQL everywhere; what is not a text or a number is a mistake there.
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      // `return response.end()` ends a handler.
      '@typescript-eslint/no-confusing-void-expression': 'off',
      // `async (…): Promise<void> => void (await …)` says that nothing of it is wanted.
      '@typescript-eslint/no-meaningless-void-operator': 'off',
      // A command that waits for nothing is run like all others.
      '@typescript-eslint/require-await': 'off',
      // Stores and services are records of functions: none of them has a `this`.
      '@typescript-eslint/unbound-method': 'off',
      // A sheet’s schema has checked the rule that a caller names (`ruleOf<'switch'>`).
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      // Indexed access is checked by the compiler; where an index is known to hold, `!` says so.
      '@typescript-eslint/no-non-null-assertion': 'off',
      // There are no enums (see above) and no classes that are shared by shape: looking for them takes a third
      // of the time.
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
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
  {
    // What does not fit the eye at once is two things. A component is markup for the most part.
    files: ['**/*.{ts,tsx,mjs}'],
    rules: {
      // A flat switch over kinds is one thing to read, however many there are.
      'complexity': ['error', { max: 15, variant: 'modified' }],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      'max-len': [
        'error',
        { code: 110, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true },
      ],
    },
  },
  {
    files: ['console/src/**/*.tsx'],
    rules: {
      // `handleSubmit` of a form gives what the mutation behind it tells the owner.
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
    },
  },
  { files: ['**/test/**/*.ts'], rules: { 'max-lines-per-function': 'off', 'complexity': 'off' } },
  // A measure is told in its order, from what it is set up with to what it prints.
  { files: ['bench/src/*.ts'], rules: { 'max-lines-per-function': ['error', { max: 90 }] } },
  { files: ['demo/assets/**/*.js', 'core/loader/*.js'], languageOptions: { globals: globals.browser } },
  { files: ['**/test/**/*.ts'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
  { files: ['console/src/**/*.{ts,tsx}'], ...reactHooks.configs.flat['recommended-latest'] },
  { files: ['console/src/**/*.{ts,tsx}'], ...a11y.flatConfigs.strict },
  // The one field that a screen is opened for may have the focus at once; of our
  // components, not of bare elements.
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
