import type { BuiltBox, Footprint, Mould } from '@mivro/core/mould'
import { coatThickness, convexHull, mouldKinds } from '@mivro/core/mould'
import { toAxes, type Vec3 } from '@mivro/core/form/mesh'
import type { Section } from '@mivro/core/form/filling'
import { outlinePath } from '../../cutaway/frame.ts'

/** Where the parts of a mould that is being made lie on a drawing, px. */
export interface StepDrawing {
  left: number
  right: number
  floor: number
  /** The fill line, and the parting of two halves. */
  fill: number
  parting?: number
  master: string
  /** Rods of gates and vents: from the piece to the top. */
  rods: { x: number; y: number; width: number }[]
  /** Of a coat and of a shell around them, px. */
  coat: number
  shell: number
  /** A printed shell: its hull, and how wide its cavity and its outside are drawn around it, px. */
  jacket?: { hull: string; inside: number; outside: number; flange: number }
  /** Silicone at the parting: from and to, and where its keys lie. */
  seam: { from: number; to: number; keys: number[] }
  scale: number
}

const edge = { top: 54, side: 70, bottom: 44 }
/** What stands around a master that has no box, and a shell around its coats, m. */
const around = 0.02
const shellWall = 0.006
/** Flange of a printed shell beyond its wall, m; keys of a box from its walls, px. */
const flange = 0.008
const keyInset = 18

/**
 * A mould from the side at one scale, its master as it stands in its box. `turned`: it stands the other
 * way than the piece is poured.
 */
export function stepDrawing(
  {
    mould,
    foot,
    box,
    parting,
    section,
    turned,
  }: {
    mould: Mould
    foot: Footprint
    box?: BuiltBox
    /** m above the master's lowest point. */
    parting: number
    section: Section
    turned: boolean
  },
  width: number,
  height: number,
): StepDrawing {
  const across = section.right - section.left
  const printed = mouldKinds[mould.kind].poured === 'shell'
  const sides = printed ? mould.layer + mould.shellWall : around
  const size =
    box && !printed
      ? box
      : {
          width: across + 2 * sides,
          height: section.height + (printed ? 2 : 1) * sides,
          under: printed ? sides : 0,
        }
  const scale = Math.min(
    (width - 2 * edge.side) / size.width,
    (height - edge.top - edge.bottom) / size.height,
  )
  const middle = width / 2
  const floor = (height + edge.top - edge.bottom + size.height * scale) / 2
  const y = (h: number) => floor - h * scale
  const stands = (h: number) => y(size.under + (turned ? section.height - h : h))
  const x = (a: number) => middle + (a - (section.left + section.right) / 2) * scale
  // Masters that stand behind one another are seen as one.
  const aside = box && !printed ? [...new Set(foot.places.map(([dx]) => dx))] : [0]
  const rods = mould.openings
    .filter(({ made }) => (printed || box !== undefined) && made === 'cast in')
    .flatMap(({ at, bore }) => {
      const [a, , h] = toAxes(section.axes, at as Vec3)
      return aside.map((dx) => ({
        x: x(a - section.origin[0] + dx),
        y: stands(h - section.origin[2]),
        width: Math.max(3, bore * scale),
      }))
    })
  const hull = convexHull(Float64Array.from(section.outlines.flatMap(({ points }) => [...points])))
  const jacket = printed && {
    hull: outlinePath(
      { outlines: [{ points: Float64Array.from(hull), closed: true }] },
      { x, y: stands },
    ),
    inside: 2 * mould.layer * scale,
    outside: 2 * (mould.layer + mould.shellWall) * scale,
    flange: flange * scale,
  }
  const [left, right] = [middle - (size.width / 2) * scale, middle + (size.width / 2) * scale]
  const seam = printed ? seamOf(hull, turned ? section.height - parting : parting) : undefined
  const [from, to] = seam ? [x(seam[0] - mould.layer), x(seam[1] + mould.layer)] : [left, right]
  const key = printed ? (mould.layer * scale) / 2 : keyInset
  const twoParts = mouldKinds[mould.kind].parts === 2
  return {
    left,
    right,
    floor,
    fill: y(size.height),
    parting: twoParts && (printed || box) ? y(size.under + parting) : undefined,
    master: aside.map((dx) => outlinePath(section, { x: (a) => x(a + dx), y: stands })).join(''),
    rods,
    jacket: jacket || undefined,
    seam: { from, to, keys: [from + key, to - key] },
    coat: Math.max(2, coatThickness * scale),
    shell: shellWall * scale,
    scale,
  }
}

/** How far a hull reaches to both sides at a height, m. */
function seamOf(hull: readonly number[], wanted: number): [number, number] {
  const heights = hull.filter((_, i) => i % 2 === 1)
  const height = Math.max(Math.min(...heights), Math.min(wanted, Math.max(...heights)))
  const crossings = hull.flatMap((x, i) => {
    if (i % 2 === 1) return []
    const [h, x2, h2] = [hull[i + 1], hull[(i + 2) % hull.length], hull[(i + 3) % hull.length]]
    if (h === h2 || (h - height) * (h2 - height) > 0) return []
    return [x + ((x2 - x) * (height - h)) / (h2 - h)]
  })
  return [Math.min(...crossings), Math.max(...crossings)]
}
