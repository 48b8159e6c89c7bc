import { neighbourSteps, type Grid } from '../voxel/grid.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import { fromTheTop, levelsOf, type Levels } from './heights.ts'
import { deepCells } from './skin.ts'

/** Air that no opening lets out: what lies strictly above its saddle. */
export interface Basin {
  cells: number
  /** The cell its highest point is in. */
  top: number
  topLevel: number
  /** Level of the saddle over which it would have drained; -1 when nothing ever fills it. */
  saddle: number
}

export interface Basins {
  basins: Basin[]
  levels: Levels
  /** For each cell, which basin it belongs to; -1 for none. */
  basinOf: (cell: number) => number
}

export interface BasinOptions {
  /** 26 for resin in a cavity, 6 for silicone around a master. */
  connectivity?: 6 | 26
  /** Cells that lie inside with all their neighbours, when they are known already. */
  deep?: Uint8Array
}

/** Marks of a cell: it lies inside with all its neighbours; air leaves by it. */
const isDeep = 1
const isOpening = 2

/** Components of what lies above the level reached, as they grow, join and are let out. */
class Forest {
  readonly parent: number[] = []
  readonly cells: number[] = []
  readonly top: number[] = []
  readonly topLevel: number[] = []
  readonly vented: boolean[] = []
  /** Added in the level that is being worked on; not yet strictly above it. */
  readonly fresh: number[] = []
  readonly opened: boolean[] = []
  /** Components joined in this level, as a chain from the root. */
  readonly next: number[] = []
  readonly tail: number[] = []
  /** Every label under a root, for telling which cells a basin holds. */
  readonly members: (number[] | undefined)[] = []

  add(cell: number, level: number): number {
    const id = this.parent.length
    this.parent.push(id)
    this.cells.push(0)
    this.top.push(cell)
    this.topLevel.push(level)
    this.vented.push(false)
    this.fresh.push(0)
    this.opened.push(false)
    this.next.push(-1)
    this.tail.push(id)
    this.members.push([id])
    return id
  }

  root(of: number): number {
    let at = of
    while (this.parent[at] !== at) {
      this.parent[at] = this.parent[this.parent[at]]
      at = this.parent[at]
    }
    return at
  }

  /** Joins two roots; the one with the higher top stays the root (the elder rule). */
  join(a: number, b: number): number {
    if (a === b) return a
    const [elder, younger] =
      this.topLevel[a] > this.topLevel[b] || (this.topLevel[a] === this.topLevel[b] && a < b)
        ? [a, b]
        : [b, a]
    this.parent[younger] = elder
    this.next[this.tail[elder]] = younger
    this.tail[elder] = this.tail[younger]
    return elder
  }
}

/**
 * The air that stays when a cavity is filled slowly and air leaves only by `openings` (cells).
 *
 * Superlevel sets from the top down by union-find: a component grows, joins others at saddles,
 * and is let out when it meets an opening or a component that has one. All cells of one level
 * are one batch, so that a basin holds what lies strictly above its saddle; an opening is a
 * saddle at its own level. Two components without an opening join by the elder rule; children
 * that share the saddle where they are let out are basins of their own. Source: persistence of
 * superlevel sets (Edelsbrunner and Harer, Computational Topology, 2010), adapted.
 */
export function basinsOf(
  grid: Grid,
  direction: Vec3,
  openings: readonly number[] | 'highest',
  {
    connectivity = 26,
    deep = connectivity === 26 ? deepCells(grid) : undefined,
  }: BasinOptions = {},
): Basins {
  const levels = levelsOf(grid, direction)
  const { order, starts } = fromTheTop(grid, levels)
  const labels = new Int32Array(grid.inside.length).fill(-1)
  const flags = deep?.slice() ?? new Uint8Array(grid.inside.length)
  for (const cell of openings === 'highest' ? order.subarray(0, 1) : openings) {
    flags[cell] |= isOpening
  }
  const forest = new Forest()
  const basins: Basin[] = []
  const holder: number[] = []
  const { around, straightUp } = stepsUp(grid, levels, connectivity)
  const touched: number[] = []

  const release = (child: number, saddle: number) => {
    const { cells, top, topLevel, members } = forest
    for (const label of members[child]!) holder[label] = basins.length
    basins.push({ cells: cells[child], top: top[child], topLevel: topLevel[child], saddle })
  }
  const settle = (level: number) => {
    for (const label of touched) {
      if (forest.parent[label] !== label) {
        const root = forest.root(label)
        forest.fresh[root] += forest.fresh[label]
        forest.opened[root] ||= forest.opened[label]
        forest.fresh[label] = 0
      }
    }
    for (const label of touched) {
      const root = forest.root(label)
      if (forest.fresh[root] === 0) continue
      if (forest.next[root] < 0 && !forest.opened[root]) {
        // Nothing joined and nothing opened: it only grew.
        forest.cells[root] += forest.fresh[root]
        forest.fresh[root] = 0
        continue
      }
      let vented = forest.opened[root]
      for (let c = root; c >= 0; c = forest.next[c]) vented ||= forest.vented[c]
      let cells = 0
      for (let c = root; c >= 0; c = forest.next[c]) {
        if (vented && !forest.vented[c] && forest.cells[c] > 0) release(c, level)
        cells += forest.cells[c]
        if (c === root) continue
        if (!vented) for (const label of forest.members[c]!) forest.members[root]!.push(label)
        forest.members[c] = undefined
      }
      for (let c = root, after = -1; c >= 0; c = after) {
        after = forest.next[c]
        forest.next[c] = -1
      }
      forest.tail[root] = root
      forest.cells[root] = cells + forest.fresh[root]
      forest.fresh[root] = 0
      forest.opened[root] = false
      forest.vented[root] = vented
    }
    touched.length = 0
  }

  const { parent, fresh } = forest
  for (let k = 0; k < levels.count; k++) {
    const level = levels.count - 1 - k
    const from = starts[k]
    const until = starts[k + 1]
    if (from === until) continue
    for (let n = from; n < until; n++) {
      const cell = order[n]
      const flag = flags[cell]
      let root = -1
      if (flag & isDeep) {
        // All higher neighbours hang together already: any of them tells the label.
        root = labels[cell + straightUp]
        if (parent[root] !== root) root = forest.root(root)
      } else {
        for (let s = 0; s < around.length; s++) {
          const label = labels[cell + around[s]]
          if (label < 0) continue
          const other = parent[label] === label ? label : forest.root(label)
          root = root < 0 ? other : root === other ? root : forest.join(root, other)
        }
      }
      if (root < 0) root = forest.add(cell, level)
      labels[cell] = root
      if (fresh[root]++ === 0) touched.push(root)
      if (flag & isOpening) forest.opened[root] = true
    }
    settle(level)
  }
  for (let id = 0; id < forest.parent.length; id++) {
    if (forest.parent[id] === id && !forest.vented[id]) release(id, -1)
  }
  return { basins, levels, basinOf: memberOf(grid, levels, labels, holder, basins) }
}

function memberOf(
  { counts: [nx, , nz] }: Grid,
  { steps: [sx, sy, sz], lift }: Levels,
  labels: Int32Array,
  holder: readonly number[],
  basins: readonly Basin[],
): (cell: number) => number {
  return (cell) => {
    const label = labels[cell]
    const basin = label < 0 ? undefined : holder[label]
    if (basin === undefined) return -1
    const column = Math.floor(cell / nz)
    const level = (column % nx) * sx + Math.floor(column / nx) * sy + (cell % nz) * sz + lift
    return level > basins[basin].saddle ? basin : -1
  }
}

/** Steps to neighbours that are higher or lie level, and the one nearest to straight up. */
function stepsUp(grid: Grid, { steps: [sx, sy, sz] }: Levels, connectivity: 6 | 26) {
  const climbs = neighbourSteps(grid, connectivity)
    .map(({ step, x, y, z }) => ({ step, climb: x * sx + y * sy + z * sz }))
    .filter(({ climb }) => climb >= 0)
  return {
    around: Int32Array.from(climbs, ({ step }) => step),
    straightUp: climbs.reduce((best, next) => (next.climb > best.climb ? next : best)).step,
  }
}
