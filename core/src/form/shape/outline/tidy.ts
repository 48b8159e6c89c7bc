import type { CrossSection } from 'manifold-3d'
import type { SolidKernel } from '../overlap/unite.ts'
import { UnionFind } from '../../mesh/unionFind.ts'
import type { DrawnLoop } from './fromPaths.ts'
import { crossingOf } from './loops.ts'
import { mostPoints } from './outline.ts'

/** The library works to 1e-8 of its unit: millimetres keep that far below what a cutter does. */
const mm = 1000

/** Corners of a shape that touch are drawn apart by this, mm: a hundredth of a hair. */
const apart = 0.001

/** Outlines with too many points are simplified within this share of their size. */
const coarse = 1e-4

/** What was made of a drawing's loops. */
export interface TidyLoops {
  loops: number[][]
  /** Shapes that met themselves or one another and were joined. */
  joined: number
}

/**
 * Loops that neither cross nor touch, whatever way they were drawn. A shape that crosses itself is
 * filled by its own rule, shapes that meet are joined, one that lies free within another stays a
 * hole in it. Loops with more points than are read are simplified.
 *
 */
export async function tidyLoops(
  drawn: readonly DrawnLoop[],
  kernel: SolidKernel,
): Promise<TidyLoops> {
  const loops = drawn.map(({ loop }) => loop)
  const points = loops.reduce((sum, loop) => sum + loop.length / 2, 0)
  const fine = points > mostPoints
  if (!fine && !crossingOf(loops)) return { loops, joined: 0 }
  const { CrossSection: Section } = await kernel()
  const size = sizeOf(loops)
  const shapes = shapesOf(drawn).map((shape) => {
    const filled = new Section(
      polygonsOf(shape),
      shape[0].rule === 'evenodd' ? 'EvenOdd' : 'NonZero',
    )
    return separate(fine ? filled.simplify(coarse * size * mm) : filled)
  })
  const sets = new UnionFind(shapes.length)
  const bounds = shapes.map((shape) => shape.bounds())
  let joined = 0
  for (let i = 0; i < shapes.length; i++) {
    for (let j = 0; j < i; j++) {
      if (!boundsMeet(bounds[i], bounds[j]) || !meets(shapes[i], shapes[j])) continue
      sets.join(i, j)
      joined++
    }
  }
  const groups = new Map<number, CrossSection[]>()
  shapes.forEach((shape, i) => {
    const root = sets.root(i)
    groups.set(root, [...(groups.get(root) ?? []), shape])
  })
  const whole = [...groups.values()].flatMap((group) =>
    loopsOf(group.length > 1 ? separate(Section.union(group)) : group[0]),
  )
  return { loops: whole, joined: joined + 1 }
}

function shapesOf(drawn: readonly DrawnLoop[]): DrawnLoop[][] {
  const shapes = new Map<number, DrawnLoop[]>()
  for (const loop of drawn) shapes.set(loop.shape, [...(shapes.get(loop.shape) ?? []), loop])
  return [...shapes.values()]
}

const polygonsOf = (shape: readonly DrawnLoop[]) =>
  shape.map(({ loop }) =>
    Array.from({ length: loop.length / 2 }, (_, i): [number, number] => [
      loop[2 * i] * mm,
      loop[2 * i + 1] * mm,
    ]),
  )

const loopsOf = (shape: CrossSection): number[][] =>
  shape.toPolygons().map((polygon) => polygon.flatMap(([x, y]) => [x / mm, y / mm]))

/** Drawn in by a hair where corners of the shape touch. */
function separate(shape: CrossSection): CrossSection {
  return crossingOf(loopsOf(shape)) ? shape.offset(-apart, 'Miter') : shape
}

type Bounds = ReturnType<CrossSection['bounds']>

const boundsMeet = (a: Bounds, b: Bounds) =>
  [0, 1].every((k) => a.min[k] <= b.max[k] && b.min[k] <= a.max[k])

const meets = (a: CrossSection, b: CrossSection) =>
  crossingOf([...loopsOf(a), ...loopsOf(b)]) !== undefined

function sizeOf(loops: readonly (readonly number[])[]): number {
  let far = 0
  for (const loop of loops) for (const x of loop) far = Math.max(far, Math.abs(x))
  return 2 * far
}
