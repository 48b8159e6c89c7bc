import type { BuiltBox, Footprint } from '@mivro/core/mould'
import { boundsOfLoop } from '@mivro/core/form/shape'
import type { Section } from '@mivro/core/form/filling'
import { outlinePath } from '../../cutaway/frame.ts'

/** Where the side view and the view from above lie, px. */
export interface BoxDrawing {
  left: number
  right: number
  y: (height: number) => number
  /** The piece in its box, seen from the side. */
  piece: string
  plan: string
  hull: string
  planMiddle: number
  planBottom: number
}

const edge = { top: 56, bottom: 60, left: 96, gap: 150, right: 40 }

/**
 * The box from the side and from above at one scale. `turned`: the master stands the other way
 * than the piece is poured, so its cut is drawn upside down.
 */
export function boxDrawing(
  box: BuiltBox,
  foot: Footprint,
  section: Section,
  turned: boolean,
  width: number,
  height: number,
): BoxDrawing {
  const { low, high } = boundsOfLoop(box.plan)
  const [planWidth, planDepth] = [high[0] - low[0], high[1] - low[1]]
  const roomX = width - edge.left - edge.gap - edge.right
  const roomY = height - edge.top - edge.bottom
  const scale = Math.min(roomX / (box.width + planWidth), roomY / Math.max(box.height, planDepth))
  const left = edge.left + (roomX - scale * (box.width + planWidth)) / 2
  const right = left + box.width * scale
  const bottom = edge.top + (roomY + box.height * scale) / 2
  const y = (h: number) => bottom - h * scale
  const middle = (left + right) / 2 - ((section.left + section.right) / 2) * scale
  const stands = (h: number) => y(box.under + (turned ? section.height - h : h))
  // Masters that stand behind one another are seen as one.
  const aside = [...new Set(foot.places.map(([dx]) => dx))]
  const piece = aside
    .map((dx) => outlinePath(section, { x: (a) => middle + (a + dx) * scale, y: stands }))
    .join('')
  const planLeft = right + edge.gap
  const planMiddle = planLeft + (planWidth * scale) / 2
  const planTop = edge.top + (roomY - planDepth * scale) / 2
  const onPlan = (points: readonly number[]) => {
    const steps: string[] = []
    for (let i = 0; i < points.length; i += 2) {
      const x = planLeft + (points[i] - low[0]) * scale
      const v = planTop + (high[1] - points[i + 1]) * scale
      steps.push(`${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${v.toFixed(1)}`)
    }
    return `${steps.join('')}Z`
  }
  return {
    left,
    right,
    y,
    piece,
    plan: onPlan(box.plan),
    hull: foot.places
      .map(([dx, dy]) => onPlan(foot.one.map((x, i) => x + (i % 2 === 0 ? dx : dy))))
      .join(''),
    planMiddle,
    planBottom: planTop + planDepth * scale,
  }
}
