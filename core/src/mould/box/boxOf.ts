import type { Box, Mould } from '../mould.ts'

/**
 * The box that a kind of mould gets: the flat back of an open block lies on its floor, and what is
 * turned is round.
 *
 * @example boxOf({ kind: 'open block', box }).under // 0
 */
export const boxOf = ({ kind, box }: Pick<Mould, 'kind' | 'box'>): Box =>
  kind === 'open block'
    ? { ...box, under: 0 }
    : kind === 'turning' && box.shape === 'square'
      ? { ...box, shape: 'round' as const }
      : box
