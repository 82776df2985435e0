import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

/**
 * Rules that ask for types take two minutes of two cores, so `npm test` leaves them to `npm run check`, which keeps what it
 * linted before (`UBERTAS_LINT_TYPES`, set by `npm run lint:types`).
 */
const withTypes = process.env.UBERTAS_LINT_TYPES !== undefined;
const TYPED = {
  files: ['**/*.{ts,tsx}'],
  languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
  rules: {
    // of the rules that ask for types those that find defects; the others mostly complain of Yup's and JSON's any
    '@typescript-eslint/await-thenable': 'error',
    '@typescript-eslint/no-base-to-string': 'error',
    '@typescript-eslint/no-floating-promises': 'error',
    '@typescript-eslint/no-for-in-array': 'error',
    '@typescript-eslint/no-misused-promises': 'error',
    '@typescript-eslint/restrict-plus-operands': 'error',
    '@typescript-eslint/prefer-promise-reject-errors': 'error',
    '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    // the router's own way to answer from a loader
    '@typescript-eslint/only-throw-error': [
      'error',
      {
        allow: [
          { from: 'lib', name: 'Response' },
          { from: 'package', package: 'react-router', name: 'DataWithResponseInit' },
        ],
      },
    ],
  },
};

export default tseslint.config(
  { ignores: ['build', 'node_modules', '.react-router', 'test-results', 'playwright-report'] },
  ...tseslint.configs.recommended,
  ...(withTypes ? [TYPED] : []),
  reactHooks.configs.flat['recommended-latest'],
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always'],
      'no-console': 'error',
    },
  },
  {
    // numbers become text in core/words, so that one figure never shows two ways
    files: ['{core,app,cli,standins}/**/*.{ts,tsx}'],
    ignores: ['core/words/**', '**/*.{test,spec}.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'MemberExpression[property.name=/^(toFixed|toPrecision|toLocaleString|toLocaleDateString)$/]',
          message: 'Use core/words: numbers and days become text in one place.',
        },
      ],
    },
  },
  { files: ['cli/**', 'scripts/**', 'server/**', 'app/entry.server.tsx'], rules: { 'no-console': 'off' } },
  { files: ['**/*.{js,mjs,cjs}'], ...tseslint.configs.disableTypeChecked },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
);
