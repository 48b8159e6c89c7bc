import type { Mesh } from '../../mesh/mesh.ts'
import { within } from '../../mesh/repair/nesting.ts'
import type { Shell } from '../../mesh/repair/shells.ts'

/** Cells along the longest side that the surface is marked in. */
const finest = 96

/** Fewer than this many others are united faster than they are looked at. */
const worthLooking = 4

/**
 * The shells of a group without those that lie wholly inside its largest: they add nothing to the
 * union. Inside is one whose bounds meet no cell that the largest's surface passes through, and
 * one of whose faces lies within it. `group` begins with the largest.
 */
export function withoutInner(mesh: Mesh, group: readonly Shell[]): Shell[] {
  const [largest, ...others] = group
  if (others.length < worthLooking || largest.openEdges > 0) return [...group]
  const clear = clearOf(mesh, largest)
  const away = others.filter(clear)
  // Against the largest alone: what lies within it, however deep among the others.
  const inner = new Set(within(mesh, largest, away))
  return group.filter((shell) => !inner.has(shell))
}

/** Whether bounds keep clear of a shell's surface, for any number of bounds. */
function clearOf({ positions: p, triangles }: Mesh, { faces, low, high }: Shell) {
  const side = Math.max(...high.map((h, k) => h - low[k])) / finest
  const counts = high.map((h, k) => Math.floor((h - low[k]) / side) + 1)
  const marked = new Uint8Array(counts[0] * counts[1] * counts[2])
  const cell = (value: number, k: number) => {
    const at = Math.floor((value - low[k]) / side)
    return at < 0 ? 0 : at >= counts[k] ? counts[k] - 1 : at
  }
  const [, rows, deep] = counts
  for (const face of faces) {
    const a = 3 * triangles[3 * face]
    const b = 3 * triangles[3 * face + 1]
    const c = 3 * triangles[3 * face + 2]
    const x1 = cell(Math.max(p[a], p[b], p[c]), 0)
    const y1 = cell(Math.max(p[a + 1], p[b + 1], p[c + 1]), 1)
    const z1 = cell(Math.max(p[a + 2], p[b + 2], p[c + 2]), 2)
    const y0 = cell(Math.min(p[a + 1], p[b + 1], p[c + 1]), 1)
    const z0 = cell(Math.min(p[a + 2], p[b + 2], p[c + 2]), 2)
    for (let x = cell(Math.min(p[a], p[b], p[c]), 0); x <= x1; x++) {
      for (let y = y0; y <= y1; y++) {
        const row = (x * rows + y) * deep
        for (let z = row + z0; z <= row + z1; z++) marked[z] = 1
      }
    }
  }
  return (shell: Shell): boolean => {
    const from = shell.low.map(cell)
    const to = shell.high.map(cell)
    for (let x = from[0]; x <= to[0]; x++) {
      for (let y = from[1]; y <= to[1]; y++) {
        const row = (x * counts[1] + y) * counts[2]
        for (let z = row + from[2]; z <= row + to[2]; z++) if (marked[z]) return false
      }
    }
    return true
  }
}
