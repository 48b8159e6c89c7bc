import { resinClasses, type Resin, type Shelf } from '../../matter/material/index.ts'
import type { Mould } from '../../mould/index.ts'
import type { CompiledPlan, Plan } from '../../work/plan/index.ts'
import { ratioErrors, type Pull } from '../../work/pull/index.ts'
import type { Facts } from './finding.ts'

/** What a pull followed, and what it was poured into. */
export interface Followed {
  plan?: Plan
  compiled?: Pick<CompiledPlan, 'layers'>
  shelf: Shelf
  mould?: Mould
  /** Share of its life that the mould has behind it. */
  worn?: number
}

const known = <T>(values: (T | undefined)[]): T[] => values.filter((one) => one !== undefined)
const most = (values: number[]) => (values.length > 0 ? Math.max(...values) : undefined)
const ratio = (a: number | undefined, b: number | undefined) =>
  a === undefined || !b ? undefined : a / b

/**
 * What is known of how a pull was poured, from its own record, the plan that it followed and the
 * sheets of its resins; of one copy, where it is known when that was full. What nobody wrote down is
 * left out.
 */
export function factsOf(
  pull: Pull,
  { plan, compiled, shelf, mould, worn }: Followed,
  copy?: number,
): Facts {
  const resins = known(
    (plan?.layers ?? []).map(({ resin }) => {
      const found = shelf.get(resin ?? '')
      return found?.kind === 'resin' ? found : undefined
    }),
  )
  const { times, method } = pull
  const own = pull.results?.find((one) => one.copy === copy)
  const thick = most(known(resins.map(({ viscosity }) => viscosity)))
  const resin: Resin | undefined = resins[0]
  const errors = known(ratioErrors(pull))
  const worst = errors.toSorted((a, b) => Math.abs(b) - Math.abs(a))[0]
  const clocks = known((compiled?.layers ?? []).map(({ clock }) => clock))
  return {
    resin: resin && (resinClasses[resin.class].hazard as Facts['resin']),
    viscosity: thick,
    potLife: resins.length > 0 ? Math.min(...resins.map(({ potLife }) => potLife)) : undefined,
    room: pull.room,
    humidity: pull.humidity,
    ratioError: worst,
    tintOfLimit: tintOfLimit(pull, plan, shelf),
    stirred: ratio(times?.stirred, resin?.mixTime),
    secondCup: method?.secondCup && method.secondCup === 'yes',
    pouredAt: ratio(own?.full ?? times?.full, times?.pours),
    pressure: method?.pressure,
    pressureAt: method?.pressure ? ratio(times?.atPressure, times?.gels) : undefined,
    heldUntil: method?.pressure ? ratio(times?.letGo, times?.hard) : undefined,
    vacuum: method?.way && method.vacuum !== undefined,
    prefilled: method?.prefills ? ratio(method.prefilled ?? 0, method.prefills) : undefined,
    tilt: method?.tilt,
    dusted: method?.dust === undefined ? undefined : method.dust !== 'none',
    released: method?.release === undefined ? undefined : method.release !== 'none',
    wiped: method?.wiped && method.wiped === 'yes',
    leaked: pull.mishaps && happened(pull.mishaps, 'seam leaks'),
    lostPressure: pull.mishaps && happened(pull.mishaps, 'pressure lost'),
    turned: isTurned(mould, compiled),
    turnedUntil: ratio(times?.turned, times?.still),
    ofWall: ratio(pull.castMass, wallMass(compiled)),
    opened: most(known((pull.lots ?? []).map(({ opened }) => opened))),
    demouldedAt: ratio(times?.out, times?.hard),
    depthOfLimit: most(
      known(
        (compiled?.layers ?? []).map(({ thick: deep, batch }) =>
          ratio(deep, batch?.resin.maxDepth),
        ),
      ),
    ),
    hottest: most(known(clocks.map(({ peak }) => peak?.temperature))),
    bands: method?.bands ?? mould?.liking.bands,
    keyed: mould && mould.liking.keys.trim() !== '' ? true : undefined,
    worn,
    siliconeClear: mould && (mould.vessel !== undefined || mould.pressure !== undefined),
    shrinkage: most(known(resins.map(({ shrinkage }) => shrinkage))),
  }
}

/** It is cast in a turning mould, or as a wall; undefined where neither is known. */
const isTurned = (mould?: Mould, compiled?: Followed['compiled']): boolean | undefined => {
  if (compiled?.layers.some(({ shell }) => shell)) return true
  return mould && mould.kind === 'turning'
}

/** What a hollow cast was to weigh, kg; undefined for a solid one. */
const wallMass = (compiled?: Followed['compiled']): number | undefined => {
  const layers = compiled?.layers ?? []
  if (!layers.some(({ shell }) => shell)) return undefined
  return layers.reduce((sum, { each }) => sum + (each?.mass ?? 0), 0)
}

const happened = (mishaps: NonNullable<Pull['mishaps']>, which: string): boolean =>
  mishaps.some(({ what }) => what === which)

/** The largest dose that was weighed, over its limit. */
function tintOfLimit(pull: Pull, plan: Plan | undefined, shelf: Shelf): number | undefined {
  const doses = pull.layers.flatMap(({ amounts }, i) => {
    const mass = (what: string) =>
      amounts
        .filter((one) => one.what === what)
        .reduce((sum, one) => sum + (one.weighed ?? one.planned), 0)
    const resin = mass('A') + mass('B')
    const tints = amounts.filter(({ what }) => what === 'tint')
    return tints.flatMap((tint, k) => {
      const material = shelf.get(plan?.layers[i]?.tints[k]?.material ?? '')
      if (material?.kind !== 'tint' || !(resin > 0)) return []
      return [(tint.weighed ?? tint.planned) / resin / material.limit]
    })
  })
  return most(doses)
}
