import { caution, type Caution } from '../../../base/caution/index.ts'
import { closureOf, type Closure } from '../../mesh/closure.ts'
import { halfEdgesOf, type HalfEdges } from '../../mesh/halfEdges.ts'
import { turnInPlace, type Mesh } from '../../mesh/mesh.ts'
import { turnOutwardInPlace } from '../../mesh/repair/orient.ts'
import { shellsOf, type Shell } from '../../mesh/repair/shells.ts'
import { facesOf } from './parts.ts'
import { unite, type SolidKernel } from './unite.ts'

/** What resin fills of a file: one surface, how it closes, and what was done to it. */
export interface Body {
  mesh: Mesh
  closure: Closure
  cautions: Caution[]
}

const closed: Closure = { openEdges: 0, holes: 0, tangledEdges: 0, flippedEdges: 0 }

/**
 * What resin fills of a welded mesh in metres. A surface that is inside out is turned; shells
 * that bound voids are left out (resin can't reach them, so a cast is solid there); those that
 * overlap are united by the solid library that `kernel` loads when there is need of it. It is
 * said when several pieces are left. `edges` where they are known.
 *
 */
export async function bodyOf(
  mesh: Mesh,
  kernel: SolidKernel,
  edges: HalfEdges = halfEdgesOf(mesh),
): Promise<Body> {
  const cautions: Caution[] = []
  const closure = closureOf(mesh, edges)
  const found = shellsOf(mesh, edges)
  const insideOut = sumOf(found) < 0
  if (insideOut) {
    turnInPlace(mesh)
    cautions.push(caution('mesh-turned', 'note', {}, {}))
  }
  if (found.length < 2) return { mesh, closure, cautions }
  const sided = insideOut ? found.map((one) => ({ ...one, volume: -one.volume })) : found
  const shells = turnOutwardInPlace(mesh, sided)
  const voids = shells.filter(boundsVoid)
  const solid = voids.length > 0 ? shells.filter((shell) => !boundsVoid(shell)) : shells
  const united = await unite(mesh, solid, kernel)
  if (united.how === 'apart') {
    sayVoids(voids, cautions)
    sayParts(solid.length, cautions)
    return { mesh: voids.length > 0 ? facesOf(mesh, solid) : mesh, closure, cautions }
  }
  const { parts, counted, filled } = united
  if (united.how === 'cells') {
    const { band } = united
    cautions.push(caution('mesh-in-cells', 'warn', {}, { parts, counted, filled, band }))
    sayVoids(voids, cautions)
    return { mesh: united.mesh, closure: closed, cautions }
  }
  cautions.push(caution('mesh-united', 'note', {}, { parts, counted, filled }))
  // Parts that meet all round can enclose a void that none of them had.
  const around = halfEdgesOf(united.mesh)
  const after = shellsOf(united.mesh, around)
  const enclosed = after.filter(boundsVoid)
  sayVoids([...voids, ...enclosed], cautions)
  sayParts(after.length - enclosed.length, cautions)
  const outer = after.filter((shell) => !boundsVoid(shell))
  return {
    mesh: enclosed.length > 0 ? facesOf(united.mesh, outer) : united.mesh,
    closure: closureOf(united.mesh, around),
    cautions,
  }
}

const sumOf = (shells: readonly Shell[]) => shells.reduce((sum, { volume }) => sum + volume, 0)

const boundsVoid = ({ volume, openEdges }: Shell) => volume < 0 && openEdges === 0

function sayParts(parts: number, cautions: Caution[]): void {
  if (parts > 1) cautions.push(caution('mesh-parts', 'warn', {}, { parts }))
}

function sayVoids(voids: readonly Shell[], cautions: Caution[]): void {
  if (voids.length === 0) return
  const volume = -sumOf(voids)
  cautions.push(caution('mesh-void', 'warn', {}, { voids: voids.length, volume }))
}
