import { caution, type Caution } from '../../base/caution/index.ts'
import { Problem } from '../../base/problem/index.ts'
import { closureOf, type Closure } from './closure.ts'
import { measure, type Measures } from './measure.ts'
import { triangleCount, type Mesh } from './mesh.ts'

/** Longest side a piece may have on this bench. */
const bench = { low: 0.001, high: 2 }

/** A surface ready to be filled: welded, facing outward, measured, and what to know of it. */
export interface Cavity {
  mesh: Mesh
  measures: Measures
  closure: Closure
  cautions: Caution[]
}

/**
 * Takes a welded mesh in metres, its faces outward, as a cavity. An open surface is allowed and
 * cautioned with the band of its volume. `closure` where it is known already.
 *
 * Throws `Problem`: mesh-no-volume, mesh-too-small, mesh-too-large.
 *
 * @example cavityOf(buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 })).measures.volume // 0.000008
 */
export function cavityOf(mesh: Mesh, closure: Closure = closureOf(mesh)): Cavity {
  const measures = measure(mesh)
  refuseUnusable(mesh, measures)
  const cautions: Caution[] = []
  if (closure.openEdges > 0) {
    const { holes, openEdges } = closure
    const { volume, volumeBand: band } = measures
    cautions.push(caution('mesh-open', 'warn', {}, { holes, openEdges, volume, band }))
  }
  if (closure.tangledEdges > 0) {
    cautions.push(caution('mesh-tangled', 'warn', {}, { edges: closure.tangledEdges }))
  }
  if (closure.flippedEdges > 0) {
    cautions.push(caution('mesh-flipped', 'warn', {}, { edges: closure.flippedEdges }))
  }
  return { mesh, measures, closure, cautions }
}

/** Flat, folded onto itself, or of a size that no bench holds. */
function refuseUnusable(mesh: Mesh, { volume, area, low, high }: Measures): void {
  const largest = Math.max(high[0] - low[0], high[1] - low[1], high[2] - low[2])
  if (largest > bench.high) throw new Problem('mesh-too-large', { largest }, 'unit')
  if (area > 0 && largest < bench.low) throw new Problem('mesh-too-small', { largest }, 'unit')
  // Against its own area: rounding leaves a flat sheet a volume of about 1e-8 of this.
  if (!(Math.abs(volume) > 1e-6 * area * largest)) {
    throw new Problem('mesh-no-volume', { triangles: triangleCount(mesh), area })
  }
}
