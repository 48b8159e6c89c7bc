import tseslint from 'typescript-eslint'
import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import globals from 'globals'

/** What Element Plus has, and what an ordinary screen takes of it. */
const controls = {
  button: 'ElButton, ToolButton',
  select: 'SelectField, ElSelect',
  input: 'QuantityField, TextField, CountField, ElInput, ElCheckbox, ElDatePicker, ElUpload',
  textarea: 'TextField',
  table: 'ElTable',
  details: 'Fold, ElCollapse',
  progress: 'ElProgress',
  dialog: 'ElDialog',
  fieldset: 'ElCheckboxGroup, or a div with role="group"',
}
/** Instruments are drawn by us, and sheets are printed: these files, and no others. */
const instruments = [
  'web/src/cutaway/**',
  'web/src/clock/**',
  'web/src/heat/HeatCut.vue',
  'web/src/mould/air/AirCut.vue',
  'web/src/mould/silicone/BoxCut.vue',
  'web/src/desk/CupPicture.vue',
  'web/src/**/*SheetView.vue',
  'web/src/ui/paper/**',
]

/** Colours stand in the tokens; what is painted by hand asks for them by name. */
const ownColour = {
  message: 'Name a colour of web/src/theme/tokens.css: token(name), or var(--name).',
}
const hex = '[value=/^#[0-9a-fA-F]{3,8}$/]'

/** What a pure computation may not reach for: time and chance are passed in by the caller. */
const impure = [
  { object: 'Math', property: 'random', message: 'Pass a seeded generator in.' },
  { object: 'Date', property: 'now', message: 'Pass the time in.' },
]

export default tseslint.config(
  { ignores: ['**/node_modules/', '**/dist/', 'data/', '.reports/', '**/test-results/'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    files: ['**/*.vue'],
    languageOptions: {
      parserOptions: { parser: tseslint.parser },
      globals: globals.browser,
    },
  },
  {
    rules: {
      eqeqeq: ['error', 'smart'],
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      // A static style attribute is lost under the content security policy: long static
      // markup becomes innerHTML. Bound styles go through the CSSOM and are allowed.
      'vue/no-restricted-static-attribute': ['error', { key: 'style', message: 'Use a class.' }],
      'vue/no-v-html': 'error',
    },
  },
  {
    files: ['web/src/**/*.{ts,vue}'],
    // Colours of materials are the person's own data.
    ignores: ['**/*.test.ts', 'web/src/project/startingMaterials.ts'],
    rules: {
      'no-restricted-syntax': ['error', { selector: `Literal${hex}`, ...ownColour }],
      'vue/no-restricted-syntax': ['error', { selector: `VLiteral${hex}`, ...ownColour }],
    },
  },
  {
    files: ['web/src/**/*.vue'],
    ignores: instruments,
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...Object.entries(controls).map(([element, instead]) => ({
          element,
          message: `Take a control of Element Plus: ${instead}.`,
        })),
      ],
      'vue/no-restricted-static-attribute': [
        'error',
        { key: 'style', message: 'Use a class.' },
        { key: 'title', element: '/^[a-z]/', message: 'A tip is an ElTooltip.' },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': ['error', ...impure],
      'no-restricted-syntax': [
        'error',
        { selector: 'NewExpression[callee.name="Date"]', message: 'Pass the time in.' },
      ],
    },
  },
  {
    files: ['tools/**', 'bench/**', 'e2e/**', 'eslint.config.js', '.dependency-cruiser.cjs'],
    languageOptions: { globals: globals.node },
    rules: { 'no-console': 'off', '@typescript-eslint/no-require-imports': 'off' },
  },
)
