/** Fewer steps of the scale than this, and a step is too coarse for the amount. */
export const enoughSteps = 5

/** Whether a scale that reads to `step` is too coarse for `mass`, both kg. */
export const underScale = (mass: number, step: number): boolean => mass < enoughSteps * step

/**
 * How finely to show a weight, kg: by the scale's step, or ten times finer where the step would
 * swallow it (common practice, no source).
 *
 * @example displayStep(0.00019, 0.0001) // 0.00001 (0.19 g, not 0.2 g)
 */
export const displayStep = (mass: number, step: number): number =>
  underScale(mass, step) ? step / 10 : step
