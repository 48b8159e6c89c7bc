import { caution, type Caution } from '../caution/index.ts'
import { Problem } from '../problem/index.ts'
import { closureOf, type Closure } from './closure.ts'
import { measure, type Measures } from './measure.ts'
import { triangleCount, turnInPlace, type Mesh } from './mesh.ts'
import { orientInPlace } from './repair/orient.ts'
import { shellsOf } from './repair/shells.ts'

/** Longest side a piece may have on this bench. */
const bench = { low: 0.001, high: 2 }

/** Larger meshes are taken as one part: telling parts apart would take seconds. */
const mostForParts = 600_000

/** A surface ready to be filled: welded, facing outward, measured, and what to know of it. */
export interface Cavity {
  mesh: Mesh
  measures: Measures
  closure: Closure
  cautions: Caution[]
}

/**
 * Takes a welded mesh in metres as a cavity. An open surface is allowed and cautioned with
 * the band of its volume; one that is inside out is turned.
 *
 * Throws `Problem`: mesh-no-volume, mesh-too-small, mesh-too-large.
 */
export function cavityOf(mesh: Mesh, dropped = 0): Cavity {
  let measures = measure(mesh)
  refuseUnusable(mesh, measures)
  const closure = closureOf(mesh)
  const cautions: Caution[] = []
  if (dropped > 0) cautions.push(caution('mesh-dropped', 'warn', {}, { dropped }))
  if (measures.volume < 0) {
    measures = measure(turnInPlace(mesh))
    cautions.push(caution('mesh-turned', 'note', {}, {}))
  }
  const parts = sortParts(mesh, cautions)
  if (parts !== mesh) {
    mesh = parts
    measures = measure(mesh)
  }
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

/**
 * Says when a file holds several pieces, and leaves out the skins of voids: resin can't reach
 * them, so a cast is solid there.
 */
function sortParts(mesh: Mesh, cautions: Caution[]): Mesh {
  if (triangleCount(mesh) > mostForParts) return mesh
  let shells = shellsOf(mesh)
  if (shells.length === 1) return mesh
  if (shells.some(({ volume }) => volume < 0)) {
    orientInPlace(mesh)
    shells = shellsOf(mesh)
  }
  const voids = shells.filter(({ volume, openEdges }) => volume < 0 && openEdges === 0)
  const parts = shells.length - voids.length
  if (parts > 1) cautions.push(caution('mesh-parts', 'warn', {}, { parts }))
  if (voids.length === 0) return mesh
  const volume = -voids.reduce((sum, shell) => sum + shell.volume, 0)
  cautions.push(caution('mesh-void', 'warn', {}, { voids: voids.length, volume }))
  const left = new Set(voids.flatMap(({ faces }) => faces))
  return {
    positions: mesh.positions,
    triangles: mesh.triangles.filter((_, i) => !left.has(Math.floor(i / 3))),
  }
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
