import { fromAxes, toAxes } from '../../mesh/axes.ts'
import { cross, dot, unit, type Vec3 } from '../../mesh/vector.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import { cellVolume, middleOf, type Grid } from '../voxel/grid.ts'
import { voxelise } from '../voxel/voxelise.ts'
import { keptBasins } from './airPockets.ts'
import { basinsOf } from './basins.ts'
import { openingCells, type Opening } from './openingCells.ts'
import { deepCells } from './skin.ts'

export interface TiltOptions {
  /** How far from upright, and from upside down, is looked, radians. */
  most?: number
  /** Directions looked at in all; about a quarter of them upside down. */
  directions?: number
  /** Vents that may be cut. */
  vents?: number
  /** Cells along the longest side while searching, and for the best ten. */
  coarse?: number
  fine?: number
  /** Hears how far it is, 0 to 1. */
  onProgress?: (share: number) => void
}

/** One way of holding the mould, and what it leaves. */
export interface Tilt {
  up: Vec3
  /** From the present direction, radians. */
  angle: number
  /** Where the gate has to be, where the mould is turned over and filled from its new top. */
  gate?: Vec3
  /** Where vents have to be, with the air each lets out, m³. */
  vents: { at: Vec3; volume: number }[]
  /** Air that stays all the same, m³. */
  left: number
}

/** A vent of this width is assumed while searching, m (common practice, no source). */
const ventBore = 0.002

/** Of the directions, this share is tried upside down. */
const turnedOver = 3 / 13

/** How many of each are looked at finely, so that neither crowds the other out. */
const looked = { upright: 10, over: 4 } as const

/** Left-over air below this is as good as none, m³. */
const nothing = 0.5e-9

/**
 * The directions of pouring that leave the least air with few vents, best first: least air after
 * `vents` vents, then fewest vents, then the smallest tilt. Without a gate the piece is filled
 * from its highest place; so it is when it is turned over, and the answer says where the gate
 * has to be then. `up` is against gravity, `gate` on the surface, both in the piece's own axes.
 *
 * 260 directions on two spherical Fibonacci caps at 64 cells, sorted anew for each, then the present
 * one and the best thirteen in cells aligned with the direction. Source: González, Mathematical
 * Geosciences 42 (2010), for the lattice. Throws `Problem` as `voxelise` does.
 *
 * @example bestTilts(stool, [0, 0, 1], gateOnSeat, { coarse: 32, fine: 48 })[0].left // 0
 */
export function bestTilts(
  mesh: Mesh,
  up: Vec3,
  gate: Opening | undefined,
  {
    most = Math.PI / 4,
    directions = 260,
    vents = 2,
    coarse = 64,
    fine = 128,
    onProgress = () => {},
  }: TiltOptions = {},
): Tilt[] {
  const grid = voxelise(mesh, up, { longest: coarse })
  const cells = gate ? openingCells(grid, gate).cells : ('highest' as const)
  const deep = deepCells(grid)
  const over = Math.round(directions * turnedOver)
  const cap = fibonacciCap(directions - over, most).map((direction) => ({ direction, cells }))
  const flipped = fibonacciCap(over, most).map(([x, y, z]) => ({
    direction: [x, y, -z] as Vec3,
    cells: 'highest' as const,
  }))
  const all = [...cap, ...flipped]
  const upright = cap[0].direction
  const scored = all.map((one, i) => {
    onProgress((0.75 * i) / all.length)
    return { ...one, score: coarseScore(grid, one.direction, one.cells, vents, deep) }
  })
  // As it stands it is looked at finely whatever coarse cells say: no tilt is offered that is no better.
  const first = ({ direction }: (typeof scored)[number]) => (direction === upright ? 0 : 1)
  scored.sort((a, b) => first(a) - first(b) || a.score - b.score)
  const isOver = ({ direction }: (typeof scored)[number]) => direction[2] < 0
  const finalists = [
    ...scored.filter((one) => !isOver(one)).slice(0, looked.upright),
    ...scored.filter(isOver).slice(0, looked.over),
  ]
  const best = finalists.map(({ direction }, i) => {
    onProgress(0.75 + (0.25 * i) / finalists.length)
    const turned = direction[2] < 0
    const to = unit(fromAxes(grid.axes, direction))
    return ventilate(mesh, to, up, turned ? undefined : gate, vents, fine, turned)
  })
  onProgress(1)
  return best.sort(
    (a, b) =>
      Math.max(nothing, a.left) - Math.max(nothing, b.left) ||
      marks(a) - marks(b) ||
      a.angle - b.angle,
  )
}

/** What a way costs on the cast: its vents, and a gate that has to move. */
const marks = ({ vents, gate }: Tilt) => vents.length + (gate ? 1 : 0)

/** `count` directions over the cap around [0, 0, 1], evenly; the first is upright. */
export function fibonacciCap(count: number, most: number): Vec3[] {
  const golden = Math.PI * (3 - Math.sqrt(5))
  const depth = 1 - Math.cos(most)
  return Array.from({ length: count }, (_, i): Vec3 => {
    const z = 1 - (depth * i) / Math.max(1, count - 1)
    const r = Math.sqrt(Math.max(0, 1 - z * z))
    return [r * Math.cos(golden * i), r * Math.sin(golden * i), z]
  })
}

/** Air left after the vents, plus a little for each vent and for tilting, m³. */
function coarseScore(
  grid: Grid,
  direction: Vec3,
  gate: readonly number[] | 'highest',
  vents: number,
  deep: Uint8Array,
): number {
  const found = basinsOf(grid, direction, gate, { deep })
  const volumes = keptBasins(grid, found, 0)
    .map((index) => found.basins[index].cells * cellVolume(grid))
    .sort((a, b) => b - a)
  const left = volumes.slice(vents).reduce((sum, v) => sum + v, 0)
  const used = Math.min(vents, volumes.length)
  return left + nothing * (used + (1 - direction[2]))
}

/** Puts vents at the tops of the largest pockets until none is left or all are spent. */
function ventilate(
  mesh: Mesh,
  up: Vec3,
  from: Vec3,
  gate: Opening | undefined,
  most: number,
  longest: number,
  turned: boolean,
): Tilt {
  const grid = voxelise(mesh, up, { longest })
  const newGate = turned ? highestPlace(grid) : undefined
  const deep = deepCells(grid)
  const openings = gate ? openingCells(grid, gate).cells : [highestOf(grid)]
  const vents: Tilt['vents'] = []
  for (;;) {
    const found = basinsOf(grid, [0, 0, 1], openings, { deep })
    const pockets = keptBasins(grid, found, 0)
      .map((index) => found.basins[index])
      .sort((a, b) => b.cells - a.cells)
    if (pockets.length === 0 || vents.length === most) {
      const left = pockets.reduce((sum, { cells }) => sum + cells, 0) * cellVolume(grid)
      return { up, angle: angleBetween(up, from), gate: newGate, vents, left }
    }
    const { top, cells } = pockets[0]
    const at = middleOf(grid, top)
    vents.push({ at, volume: cells * cellVolume(grid) })
    openings.push(...openingCells(grid, { at, bore: ventBore }).cells)
  }
}

/** Radians from one direction to another. */
export function angleBetween(a: Vec3, b: Vec3): number {
  const [x, y] = [unit(a), unit(b)]
  return Math.atan2(Math.hypot(...cross(x, y)), dot(x, y))
}

/** The highest place of a piece, where it is filled from when nothing else is said. */
export function highestPlace(grid: Grid): Vec3 {
  const along = toAxes(grid.axes, middleOf(grid, highestOf(grid)))
  return fromAxes(grid.axes, [along[0], along[1], along[2] + grid.cell[2] / 2])
}

function highestOf({ counts: [, , nz], inside }: Grid): number {
  let cell = -1
  let high = -1
  for (let i = 0; i < inside.length; i++) {
    if (inside[i] && i % nz > high) [high, cell] = [i % nz, i]
  }
  return cell
}
