import type { Box } from '@mivro/core/mould'

export const boxWords: Record<Box['shape'], string> = {
  square: 'Square walls',
  round: 'Round tube',
  hexagon: 'Six walls',
  outline: 'Hugging the outline',
  bricks: 'Toy bricks, 8 mm',
  cup: 'A cup',
}
