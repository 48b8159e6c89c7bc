import { caution, type Caution, type SlipField } from '../../base/caution/index.ts'
import type { Kind } from '../../base/units/index.ts'
import { resinClasses } from './classes.ts'
import {
  usualLimits,
  usualPot,
  type Material,
  type Resin,
  type Silicone,
  type Tint,
} from './material.ts'

/**
 * What looks like a slip on a sheet that can be read: a value outside what is usual for its
 * class, or times that contradict each other. The sheet may be right, so nothing is refused.
 *
 * @example slipsOf({ ...deepEpoxy, potLife: 40 })[0].code // 'sheet-slip'
 */
export function slipsOf(material: Material): Caution[] {
  if (material.kind === 'resin') return resinSlips(material)
  if (material.kind === 'silicone') return siliconeSlips(material)
  if (material.kind === 'tint') return tintSlips(material)
  return []
}

function resinSlips(resin: Resin): Caution[] {
  const facts = resinClasses[resin.class]
  const found = [
    slip('potLife', resin.potLife, facts.potLife, 'duration', resin.class),
    slip('demould', resin.demould, facts.demould, 'duration', resin.class),
    slip('densityA', resin.densityA, partDensity(facts.density), 'density', resin.class),
    slip('densityB', resin.densityB, partDensity(facts.density), 'density', resin.class),
  ]
  if (resin.potMass === undefined) {
    found.push([caution('pot-mass-assumed', 'note', { field: 'potMass' }, { mass: usualPot })])
  }
  const gel = resin.gelTime
  if (gel !== undefined && gel < resin.potLife) {
    found.push([
      caution('gel-before-pot-life', 'warn', { field: 'gelTime' }, { potLife: resin.potLife, gel }),
    ])
  }
  if (resin.recoatUntil !== undefined && resin.recoatUntil < (gel ?? resin.potLife)) {
    const amounts = { recoat: resin.recoatUntil, gel: gel ?? resin.potLife }
    found.push([caution('recoat-before-gel', 'warn', { field: 'recoatUntil' }, amounts)])
  }
  if (resin.demould < (gel ?? resin.potLife)) {
    const amounts = { gel: gel ?? resin.potLife, demould: resin.demould }
    found.push([caution('demould-before-gel', 'warn', { field: 'demould' }, amounts)])
  }
  return found.flat()
}

/** What is usual for mould silicones (common practice, no source). */
const usualSilicone = {
  platinum: { potLife: [3 * 60, 90 * 60], demould: [20 * 60, 24 * 3600], shrinkage: [0, 0.004] },
  tin: { potLife: [10 * 60, 120 * 60], demould: [4 * 3600, 48 * 3600], shrinkage: [0.001, 0.02] },
} as const

function siliconeSlips(silicone: Silicone): Caution[] {
  const usual = usualSilicone[silicone.chemistry]
  const kind = `${silicone.chemistry} silicone` as const
  const found = [
    slip('potLife', silicone.potLife, usual.potLife, 'duration', kind),
    slip('demould', silicone.demould, usual.demould, 'duration', kind),
    slip('shrinkage', silicone.shrinkage, usual.shrinkage, 'fraction', kind),
    slip('densityA', silicone.densityA, [950, 1450], 'density', kind),
  ].flat()
  if (silicone.demould < silicone.potLife) {
    const amounts = { gel: silicone.potLife, demould: silicone.demould }
    found.push(caution('demould-before-gel', 'warn', { field: 'demould' }, amounts))
  }
  return found
}

function tintSlips(tint: Tint): Caution[] {
  return slip('limit', tint.limit, usualLimits[tint.form], 'fraction', tint.form)
}

/** Parts spread wider than their mix: hardeners are lighter, filled parts heavier. */
const partDensity = ([low, high]: readonly [number, number]) => [low - 120, high + 120] as const

function slip(
  field: SlipField,
  value: number,
  [low, high]: readonly [number, number],
  kind: Kind,
  of: string,
): Caution[] {
  if (value >= low && value <= high) return []
  const amounts = { field, kind, value, low, high, of }
  return [caution('sheet-slip', 'warn', { field }, amounts)]
}
