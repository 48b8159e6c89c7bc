/**
 * A colour of the tokens, for what is painted by hand: charts, fields, the 3D view.
 *
 * @example token('teal') // '#0f7376'
 */
export const token = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
