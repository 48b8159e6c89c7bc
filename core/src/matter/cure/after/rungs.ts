import type { ResinClass } from '../../material/index.ts'

/** What can be done with a cast once it is out, in the order of its ripening. */
export const rungNames = ['sand', 'paint', 'send', 'full', 'heatproof'] as const
export type RungName = (typeof rungNames)[number]

const hour = 3600
const day = 24 * hour

/** From the mixing, s, where the sheet does not say (common practice, no source). */
export const usualRungs: Record<ResinClass, Partial<Record<RungName, number>>> = {
  'deep epoxy': {
    sand: 3 * day,
    paint: 3 * day,
    send: 7 * day,
    full: 7 * day,
    heatproof: 21 * day,
  },
  'coating epoxy': {
    sand: 3 * day,
    paint: 3 * day,
    send: 7 * day,
    full: 7 * day,
    heatproof: 21 * day,
  },
  'fast urethane': { sand: 2 * hour, paint: day, send: 2 * day, full: 6 * day },
  'clear urethane': { sand: day, paint: 2 * day, send: 3 * day, full: 7 * day },
  polyester: { sand: day, paint: 2 * day, send: 7 * day, full: 7 * day },
}
