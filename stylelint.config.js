/** Colours, sizes of type and radii stand in web/src/theme/tokens.css, and nowhere else. */
const token = ['/^var\\(--/', '/^(inherit|0|50%)$/']

export default {
  overrides: [{ files: ['**/*.vue'], customSyntax: 'postcss-html' }],
  ignoreFiles: ['web/src/theme/tokens.css', '**/dist/**'],
  rules: {
    'color-no-hex': true,
    'color-named': 'never',
    'function-disallowed-list': ['rgb', 'rgba', 'hsl', 'hsla', 'oklch'],
    'declaration-property-value-allowed-list': { 'font-size': token },
    'declaration-property-value-disallowed-list': {
      font: ['/\\d(px|rem|em|pt)/'],
      'border-radius': ['/\\d(px|rem|em)/'],
      'box-shadow': ['/#/'],
    },
  },
}
