import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', 'var/', 'server/migrations/', 'test-results/', 'playwright-report/', 'e2e/test-results/'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
  { files: ['web/**/*.{ts,vue}'], languageOptions: { globals: globals.browser } },
  { files: ['server/**/*.{ts,mjs}', 'tools/**/*.{ts,mjs}', 'e2e/**/*.ts', '*.mjs'], languageOptions: { globals: globals.node } },
  { files: ['tools/bench/screens.mjs'], languageOptions: { globals: globals.browser } },
  { files: ['**/*.test.ts', 'server/test/**'], languageOptions: { globals: globals.jest } },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      // A cast is a claim that nobody checks; those of today stand in eslint-suppressions.json, which may only shrink.
      '@typescript-eslint/consistent-type-assertions': ['error', { assertionStyle: 'never' }],
      'vue/multi-word-component-names': 'error',
      'vue/require-default-prop': 'off',
      eqeqeq: 'error',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'localStorage'],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The core has no clock: pass the time in.' },
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: 'The core has no randomness of its own.' },
        { selector: "MemberExpression[object.name='Date'][property.name='now']", message: 'The core has no clock: pass the time in.' },
      ],
    },
  },
  {
    // The server is asked by its contract: one file knows how.
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['web/src/data/client.ts'],
    rules: { 'no-restricted-globals': ['error', 'fetch', 'XMLHttpRequest'] },
  },
  {
    // A test says what it expects to be there; if it is not, the test fails.
    files: ['**/*.test.ts', '**/testing.ts', 'core/src/testing.ts', '**/test/**', 'e2e/**', 'tools/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off', '@typescript-eslint/consistent-type-assertions': 'off' },
  },
  prettier,
)
