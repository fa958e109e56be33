import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/**
 * The folders under src, lowest first: each may import from those before it, and from none after it, as ArchUnit holds the
 * packages in Java. A new folder is put where what it imports comes before it.
 */
const LAYERS = [
  ...['styles', 'measure', 'api', 'site', 'parts', 'shapes', 'start', 'board', 'table', 'placing', 'repeat', 'sheets', 'light', 'ticket', 'massing'],
  ...[
    'divide',
    'list',
    'takeoff',
    'brief',
    'handover',
    'space',
    'lineup',
    'workshop',
    'mouldings',
    'kit',
    'survey',
    'plan',
    'section',
    'views',
    'commands',
    'shell',
  ],
]

const layers = LAYERS.map((folder, i) => ({
  files: [`src/${folder}/**`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ group: LAYERS.slice(i + 1).map((above) => `../${above}/*`), message: `${folder} lies below it: see LAYERS in eslint.config.js.` }] },
    ],
  },
}))

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
  ...layers.slice(0, -1),
)
