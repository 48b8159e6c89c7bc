import { enoughSteps } from './displayStep.ts'

/** One part stirred into so many in all. */
const dilution = 10

/** 0.498 g will do where half a gram was wanted. */
const nearly = 0.9

export interface MasterBatch {
  /** Stir this much of it, kg, into `carrier` kg of the part it belongs to. */
  active: number
  carrier: number
  /** Then use this much of the two together, kg, and take `carrierUsed` less of that part. */
  use: number
  carrierUsed: number
  /** Times it was thinned 1 to 10. */
  times: number
}

/**
 * How to weigh out less than the scale shows: thin it 1 to 10 in the part it goes into, as often
 * as it takes for what is used to be several steps of the scale (common practice, no source).
 * Undefined where the scale is fine enough as it is.
 *
 * @example masterBatch(0.00005, 0.0001).use // 0.0005 (of 1 to 10)
 */
export function masterBatch(mass: number, step: number): MasterBatch | undefined {
  const least = enoughSteps * step
  if (!(mass > 0) || mass >= least) return undefined
  let times = 0
  let use = mass
  while (use < nearly * least && times < 4) {
    use *= dilution
    times++
  }
  // Enough of it is made that its own active part is weighed well.
  const active = Math.max(least, use / dilution)
  return {
    active,
    carrier: active * (dilution - 1),
    use,
    carrierUsed: use - mass,
    times,
  }
}
