import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: ['dist/', 'node_modules/', '.cache/', 'data/', 'test-results/', 'playwright-report/'],
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    plugins: { 'react-hooks': hooks },
    rules: {
      ...hooks.configs.recommended.rules,
      'react-hooks/exhaustive-deps': 'error',
      // These tell what React's compiler would pass over; we do not use it.
      'react-hooks/incompatible-library': 'off',
      'react-hooks/preserve-manual-memoization': 'off',
      // An arrow that hands a call through reads better than one with braces.
      '@typescript-eslint/no-confusing-void-expression': [
        'error',
        { ignoreArrowShorthand: true, ignoreVoidOperator: true },
      ],
      // Sentences are full of numbers, and "true" is a value of a property.
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        { allowNumber: true, allowBoolean: true },
      ],
      // Code points are what is wanted where a text is spread: patterns, titles.
      '@typescript-eslint/no-misused-spread': ['error', { allow: ['string'] }],
      // TypeORM's and Node's own types say classes where plain objects are given.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      // Every index is checked by the compiler (noUncheckedIndexedAccess); a mark says that the author knows it is there.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-dynamic-delete': 'off',
      'no-console': ['error', { allow: ['error'] }],
      eqeqeq: 'error',
    },
  },
  {
    // Tests put functions in the place of others, and stand in for what answers later.
    files: ['**/*.test.ts'],
    rules: {
      '@typescript-eslint/unbound-method': 'off',
      '@typescript-eslint/require-await': 'off',
    },
  },
  {
    files: ['cli/**', 'attacks/**', 'scripts/**', 'demo/**', 'e2e/**'],
    rules: { 'no-console': 'off' },
  },
  {
    // The computation knows neither the interface nor the machine.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            'node:*',
            'react',
            'react-*',
            'react/*',
            'react-dom/*',
            'express',
            'typeorm',
            'fs',
            'path',
            '*/server/*',
            '*/web/*',
            '*/cli/*',
            '*/disk/*',
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'setInterval',
        'localStorage',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
      ],
    },
  },
);
