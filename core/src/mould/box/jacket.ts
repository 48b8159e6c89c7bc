import { axesFor, toAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { supportPoints } from './hull.ts'

/** Directions of a support function: so many around, so many from downward to upward, level among them. */
const around = 72
const climbing = 47

const turn = (2 * Math.PI) / around
const slopes = Array.from(
  { length: climbing },
  (_, j) => ((j + 1) / (climbing + 1) - 0.5) * Math.PI,
)
const flat = slopes.map(Math.cos)
const steep = slopes.map(Math.sin)

/**
 * Support function of a standing master: how far it reaches, m, in each of a grid of directions,
 * from its lowest point's height. `up` against gravity.
 *
 * @example supportFunction(unitCube, [0, 0, 1]).length // 3384
 */
export function supportFunction(mesh: Mesh, up: Vec3): number[] {
  const axes = axesFor(up)
  const points = supportPoints(mesh).map((point) => toAxes(axes, point))
  const floor = points.reduce((low, [, , z]) => Math.min(low, z), Infinity)
  const found: number[] = []
  for (let i = 0; i < around; i++) {
    const [cos, sin] = [Math.cos(i * turn), Math.sin(i * turn)]
    for (let j = 0; j < climbing; j++) {
      let far = -Infinity
      for (const [x, y, z] of points) {
        far = Math.max(far, flat[j] * (cos * x + sin * y) + steep[j] * (z - floor))
      }
      found.push(far)
    }
  }
  return found
}

/** Sections through each rounded end of a jacket, closer where it closes, and between them. */
const endSlices = 24
const bodySlices = 60
/** Sections so near to the widest are as wide: the straight side of a prism is one. */
const asWide = 0.999

/** A jacket's cavity by its two halves, as shares of the offset hull. */
export interface Jacket {
  below: number
  above: number
  /** Where it is widest, as near to the parting as can be, m above the master's lowest point. */
  widest: number
}

/**
 * The cavity of a printed shell in two halves: the convex hull of a standing master moved outward by
 * the layer, cut at the parting. Between the parting and where it is widest it goes straight up, so
 * that both halves draw off: that much the shares come to more than one.
 *
 * A section at a height reaches as far as the least of its supporting planes there (duality of the
 * support function; Schneider, Convex Bodies, 1.7), and moved outward by `layer` each plane moves so.
 *
 * @example jacketOf(supportFunction(unitCube, [0, 0, 1]), 1, 0.1, 0.5).below // 0.5
 */
export function jacketOf(
  support: readonly number[],
  height: number,
  layer: number,
  parting: number,
): Jacket {
  const heights = sectionHeights(height, layer)
  const areas = heights.map((h) => sectionArea(support, layer, h))
  const most = Math.max(...areas)
  const widest = heights
    .filter((_, i) => areas[i] >= asWide * most)
    .reduce((best, one) => (Math.abs(one - parting) < Math.abs(best - parting) ? one : best))
  /** Trapezoidal rule up to a height. */
  const volumeTo = (until: number) =>
    heights.slice(1).reduce((sum, top, i) => {
      const bottom = heights[i]
      const share = Math.max(0, Math.min(1, (until - bottom) / (top - bottom)))
      const mean = areas[i] + ((areas[i + 1] - areas[i]) * share) / 2
      return sum + mean * share * (top - bottom)
    }, 0)
  const total = volumeTo(height + layer)
  const below = volumeTo(parting)
  const straight = most * Math.abs(parting - widest) - Math.abs(below - volumeTo(widest))
  const [low, high] = parting > widest ? [straight, 0] : [0, straight]
  return { below: (below + low) / total, above: (total - below + high) / total, widest }
}

function sectionHeights(height: number, layer: number): number[] {
  const end = Array.from(
    { length: endSlices },
    (_, i) => layer * (1 - Math.cos((i / endSlices) * (Math.PI / 2))),
  )
  const body = Array.from({ length: bodySlices + 1 }, (_, i) => (height * i) / bodySlices)
  return [
    ...end.map((d) => d - layer),
    ...(height > 0 ? body : [0]),
    ...end.map((d) => height + layer - d).reverse(),
  ]
}

/** Area of the moved hull's section at a height, m², from its supporting lines. */
function sectionArea(support: readonly number[], layer: number, height: number): number {
  const reach = Array.from({ length: around }, (_, i) => {
    let least = Infinity
    for (let j = 0; j < climbing; j++) {
      const plane = support[i * climbing + j] + layer - steep[j] * height
      least = Math.min(least, plane / flat[j])
    }
    return least
  })
  const side = (i: number) =>
    (reach[(i + around - 1) % around] + reach[(i + 1) % around] - 2 * reach[i] * Math.cos(turn)) /
    Math.sin(turn)
  return Math.max(
    0,
    reach.reduce((sum, s, i) => sum + (s * side(i)) / 2, 0),
  )
}
