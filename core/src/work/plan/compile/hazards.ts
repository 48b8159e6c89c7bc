import type { Hazard } from '../../../base/caution/index.ts'
import { hasTrait, type ThingTrait } from '../../../matter/inclusion/index.ts'
import { isDry, resinClasses, type Resin } from '../../../matter/material/index.ts'
import type { Dose } from '../../../matter/mix/index.ts'
import type { StackedLayer } from './stack.ts'

/** From this depth on a pour is called deep, m (common practice, no source). */
const deepFrom = 0.02

/** What some things bring to the bench. */
const ofTraits: Partial<Record<ThingTrait, Hazard>> = { magnetic: 'magnet', conducts: 'conductor' }

/** Which safety lines apply to a layer. */
export function hazardsOf(
  { layer }: StackedLayer,
  thick: number,
  resin: Resin | undefined,
  tints: readonly Dose[],
): Hazard[] {
  const hazards: Hazard[] = []
  if (resin) hazards.push('any resin', resinClasses[resin.class].hazard)
  if (tints.some(({ material }) => isDry(material.form))) hazards.push('powder')
  if (thick >= deepFrom) hazards.push('deep pour')
  if (layer.inclusions.length > 0) hazards.push('inclusion')
  for (const [trait, hazard] of Object.entries(ofTraits) as [ThingTrait, Hazard][]) {
    if (layer.inclusions.some((one) => hasTrait(one, trait))) hazards.push(hazard)
  }
  return hazards
}
