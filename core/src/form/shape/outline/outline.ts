import { z } from '../../../base/schema/index.ts'
import { refuse, quantity } from '../../../base/document/index.ts'
import { crossingOf, insideLoop, areaOfLoop, type Loop } from './loops.ts'

/** More points than this are finer than a cutter follows. */
export const mostPoints = 6000

/**
 * A flat outline given a thickness: loops of x, y pairs in metres, outer ones and holes, each
 * closed by itself. What is inside goes by even and odd.
 */
export const outlineSchema = z
  .object({
    loops: z.array(z.array(z.number()).min(6)).min(1).max(400),
    thickness: quantity('length', 0.0005, 0.5),
    bevel: quantity('length', 0, 0.05),
  })
  .superRefine(({ loops, thickness, bevel }, context) => {
    const points = loops.reduce((sum, loop) => sum + loop.length / 2, 0)
    if (points > mostPoints) {
      refuse(context, ['loops'], 'outline-too-fine', { points, limit: mostPoints })
      return
    }
    const crossing = crossingOf(loops)
    if (crossing) refuse(context, ['loops'], 'outline-crosses', crossing)
    const limit = thickness * 0.95
    if (bevel > limit) refuse(context, ['bevel'], 'bevel-too-large', { bevel, limit })
  })
export type Outline2D = z.infer<typeof outlineSchema>

/** Loops with those that bound material running counter-clockwise and holes clockwise. */
export function woundLoops(loops: readonly Loop[]): { loop: Loop; hole: boolean; depth: number }[] {
  return loops.map((loop, i) => {
    const depth = loops.filter((other, j) => j !== i && insideLoop(other, loop[0], loop[1])).length
    const hole = depth % 2 === 1
    const counter = areaOfLoop(loop) > 0
    return { loop: counter === hole ? reversed(loop) : [...loop], hole, depth }
  })
}

function reversed(loop: Loop): number[] {
  const turned: number[] = []
  for (let i = loop.length - 2; i >= 0; i -= 2) turned.push(loop[i], loop[i + 1])
  return turned
}
