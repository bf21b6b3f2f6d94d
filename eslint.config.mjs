import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'

const outside = ['@level-stance/server*', '@level-stance/web*', '**/server/**', '**/web/**', 'node:*', 'express', 'pg', 'vue']

/** Rooms of the core, each with the rooms it may not know. Arrows point one way; there are no circles. */
const order = [
  ['quantity'],
  ['bike'],
  ['body'],
  ['measure'],
  ['talk'],
  ['figure', 'change'],
  ['feet', 'seat', 'hands'],
  ['reason'],
  ['prove'],
  ['record'],
]
const roomRules = order.flatMap((rooms, level) => {
  const above = order.slice(level + 1).flat()
  const beside = (room) => rooms.filter((other) => other !== room)
  return rooms.map((room) => ({
    files: [`core/src/${room}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [...above, ...beside(room)].map((other) => `**/${other}/*`).concat(outside),
              message: `core/${room} must not know these rooms.`,
            },
          ],
        },
      ],
    },
  }))
})

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
      '@typescript-eslint/no-non-null-assertion': 'off',
      'vue/multi-word-component-names': 'error',
      'vue/require-default-prop': 'off',
      eqeqeq: 'error',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: outside, message: 'The core knows neither server, screens nor machine.' }] },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'setTimeout', 'localStorage'],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The core has no clock: pass the time in.' },
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: 'The core has no randomness of its own.' },
        { selector: "MemberExpression[object.name='Date'][property.name='now']", message: 'The core has no clock: pass the time in.' },
      ],
    },
  },
  ...roomRules,
  {
    files: ['web/src/**/*.{ts,vue}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['@level-stance/server*', '**/server/**', 'node:*'],
              message: 'Screens know the core and HTTP, nothing of the server.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['server/src/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['@level-stance/web*', '**/web/**', 'vue', 'pinia'], message: 'The server knows the core, nothing of the screens.' },
          ],
        },
      ],
    },
  },
  prettier,
)
