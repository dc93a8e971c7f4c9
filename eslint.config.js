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
  { files: ['bench/**', '*.config.*', 'e2e/**'], rules: { 'no-console': 'off' } },
  prettier,
  // What Prettier leaves long: strings, comments, texts of a template.
  { rules: { 'max-len': ['error', { code: 120, ignoreUrls: true }] } },
)
