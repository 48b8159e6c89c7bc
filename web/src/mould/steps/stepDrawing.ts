import type { BuiltBox, Footprint, Mould } from '@mivro/core/mould'
import { coatThickness, mouldKinds } from '@mivro/core/mould'
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
  scale: number
}

const edge = { top: 54, side: 70, bottom: 44 }
/** What stands around a master that has no box, and a shell around its coats, m. */
const around = 0.02
const shellWall = 0.006

/**
 * A mould from the side at one scale, its master as it stands in its box. `turned`: it stands the other
 * way than the piece is poured.
 */
export function stepDrawing(
  {
    mould,
    foot,
    box,
    section,
    turned,
  }: {
    mould: Mould
    foot: Footprint
    box?: BuiltBox & { parting: number }
    section: Section
    turned: boolean
  },
  width: number,
  height: number,
): StepDrawing {
  const across = section.right - section.left
  const size = box ?? {
    width: across + 2 * around,
    height: section.height + around,
    under: 0,
    parting: 0,
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
  const aside = box ? [...new Set(foot.places.map(([dx]) => dx))] : [0]
  const rods = mould.openings
    .filter(({ made }) => box !== undefined && made === 'cast in')
    .flatMap(({ at, bore }) => {
      const [a, , h] = toAxes(section.axes, at as Vec3)
      return aside.map((dx) => ({
        x: x(a - section.origin[0] + dx),
        y: stands(h - section.origin[2]),
        width: Math.max(3, bore * scale),
      }))
    })
  const twoParts = mouldKinds[mould.kind].parts === 2
  return {
    left: middle - (size.width / 2) * scale,
    right: middle + (size.width / 2) * scale,
    floor,
    fill: y(size.height),
    parting: twoParts && box ? y(size.under + size.parting) : undefined,
    master: aside.map((dx) => outlinePath(section, { x: (a) => x(a + dx), y: stands })).join(''),
    rods,
    coat: Math.max(2, coatThickness * scale),
    shell: shellWall * scale,
    scale,
  }
}
