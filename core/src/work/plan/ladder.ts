import {
  postCured,
  postCureTakes,
  rungNames,
  usualRungs,
  type Basis,
  type Kinetics,
  type PostCured,
  type RungName,
} from '../../matter/cure/index.ts'
import type { CompiledLayer, CompiledPlan } from './compile/compiled.ts'
import type { Plan } from './plan.ts'

/** Warmth to begin with: 60 °C for four hours (common practice, no source). */
export const usualPostCure = { temperature: 333.15, hold: 4 * 3600 }

/** One step of what may be done with a cast, s after the first mixing. */
export interface Rung {
  rung: RungName | 'rubbery' | 'hard' | 'out' | 'post-cure'
  at: number
  /** Until it is over: gates that are hard, a cupboard that is cold again. */
  until?: number
  basis: Basis | 'usual'
}

/**
 * Whether it comes out while its gates are rubbery: as the plan has it, where there are gates. Nothing
 * comes out of a pot before it is hard.
 *
 * @example comesOutRubbery({ out: 'rubbery' }, 4000) // true
 */
export const comesOutRubbery = (
  { out }: Pick<Plan, 'out'>,
  trimAt: number | undefined,
): trimAt is number => out === 'rubbery' && trimAt !== undefined

/**
 * The ladder of cure: out of the mould, then what its slowest layer lets hands do, each rung no sooner
 * than the one before. A layer that takes longer to harden than its sheet says, in a cold room, takes
 * as much longer for all of them. Nothing while no layer has a resin.
 *
 * @example ladderOf(plan, { layers: [] }) // []
 */
export function ladderOf(
  plan: Pick<Plan, 'out' | 'postCure' | 'room'>,
  { layers }: Pick<CompiledPlan, 'layers'>,
): Rung[] {
  const poured = layers.filter(({ clock, batch }) => clock && batch)
  if (poured.length === 0) return []
  const last = poured.at(-1)!
  const hard = Math.max(...poured.map(({ clock }) => clock!.demouldAt))
  const { trimAt, basis } = last.clock!
  const found: Rung[] = []
  if (comesOutRubbery(plan, trimAt)) {
    found.push({ rung: 'rubbery', at: trimAt, until: hard, basis: 'rule' })
    found.push({ rung: 'hard', at: hard, basis: basis.demould })
  } else found.push({ rung: 'out', at: hard, basis: basis.demould })
  let cured = 0
  if (plan.postCure) {
    const takes = postCureTakes(plan.postCure, plan.room)
    cured = hard + takes
    found.push({ rung: 'post-cure', at: hard, until: cured, basis: 'rule' })
  }
  let least = Math.max(hard, cured)
  for (const rung of rungNames) {
    const usual = poured.map((layer) => usualAt(layer, rung))
    if (usual.some((at) => at === undefined)) continue
    const bySheet = Math.max(...(usual as number[]))
    // Warmth takes the place of the days that it would take at the bench.
    least = Math.max(least, plan.postCure && rung !== 'heatproof' ? cured : bySheet)
    found.push({ rung, at: least, basis: 'usual' })
  }
  return found
}

/**
 * What its post-cure gains the layer that was mixed last, whose cure is the youngest when all of it is
 * out. Undefined without a post-cure, or while nothing can be poured.
 *
 * @example gainOf({ room: 294 }, { layers: [] }, {}) // undefined
 */
export function gainOf(
  { postCure, room }: Pick<Plan, 'postCure' | 'room'>,
  { layers, demouldAt }: Pick<CompiledPlan, 'layers' | 'demouldAt'>,
  kinetics: Kinetics,
): PostCured | undefined {
  const last = layers.findLast(({ clock, batch }) => clock && batch)
  if (!postCure || !last || demouldAt === undefined) return undefined
  const begins = demouldAt - last.clock!.mixAt
  return postCured(kinetics, last.batch!.resin.class, { begins, room, cure: postCure })
}

function usualAt({ clock, batch }: CompiledLayer, rung: RungName): number | undefined {
  const { resin } = batch!
  const usual = usualRungs[resin.class][rung]
  const slower = Math.max(1, (clock!.demouldAt - clock!.mixAt) / resin.demould)
  return usual === undefined ? undefined : roundedUp(clock!.mixAt + usual * slower)
}

/** A usual time is known to five minutes within a few hours, later to the hour, s. */
const roundedUp = (at: number): number => {
  const step = at < 6 * 3600 ? 300 : 3600
  return step * Math.ceil(at / step - 1e-9)
}
