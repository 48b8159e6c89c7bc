import type { Mesh } from '../../mesh/mesh.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import { cellVolume, middleOf, neighbourSteps, placeOf, type Grid } from '../voxel/grid.ts'
import { voxelise } from '../voxel/voxelise.ts'
import { nearDistance } from './distance.ts'

/** Something thinner than asked. */
export interface Thin {
  /** tongue: held at one side. pin: held at two or more, as through a hole. apart: thin all over. */
  kind: 'tongue' | 'pin' | 'apart'
  /** m³ */
  volume: number
  /** How far it reaches from what is thick enough, m. */
  reach: number
  /** A place in it, in the piece's own axes. */
  at: Vec3
  cells: number[]
}

/** At least this many cells along the longest side, and across half of what is asked. */
const fewest = 96
const acrossHalf = 3

/** More cells than this along the longest side are not tried: thinner things go unseen. */
const mostCells = 160

/**
 * Cells along the longest side that thickness `t` (m) asks for, and whether it can be seen at all.
 */
export function cellsForThickness(longest: number, t: number): { longest: number; seen: boolean } {
  const wanted = Math.ceil((acrossHalf * longest) / (t / 2))
  return { longest: Math.min(mostCells, Math.max(fewest, wanted)), seen: wanted <= mostCells }
}

/**
 * Where the silicone around a piece is thinner than `t`: tongues and pins that tear. The piece
 * gets a rim of silicone; `seen` is false when `t` is too thin for the grid.
 */
export function thinSilicone(mesh: Mesh, up: Vec3, longest: number, t: number): Thin[] {
  const cells = cellsForThickness(longest, t)
  const rim = Math.ceil((t / longest) * cells.longest) + 3
  const grid = voxelise(mesh, up, { longest: cells.longest, rim })
  return thinParts(
    grid,
    grid.inside.map((inside) => 1 - inside),
    t,
  )
}

/** Where the piece itself is thinner than `t`: walls, tips and rims that stay weak. */
export function thinWalls(mesh: Mesh, up: Vec3, longest: number, t: number): Thin[] {
  const grid = voxelise(mesh, up, { longest: cellsForThickness(longest, t).longest, rim: 2 })
  return thinParts(grid, grid.inside, t)
}

/**
 * Parts of `mask` that a ball of diameter `t` does not reach (mask minus its opening), kept where
 * they reach more than the ball's radius and a cell from what it does reach; rounded-off corners
 * reach less. Widths are known to one or two cells: pass or fail, not a figure.
 * Source: morphological opening (Serra, 1982), by distance transforms.
 */
export function thinParts(grid: Grid, mask: Uint8Array, t: number): Thin[] {
  const radius = t / 2
  const far = radius + 2 * Math.max(...grid.cell)
  const outside = mask.map((inside) => 1 - inside)
  const toOutside = nearDistance(grid, outside, far)
  const core = new Uint8Array(mask.length)
  // A cell's middle lies half a cell within the surface, and so does the ball's.
  for (let i = 0; i < mask.length; i++) core[i] = mask[i] && toOutside[i] >= radius * radius ? 1 : 0
  const reached = (radius + Math.min(...grid.cell) / 2) ** 2
  const toCore = nearDistance(grid, core, far)
  const thick = new Uint8Array(mask.length)
  const thin = new Uint8Array(mask.length)
  let some = false
  for (let i = 0; i < mask.length; i++) {
    if (!mask[i]) continue
    if (toCore[i] <= reached) thick[i] = 1
    else {
      thin[i] = 1
      some = true
    }
  }
  if (!some) return []
  const toThick = nearDistance(grid, thick, far)
  const least = (radius + Math.max(...grid.cell)) ** 2
  return partsOf(grid, thin)
    .map((cells): Thin | undefined => {
      const deepest = cells.reduce((best, cell) => (toThick[cell] > toThick[best] ? cell : best))
      const contacts = cells.filter((cell) => touches(grid, cell, thick))
      if (contacts.length > 0 && toThick[deepest] < least) return undefined
      const patches = patchesOf(grid, contacts)
      const { at, reach } = farthest(grid, cells, contacts)
      return {
        kind: patches === 0 ? 'apart' : patches === 1 ? 'tongue' : 'pin',
        volume: cells.length * cellVolume(grid),
        reach,
        at: middleOf(grid, at),
        cells,
      }
    })
    .filter((part) => part !== undefined)
    .sort((a, b) => b.volume - a.volume)
}

/** Cells and contacts looked at for how far a part reaches: a few hundred tell it to a cell. */
const sampled = 300

/** The cell of a part farthest from where it is held, and how far that is, m. */
function farthest(grid: Grid, cells: readonly number[], contacts: readonly number[]) {
  const some = (list: readonly number[]) => {
    const step = Math.max(1, Math.floor(list.length / sampled))
    return list.filter((_, i) => i % step === 0).map((cell) => [cell, placeOf(grid, cell)] as const)
  }
  const held = some(contacts)
  let at = cells[0]
  let reach = 0
  if (held.length === 0) return { at, reach }
  for (const [cell, [x, y, z]] of some(cells)) {
    let near = Infinity
    for (const [, [cx, cy, cz]] of held) {
      const far = Math.hypot(
        (x - cx) * grid.cell[0],
        (y - cy) * grid.cell[1],
        (z - cz) * grid.cell[2],
      )
      if (far < near) near = far
    }
    if (near > reach) [reach, at] = [near, cell]
  }
  return { at, reach: reach + Math.min(...grid.cell) }
}

/** In how many patches some cells hang together: asked of thousands of small parts, so by their own list. */
function patchesOf(grid: Grid, cells: readonly number[]): number {
  const steps = neighbourSteps(grid, 26).map(({ step }) => step)
  const left = new Set(cells)
  let patches = 0
  for (const start of cells) {
    if (!left.delete(start)) continue
    patches++
    const patch = [start]
    for (const cell of patch) {
      for (const step of steps) if (left.delete(cell + step)) patch.push(cell + step)
    }
  }
  return patches
}

function touches(grid: Grid, cell: number, mask: Uint8Array): boolean {
  const { counts } = grid
  const [row, slab] = [counts[2], counts[0] * counts[2]]
  return (
    mask[cell - 1] === 1 ||
    mask[cell + 1] === 1 ||
    mask[cell - row] === 1 ||
    mask[cell + row] === 1 ||
    mask[cell - slab] === 1 ||
    mask[cell + slab] === 1
  )
}

/** Cells of a mask that hang together by 26 neighbours, part by part. */
export function partsOf(grid: Grid, mask: Uint8Array): number[][] {
  const steps = neighbourSteps(grid, 26).map(({ step }) => step)
  const seen = new Uint8Array(mask.length)
  const parts: number[][] = []
  for (let start = 0; start < mask.length; start++) {
    if (!mask[start] || seen[start]) continue
    const part = [start]
    seen[start] = 1
    for (let n = 0; n < part.length; n++) {
      for (const step of steps) {
        const next = part[n] + step
        if (next < 0 || next >= mask.length || !mask[next] || seen[next]) continue
        seen[next] = 1
        part.push(next)
      }
    }
    parts.push(part)
  }
  return parts
}
