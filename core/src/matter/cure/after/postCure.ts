import type { ResinClass } from '../../material/index.ts'
import { alphaAfter, cureRate, type Kinetics } from '../kinetics/index.ts'
import { glassAt, glassOf, glassyAt } from './glass.ts'

/** No faster than this a cast is warmed and cooled, K/s: 10 K an hour, or it warps and cracks (common practice, no source). */
export const usualRamp = 10 / 3600

/** A warm cupboard after the mould: its temperature, K, and how long it is held there, s. */
export interface PostCure {
  temperature: number
  hold: number
}

/** What warmth after the mould gains. */
export interface PostCured {
  /** Degree of cure before and after, and the glass transitions, K. */
  before: { alpha: number; glass: number }
  after: { alpha: number; glass: number }
}

/**
 * How long a post-cure takes: warmed, held, cooled, s.
 *
 * @example postCureTakes({ temperature: 331.15, hold: 7200 }, 294.15) / 3600 // 9.4 (3.7 h up, 2 h, 3.7 h down)
 */
export const postCureTakes = ({ temperature, hold }: PostCure, room: number): number =>
  (2 * Math.max(0, temperature - room)) / usualRamp + hold

/** Steps of the march through a post-cure, s. */
const step = 60

/**
 * What a post-cure gains by the model of the cure: the degree of cure that its room has reached by
 * then, held where it turns to glass, then carried through ramp, hold and cooling (midpoint rule), and
 * the glass transition of both. `begins` s after the parts met, `room` K.
 */
export function postCured(
  kinetics: Kinetics,
  resin: ResinClass,
  { begins, room, cure }: { begins: number; room: number; cure: PostCure },
): PostCured {
  const glass = glassOf[resin]
  const before = Math.min(alphaAfter(kinetics, begins, room), glassyAt(glass, room))
  const up = Math.max(0, cure.temperature - room) / usualRamp
  const takes = postCureTakes(cure, room)
  const warmth = (time: number) => room + usualRamp * Math.max(0, Math.min(time, up, takes - time))
  let alpha = before
  for (let time = 0; time < takes; time += step) {
    const temperature = warmth(time + step / 2)
    const end = glassyAt(glass, temperature)
    if (alpha >= end) continue
    const middle = alpha + (step / 2) * cureRate(kinetics, alpha, temperature)
    const rise = step * cureRate(kinetics, Math.min(0.9999, middle), temperature)
    alpha = Math.min(end, 0.9999, alpha + rise)
  }
  return {
    before: { alpha: before, glass: glassAt(glass, before) },
    after: { alpha, glass: glassAt(glass, alpha) },
  }
}
