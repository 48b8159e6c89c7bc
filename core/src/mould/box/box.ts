import { Problem } from '../../base/problem/index.ts'
import { areaOfLoop, perimeterOfLoop, type Loop } from '../../form/shape/index.ts'
import type { Box } from '../mould.ts'
import type { Footprint } from './footprint.ts'

/** Pitch of toy bricks, m (common practice). */
export const brick = 0.008

/** A box as it is built: inner sizes, m, its floor plan and how full it gets. */
export interface BuiltBox {
  shape: Box['shape']
  width: number
  depth: number
  /** Up to where silicone is poured. */
  height: number
  under: number
  over: number
  /** Inner floor plan, counter-clockwise about the middle of the piece's bounds. */
  plan: number[]
  /** Floor area at a height above the floor, m², and volume up to it, m³. */
  areaAt: (height: number) => number
  volumeTo: (height: number) => number
  /** Of the plan: inner perimeter, m. */
  perimeter: number
  /** Least free room beside the piece, m. */
  clearance: number
}

/** What is this much too small still goes in, m. */
const fits = 1e-9

/** Sides of a polygon that stands for a circle. */
const roundSides = 96

/**
 * The box around a piece, by its shape and clearances or by the sizes of one that is there.
 * Outline-hugging: the convex hull moved outward, area A + P·c + π·c² (Steiner).
 *
 * Throws `Problem('box-too-small')` at `box.own` when the piece does not go in.
 *
 * @example buildBox({ ...box, shape: 'square', side: 0.01 }, footprintOf60x40).width // 0.08
 */
export function buildBox(box: Box, foot: Footprint): BuiltBox {
  const own = box.own
  const height = own?.height ?? box.under + foot.height + box.over
  const over = height - box.under - foot.height
  if (own && over < 0) {
    throw new Problem(
      'box-too-small',
      { side: 'height', box: own.height, piece: foot.height + box.under },
      'box.own.height',
    )
  }
  const base = { shape: box.shape, height, under: box.under, over }
  switch (box.shape) {
    case 'square': {
      const [width, depth] = sides(box, foot)
      return prism(
        base,
        rectangle(width, depth),
        width,
        depth,
        Math.min(width - foot.width, depth - foot.depth) / 2,
      )
    }
    case 'bricks': {
      const whole = (x: number) => (own ? x : Math.ceil(x / brick - 1e-9) * brick)
      const [width, depth] = sides(box, foot).map(whole)
      const clearance = Math.min(width - foot.width, depth - foot.depth) / 2
      return prism(base, rectangle(width, depth), width, depth, clearance)
    }
    case 'round': {
      const radius = own ? own.width / 2 : foot.radius + box.side
      refuseNarrow('width', 2 * radius, 2 * foot.radius)
      return prism(
        base,
        around(circle(radius), foot.middle),
        2 * radius,
        2 * radius,
        radius - foot.radius,
      )
    }
    case 'hexagon': {
      const apothem = own ? own.width / 2 : foot.radius + box.side
      refuseNarrow('width', 2 * apothem, 2 * foot.radius)
      const corner = apothem / Math.cos(Math.PI / 6)
      return prism(
        base,
        around(polygon(corner, 6, Math.PI / 6), foot.middle),
        2 * apothem,
        2 * corner,
        apothem - foot.radius,
      )
    }
    case 'outline': {
      const plan = grown(foot.hull, box.side)
      return prism(base, plan, foot.width + 2 * box.side, foot.depth + 2 * box.side, box.side)
    }
    case 'cup': {
      const [rim, low] = [own!.width / 2, own!.depth / 2]
      const radiusAt = (h: number) => low + ((rim - low) * h) / height
      // Narrowest where the piece stands.
      const tightest = Math.min(radiusAt(box.under), radiusAt(box.under + foot.height))
      refuseNarrow('width', 2 * tightest, 2 * foot.radius)
      return {
        ...base,
        width: own!.width,
        depth: own!.width,
        plan: around(circle(rim), foot.middle),
        areaAt: (h) => Math.PI * radiusAt(h) ** 2,
        volumeTo: (h) => ((Math.PI * h) / 3) * (low * low + low * radiusAt(h) + radiusAt(h) ** 2),
        perimeter: 2 * Math.PI * rim,
        clearance: tightest - foot.radius,
      }
    }
  }
}

function sides(box: Box, foot: Footprint): [number, number] {
  if (!box.own) return [foot.width + 2 * box.side, foot.depth + 2 * box.side]
  const { width, depth } = box.own
  const holds = (w: number, d: number) => w >= foot.width - fits && d >= foot.depth - fits
  // A box that is there is turned before it is called too small.
  if (!holds(width, depth) && holds(depth, width)) return [depth, width]
  refuseNarrow('width', width, foot.width)
  refuseNarrow('depth', depth, foot.depth)
  return [width, depth]
}

function refuseNarrow(side: 'width' | 'depth', box: number, piece: number): void {
  if (box < piece - fits)
    throw new Problem('box-too-small', { side, box, piece }, `box.own.${side}`)
}

function prism(
  base: Pick<BuiltBox, 'shape' | 'height' | 'under' | 'over'>,
  plan: number[],
  width: number,
  depth: number,
  clearance: number,
): BuiltBox {
  const area = areaOfLoop(plan)
  return {
    ...base,
    width,
    depth,
    plan,
    clearance,
    perimeter: perimeterOfLoop(plan),
    areaAt: () => area,
    volumeTo: (h) => area * h,
  }
}

const rectangle = (width: number, depth: number) => {
  const [x, y] = [width / 2, depth / 2]
  return [-x, -y, x, -y, x, y, -x, y]
}

const polygon = (radius: number, count: number, start = 0) =>
  Array.from({ length: count }, (_, i) => {
    const a = start + (2 * Math.PI * i) / count
    return [radius * Math.cos(a), radius * Math.sin(a)]
  }).flat()

/** A polygon with the area of the circle, so that sums hold. */
const circle = (radius: number) => {
  const angle = (2 * Math.PI) / roundSides
  return polygon(radius * Math.sqrt(angle / Math.sin(angle)), roundSides)
}

const around = (loop: number[], [x, y]: readonly [number, number]) =>
  loop.map((v, i) => v + (i % 2 ? y : x))

/** A convex loop moved outward by `distance`, its corners rounded. */
function grown(hull: Loop, distance: number): number[] {
  if (distance === 0) return [...hull]
  const count = hull.length / 2
  const points: number[] = []
  for (let i = 0; i < count; i++) {
    const at = (k: number) => 2 * ((k + count) % count)
    const [p, q, r] = [at(i - 1), at(i), at(i + 1)]
    const from = Math.atan2(hull[p] - hull[q], hull[q + 1] - hull[p + 1])
    const until = Math.atan2(hull[q] - hull[r], hull[r + 1] - hull[q + 1])
    const turn = (until - from + 2 * Math.PI) % (2 * Math.PI)
    const steps = Math.max(1, Math.ceil(turn / (Math.PI / 48)))
    // The chord cuts the arc a little short; the radius makes up for it, so that areas hold.
    const step = turn / steps
    const radius = step > 1e-9 ? distance * Math.sqrt(step / Math.sin(step)) : distance
    for (let s = 0; s <= steps; s++) {
      const a = from + (turn * s) / steps
      points.push(hull[q] + radius * Math.cos(a), hull[q + 1] + radius * Math.sin(a))
    }
  }
  return points
}
