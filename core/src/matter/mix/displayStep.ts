/** Fewer steps of the scale than this, and a step is too coarse for the amount. */
export const enoughSteps = 5

/** Whether a scale that reads to `step` is too coarse for `mass`, both kg. */
export const underScale = (mass: number, step: number): boolean => mass < enoughSteps * step

/** No weight is shown finer than this share of the scale's step. */
const finest = 1e-5

/**
 * How finely to show a weight, kg: by the scale's step, or finer by tens where the step would
 * swallow it, until two digits are left (common practice, no source).
 *
 * @example displayStep(0.00019, 0.0001) // 0.00001 (0.19 g, not 0.2 g)
 */
export function displayStep(mass: number, step: number): number {
  if (!underScale(mass, step) || !(mass > 0)) return step
  let finer = step / 10
  while (mass < 10 * finer * (1 - 1e-9) && finer > finest * step) finer /= 10
  return finer
}
