import { calibrate, followCup, learn } from '../../matter/cure/index.ts'
import { weightShares } from '../../matter/mix/index.ts'
import type { Resin } from '../../matter/material/index.ts'
import { contentOf, type Cup } from './world.ts'

/** So many points of a story are kept. */
const points = 160
/** A cup that is back within so much of the room is over, K. */
const over = 0.5

/** How warm a mix gets in its cup, s after its parts met. */
type Warmth = NonNullable<Cup['warmth']>

/**
 * How a cup warms by what is really in it: of parts that do not match only what finds its partner
 * reacts, and the rest is warmed along.
 */
export function warmthOf({ parts, ...cup }: Cup, resin: Resin, room: number): Warmth | undefined {
  const mass = contentOf({ ...cup, parts })
  const [a, b] = [parts.A ?? 0, parts.B ?? 0]
  if (!(mass > 0) || !(a > 0) || !(b > 0)) return undefined
  const shares = weightShares(resin.ratio, resin)
  const reacts = Math.min(a / shares.a, b / shares.b) / mass
  const { law } = learn(calibrate(resin), resin)
  const own = { ...law, thermal: { ...law.thermal, heat: law.thermal.heat * Math.min(1, reacts) } }
  const time: number[] = []
  const temperature: number[] = []
  let peaked = false
  followCup(own, { mass, room }, (now) => {
    time.push(now.time)
    temperature.push(now.temperature)
    peaked ||= now.alpha > 0.5
    return !(peaked && now.temperature - room < over) && now.time < 3 * 24 * 3600
  })
  const every = Math.max(1, Math.ceil(time.length / points))
  const kept = (_: number, i: number) => i % every === 0 || i === time.length - 1
  return { time: time.filter(kept), temperature: temperature.filter(kept) }
}
