import type { Solid } from '@mivro/core/form/shape'

/** What a solid is called. */
export const solidNames: Record<Solid['solid'], string> = {
  slab: 'Round slab',
  block: 'Block',
  dome: 'Dome',
  drop: 'Faceted drop',
  hexagon: 'Hexagonal slab',
  ball: 'Ball',
  egg: 'Egg',
  stepCut: 'Step-cut gem',
  keycap: 'Keycap shell',
  cup: 'Tapered cup',
  lathe: 'Turned profile',
}
