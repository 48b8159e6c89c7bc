import type { Lamp, Mount, Table } from '@mivro/core/matter/light'

/** On what a piece stands. */
export const tableWords: Record<Table, string> = {
  white: 'White',
  grey: 'Grey',
  black: 'Black',
  wood: 'Wood',
  light: 'Light table',
}

/** From where it is lit. */
export const lampWords: Record<Lamp, string> = {
  front: 'Front',
  above: 'Above',
  behind: 'Behind',
}

/** What a finished piece is held in. */
export const mountWords: Record<Mount, string> = {
  none: 'Free',
  silver: 'In silver',
  gold: 'In gold',
  black: 'In black',
}
