import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import { Problem } from '../../../base/problem/index.ts'
import { measure } from '../../mesh/measure.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import type { Shell } from '../../mesh/repair/shells.ts'
import { voxelise } from '../../cells/voxel/voxelise.ts'
import { cellsInside, cellVolume, type Grid } from '../../cells/voxel/grid.ts'
import { groupsThatMeet, layersOf } from './boxes.ts'
import { facesOf, joined } from './parts.ts'
import { skinOfCells } from './skinOfCells.ts'
import { withoutInner } from './wellInside.ts'

/** The solid library, loaded only where something overlaps. */
export type SolidKernel = () => Promise<ManifoldToplevel>

/** What became of shells that may lie within one another. */
export type United =
  /** They do not overlap: nothing was changed. */
  | { how: 'apart' }
  /** One surface around all of them. m³ added up before, and held now. */
  | { how: 'united'; mesh: Mesh; parts: number; counted: number; filled: number }
  /** The solid library refuses them: the skin of cells of this side, with the volume's band. */
  | { how: 'cells'; mesh: Mesh; parts: number; counted: number; filled: number; band: number }

/** Parts that lose less than this share of their sum only touch. */
const onlyTouching = 1e-6

/** Cells see less than this share of the sum only where parts really overlap. */
const seenByCells = 0.97

/** Cells along the longest side, for parts that no solid can be made of. */
const finestCells = 160

/**
 * Outward shells that overlap are made one surface, since what resin fills is their union.
 * `shells` without those that bound voids.
 */
export async function unite(
  mesh: Mesh,
  shells: readonly Shell[],
  kernel: SolidKernel,
): Promise<United> {
  const groups = groupsThatMeet(shells).map((group) => group.map((i) => shells[i]))
  if (groups.length === 0) return { how: 'apart' }
  const parts = groups.reduce((sum, group) => sum + group.length, 0)
  const counted = shells.reduce((sum, { volume }) => sum + volume, 0)
  if (groups.some((group) => group.some(({ openEdges }) => openEdges > 0))) {
    return inCells(mesh, parts, counted)
  }
  const whole: Mesh[] = []
  let changed = false
  for (const group of groups) {
    const sum = group.reduce((total, { volume }) => total + volume, 0)
    const outer = withoutInner(mesh, group)
    const made =
      outer.length > 1
        ? unionOf(await kernel(), mesh, outer)
        : { mesh: facesOf(mesh, outer), volume: outer[0].volume }
    if (!made) return inCells(mesh, parts, counted)
    const differs = Math.abs(sum - made.volume) > onlyTouching * sum
    changed ||= differs
    whole.push(differs ? made.mesh : facesOf(mesh, group))
  }
  if (!changed) return { how: 'apart' }
  const grouped = new Set(groups.flat())
  const alone = shells.filter((shell) => !grouped.has(shell))
  const all = joined([...whole, ...(alone.length > 0 ? [facesOf(mesh, alone)] : [])])
  return { how: 'united', mesh: all, parts, counted, filled: measure(all).volume }
}

/** The union of a group, or undefined where it is no solid. */
function unionOf(
  { Manifold, Mesh: SolidMesh }: ManifoldToplevel,
  mesh: Mesh,
  group: readonly Shell[],
): { mesh: Mesh; volume: number } | undefined {
  const used: Manifold[] = []
  try {
    for (const layer of layersOf(group)) {
      const { positions, triangles } = facesOf(mesh, layer)
      const vertProperties = Float32Array.from(positions)
      used.push(new Manifold(new SolidMesh({ numProp: 3, vertProperties, triVerts: triangles })))
    }
    const union = Manifold.union(used)
    used.push(union)
    const { vertProperties, triVerts } = union.getMesh()
    return {
      mesh: { positions: vertProperties, triangles: triVerts },
      volume: union.volume(),
    }
  } catch {
    return undefined
  } finally {
    for (const solid of used) solid.delete()
  }
}

function inCells(mesh: Mesh, parts: number, counted: number): United {
  let grid: Grid
  try {
    grid = voxelise(mesh, [0, 0, 1], { longest: finestCells })
  } catch (error) {
    // So much is missing that inside and outside can't be told apart: that is said elsewhere.
    if (error instanceof Problem) return { how: 'apart' }
    throw error
  }
  const filled = cellsInside(grid) * cellVolume(grid)
  if (filled > seenByCells * counted) return { how: 'apart' }
  const { area } = measure(mesh)
  // A cell at the surface is in or out by its middle: off by half a cell at most, on the whole.
  const band = (area * Math.max(...grid.cell)) / 2
  return { how: 'cells', mesh: skinOfCells(grid), parts, counted, filled, band }
}
