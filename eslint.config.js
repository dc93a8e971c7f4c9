import i18n from '@intlify/eslint-plugin-vue-i18n'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['public/', 'var/', 'vendor/', 'node_modules/', 'frontend/src/shared/schema.d.ts', 'test-results/'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/no-v-html': 'error',
      'vue/require-default-prop': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: ['error', 'smart'],
    },
  },
  {
    // Every control and table is one of the library's, or one of ours in ui/.
    files: ['frontend/src/**/*.vue'],
    ignores: ['frontend/src/ui/**'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...['select', 'table', 'textarea', 'input', 'datalist', 'meter', 'progress'].map((element) => ({
          element,
          message: "Take the library's, or one of ui/.",
        })),
      ],
      'vue/no-restricted-static-attribute': [
        'error',
        ...['table', 'grid', 'listbox', 'combobox'].map((value) => ({
          key: 'role',
          value,
          message: 'Take ui/DataRows or a part of the library.',
        })),
        ...['date', 'number', 'checkbox', 'radio', 'time'].map((value) => ({
          key: 'type',
          value,
          message: 'Take ui/DayField, NumberField, Tick, OneOf or TimeField.',
        })),
      ],
    },
  },
  {
    // What people read is a sentence of the catalogue: there, and nothing else. (words.test.ts finds what is not used.)
    files: ['frontend/src/**/*.vue', 'frontend/src/**/*.ts'],
    ignores: ['frontend/src/**/*.test.ts', 'frontend/src/app/PartsPage.vue'],
    plugins: { '@intlify/vue-i18n': i18n },
    settings: {
      'vue-i18n': {
        localeDir: {
          pattern: './frontend/src/shared/words/en/*.json',
          localeKey: 'path',
          localePattern: /^.*\/(?<locale>[\w-]+)\/\w+\.json$/,
        },
        messageSyntaxVersion: '^11.0.0',
      },
    },
    rules: {
      '@intlify/vue-i18n/no-raw-text': [
        'error',
        {
          attributes: { '/.+/': ['title', 'aria-label', 'label', 'placeholder', 'alt', 'header'] },
          ignorePattern: '^[\\s\\d·→…–—:;,.()/?+*“”×%|┃┆-]*$',
          ignoreNodes: ['kbd'],
        },
      ],
      '@intlify/vue-i18n/no-missing-keys': 'error',
      '@intlify/vue-i18n/valid-message-syntax': 'error',
    },
  },
  { files: ['bench/**', '*.config.*', 'e2e/**'], rules: { 'no-console': 'off' } },
  prettier,
  // What Prettier leaves long: strings, comments, texts of a template.
  { rules: { 'max-len': ['error', { code: 120, ignoreUrls: true }] } },
)
