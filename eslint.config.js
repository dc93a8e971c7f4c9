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
  { files: ['bench/**', '*.config.*', 'e2e/**'], rules: { 'no-console': 'off' } },
  prettier,
  // What Prettier leaves long: strings, comments, texts of a template.
  { rules: { 'max-len': ['error', { code: 120, ignoreUrls: true }] } },
)
