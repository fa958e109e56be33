import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** Rules that find mistakes; how lines are broken is left to whoever reads them. */
export default ts.config(
  { ignores: ['dist', 'src/api/schema.d.ts'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      // A composable is handed on as one reactive thing: only the prop itself may not be replaced.
      'vue/no-mutating-props': ['error', { shallowOnly: true }],
      eqeqeq: 'error',
      'no-console': 'error',
      'vue/multi-word-component-names': 'off',
    },
  },
)
