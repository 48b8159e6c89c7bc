import { areaAt, areaNear, type FillCurve } from '../../../form/filling/index.ts'

/** A layer as an upright column of the same volume and the same surface. */
export interface LayerColumn {
  /** m */
  depth: number
  /** Four times its floor over its outline, m. */
  width: number
  /** The layer's own depth over the column's: above 1 where it runs out thin at its edges. */
  lie: number
}

/** Levels at which the layer's outline is looked at. */
const levels = 24

/** A column is no thinner than this, m. */
const thinnest = 1e-4

/**
 * What heat makes of a layer's shape in one dimension. Its widest level is the column's floor,
 * its volume gives the depth, and what is left of its surface, taken as if it were round, its
 * sides. A bowl thus is shallower than its deepest place, since its edges run out thin.
 * `cavity` is what there is between the two heights, m³.
 *
 * @example layerColumn(curveOfUnitCube, { bottom: 0, top: 0.1, cavity: 0.1 }).lie // 1
 */
export function layerColumn(
  curve: FillCurve,
  { bottom, top, cavity }: { bottom: number; top: number; cavity: number },
): LayerColumn {
  const deep = Math.max(top - bottom, thinnest)
  // The very ends of a piece have no level surface: a hair inside them has.
  const hair = deep * 1e-6
  const areas = Array.from({ length: levels + 1 }, (_, i) =>
    i === 0 || i === levels
      ? areaAt(curve, bottom + hair + ((deep - 2 * hair) * i) / levels)
      : areaNear(curve, bottom + (deep * i) / levels),
  )
  const floor = Math.max(...areas, 1e-10)
  const volume = Math.max(cavity, floor * thinnest)
  const radius = areas.map((area) => Math.sqrt(area / Math.PI))
  let around = 0
  for (let i = 0; i < levels; i++) {
    const slant = Math.hypot(deep / levels, radius[i + 1] - radius[i])
    around += Math.PI * (radius[i] + radius[i + 1]) * slant
  }
  const depth = volume / floor
  const sides = Math.max(0, areas[0] + areas[levels] + around - 2 * floor)
  return { depth, width: sides > 0 ? (4 * floor * depth) / sides : Infinity, lie: deep / depth }
}
