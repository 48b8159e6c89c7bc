import type { Block } from '../../mould/index.ts'
import { mostDiscs, packDiscs } from './discs.ts'

/** Where a mould stands on a round plate: its middle from the plate's, m, and whether it is turned. */
export interface PackedPlace {
  item: number
  x: number
  y: number
  width: number
  depth: number
  round: boolean
}

/** Moulds stand this far apart, for fingers, m (common practice, no source). */
export const apart = 0.004

/** Rounding that no hand sees, m. */
const hair = 1e-9

/**
 * Puts footprints on a round plate, in their order, each where it touches others or the rim and
 * lies deepest to one side; rows of their own and, for round ones of a size, discs that push each other
 * apart are tried beside that, and what holds more is kept.
 * Answers those that found a place. Lengths in m.
 *
 * @example packPlate([{ width: 0.1, depth: 0.1, round: false }], 0.2).length // 1
 */
export function packPlate(
  items: readonly Pick<Block, 'width' | 'depth' | 'round'>[],
  diameter: number,
): PackedPlace[] {
  const radius = diameter / 2
  const inOrder = items.map((_, i) => i)
  const area = (i: number) => items[i].width * items[i].depth
  const longest = (i: number) => Math.max(items[i].width, items[i].depth)
  const orders = [
    inOrder,
    inOrder.toSorted((a, b) => area(b) - area(a)),
    inOrder.toSorted((a, b) => longest(b) - longest(a)),
  ]
  let best: PackedPlace[] = []
  for (const order of orders) {
    for (const inward of [true, false]) {
      const found = greedy(items, order, radius, inward)
      if (found.length > best.length) best = found
      if (best.length === items.length) return best
    }
  }
  const rows = inRows(items, radius)
  if (rows.length > best.length) best = rows
  return ofDiscs(items, radius, best.length + 1) ?? best
}

/** Round moulds of one size, at least so many of them; undefined where they are none, or no more fit. */
function ofDiscs(
  items: readonly Pick<Block, 'width' | 'depth' | 'round'>[],
  radius: number,
  least: number,
): PackedPlace[] | undefined {
  const [{ width, depth }] = items
  if (!items.every((one) => one.round && Math.abs(one.width - width) < hair)) return undefined
  // Half of the gap goes with each disc, and with the rim.
  const unit = (width + apart) / 2
  for (let n = Math.min(items.length, mostDiscs); n >= least; n--) {
    const at = packDiscs(n, (radius + apart / 2) / unit)
    if (!at) continue
    return Array.from({ length: n }, (_, item) => {
      const [x, y] = [unit * at[2 * item], unit * at[2 * item + 1]]
      return { item, x, y, width, depth, round: true }
    })
  }
  return undefined
}

/**
 * Whether all of some moulds find room in a pot of that plate and height.
 *
 * @example fitsPot([{ width: 0.1, depth: 0.1, height: 0.3, round: false }], { diameter: 0.3, height: 0.2 }) // false
 */
export const fitsPot = (
  blocks: readonly Block[],
  { diameter, height }: { diameter: number; height: number },
): boolean =>
  blocks.every((block) => block.height + board <= height) &&
  packPlate(blocks, diameter).length === blocks.length

/** A board on the uneven floor of a pot, m (common practice, no source). */
export const board = 0.008

const fitsRim = (
  { x, y, width, depth, round }: Omit<PackedPlace, 'item'>,
  radius: number,
): boolean =>
  round
    ? Math.hypot(x, y) + width / 2 <= radius + hair
    : Math.hypot(Math.abs(x) + width / 2, Math.abs(y) + depth / 2) <= radius + hair

function clear(a: Omit<PackedPlace, 'item'>, b: Omit<PackedPlace, 'item'>): boolean {
  if (a.round && b.round) {
    return Math.hypot(a.x - b.x, a.y - b.y) >= (a.width + b.width) / 2 + apart - hair
  }
  return (
    Math.abs(a.x - b.x) >= (a.width + b.width) / 2 + apart - hair ||
    Math.abs(a.y - b.y) >= (a.depth + b.depth) / 2 + apart - hair
  )
}

function greedy(
  items: readonly Pick<Block, 'width' | 'depth' | 'round'>[],
  order: readonly number[],
  radius: number,
  inward: boolean,
): PackedPlace[] {
  const placed: PackedPlace[] = []
  for (const item of order) {
    const { width, depth, round } = items[item]
    const turns =
      round || width === depth
        ? [[width, depth]]
        : [
            [width, depth],
            [depth, width],
          ]
    let best: PackedPlace | undefined
    let least = Infinity
    for (const [w, d] of turns) {
      candidates(placed, w, d, radius, (x, y) => {
        const score = inward ? Math.hypot(x, y) : y + 1e-3 * x
        if (score >= least) return
        const place = { item, x, y, width: w, depth: d, round }
        if (!fitsRim(place, radius)) return
        for (const other of placed) if (!clear(place, other)) return
        best = place
        least = score
      })
    }
    if (best) placed.push(best)
  }
  return placed
}

/** Beside what stands there already, in each of its rows and columns, and along the rim. */
function candidates(
  placed: readonly PackedPlace[],
  w: number,
  d: number,
  radius: number,
  visit: (x: number, y: number) => void,
): void {
  const lowest = (x: number) =>
    -Math.sqrt(Math.max(0, radius ** 2 - (Math.abs(x) + w / 2) ** 2)) + d / 2
  const leftmost = (y: number) =>
    -Math.sqrt(Math.max(0, radius ** 2 - (Math.abs(y) + d / 2) ** 2)) + w / 2
  visit(0, 0)
  visit(0, lowest(0))
  visit(leftmost(0), 0)
  for (const one of placed) {
    const dx = (one.width + w) / 2 + apart
    const dy = (one.depth + d) / 2 + apart
    for (const x of [one.x - dx, one.x + dx]) {
      visit(x, one.y)
      visit(x, one.y - (one.depth - d) / 2)
      visit(x, one.y + (one.depth - d) / 2)
      visit(x, lowest(x))
      // Beside one and on top of another that it would stand over.
      for (const other of placed) {
        if (Math.abs(other.x - x) >= (other.width + w) / 2 + apart) continue
        const y = other.y + (other.depth + d) / 2 + apart
        if (Math.abs(y - one.y) < (one.depth + d) / 2 + apart) visit(x, y)
      }
    }
    for (const y of [one.y - dy, one.y + dy]) {
      visit(one.x, y)
      visit(one.x - (one.width - w) / 2, y)
      visit(one.x + (one.width - w) / 2, y)
      visit(leftmost(y), y)
      visit(-leftmost(y), y)
    }
    if (!one.round) continue
    for (let k = 0; k < 12; k++) {
      const angle = (k * Math.PI) / 6
      const reach = (one.width + w) / 2 + apart
      visit(one.x + reach * Math.cos(angle), one.y + reach * Math.sin(angle))
    }
  }
}

/** How many heights the first row is tried at. */
const firstRows = 24

/** Rows across the plate, each as full as its chord lets it be; for moulds of one make. */
function inRows(
  items: readonly Pick<Block, 'width' | 'depth' | 'round'>[],
  radius: number,
): PackedPlace[] {
  const order = items.map((_, i) => i).toSorted((a, b) => items[b].depth - items[a].depth)
  let best: PackedPlace[] = []
  for (const turned of [false, true]) {
    for (let k = 0; k < firstRows; k++) {
      const placed: PackedPlace[] = []
      const waiting = [...order]
      let y = -radius * (1 - (0.5 * k) / firstRows)
      while (waiting.length > 0 && y < radius) {
        const size = (i: number) =>
          turned ? [items[i].depth, items[i].width] : [items[i].width, items[i].depth]
        const deep = size(waiting[0])[1]
        const far = Math.max(Math.abs(y), Math.abs(y + deep))
        const half = far < radius ? Math.sqrt(radius ** 2 - far ** 2) : 0
        const row: number[] = []
        let used = -apart
        for (let i = 0; i < waiting.length;) {
          const [w, d] = size(waiting[i])
          if (d <= deep + hair && used + apart + w <= 2 * half + hair) {
            used += apart + w
            row.push(waiting.splice(i, 1)[0])
          } else i++
        }
        let x = -used / 2
        for (const item of row) {
          const [w, d] = size(item)
          placed.push({
            item,
            x: x + w / 2,
            y: y + d / 2,
            width: w,
            depth: d,
            round: items[item].round,
          })
          x += w + apart
        }
        y += row.length > 0 ? deep + apart : radius / firstRows
      }
      if (placed.length > best.length) best = placed
    }
  }
  return best
}
