import type { Solid } from '@mivro/core/shape'

const solids: Record<Solid['solid'], Solid> = {
  slab: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0.001 },
  block: { solid: 'block', width: 0.06, depth: 0.04, height: 0.02 },
  dome: { solid: 'dome', diameter: 0.05, height: 0.02 },
  drop: { solid: 'drop', width: 0.03, height: 0.04, facets: 8 },
}

/** Sizes to begin with, m. */
export const startingSolid = (kind: Solid['solid']): Solid => solids[kind]
