import type { Solid } from '@mivro/core/form/shape'

const solids: Record<Solid['solid'], Solid> = {
  slab: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0.001 },
  block: { solid: 'block', width: 0.06, depth: 0.04, height: 0.02 },
  dome: { solid: 'dome', diameter: 0.05, height: 0.02 },
  drop: { solid: 'drop', width: 0.03, height: 0.04, facets: 8 },
  hexagon: { solid: 'hexagon', width: 0.09, thickness: 0.008, bevel: 0.001 },
  ball: { solid: 'ball', diameter: 0.04 },
  egg: { solid: 'egg', width: 0.04, height: 0.055 },
  stepCut: { solid: 'stepCut', width: 0.03, depth: 0.02, height: 0.014 },
  keycap: { solid: 'keycap', units: 1, height: 0.0096, wall: 0.0016, taper: 0.0022 },
  cup: { solid: 'cup', foot: 0.05, diameter: 0.07, height: 0.09, wall: 0.004 },
  lathe: {
    solid: 'lathe',
    profile: [
      { radius: 0.02, height: 0 },
      { radius: 0.012, height: 0.02 },
      { radius: 0.018, height: 0.05 },
    ],
  },
}

/** Sizes to begin with, m. */
export const startingSolid = (kind: Solid['solid']): Solid => solids[kind]
