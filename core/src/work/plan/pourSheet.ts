import { safetyInTurn, type PourStep, type SafetyLine } from '../../base/caution/index.ts'
import { laidBefore, type SetMoment } from '../../matter/inclusion/index.ts'
import type { CompiledLayer, CompiledPlan } from './compile/compiled.ts'
import { comesOutRubbery } from './ladder.ts'
import type { Plan } from './plan.ts'

/** One thing to do, with the safety lines to read before it (each once, before its first step). */
export interface SheetStep {
  step: PourStep
  layer?: CompiledLayer
  /** Seconds after the first mixing. */
  at?: number
  /** What is set in, which of the layer's, and until when it can be. */
  set?: SetStep
  /** When it comes out, for demoulding: hard, or rubbery and hard later; whether it has gates. */
  out?: { gated: boolean; hardAt: number; rubbery: boolean }
  safety: SafetyLine[]
}

/** What is set into a layer together: which of its inclusions, and when. */
export interface SetStep {
  inclusions: number[]
  when: SetMoment
}

/**
 * What is set into a layer, by how it gets in; nothing before its layer has a clock.
 *
 * @example setSteps(compiled.layers[0]) // []
 */
export function setSteps({ setIn }: Pick<CompiledLayer, 'setIn'>): SetStep[] {
  const found = new Map<string, SetStep>()
  for (const [i, { when }] of setIn.entries()) {
    if (!when) continue
    const known = found.get(when.how)
    if (known) known.inclusions.push(i)
    else found.set(when.how, { inclusions: [i], when })
  }
  return [...found.values()]
}

/**
 * The plan as steps in the order of the work: every layer weighed, mixed, poured, what is
 * set in at its moment, and the demoulding at the end. Layers that cannot be poured yet are left out.
 */
export function pourSheet(compiled: CompiledPlan, plan: Pick<Plan, 'out'> = {}): SheetStep[] {
  const lines = safetyInTurn()
  const poured = compiled.layers.filter((layer) => layer.clock && layer.weighing)
  const sheet = poured.flatMap((layer): SheetStep[] => {
    const { mixAt, pourAt } = layer.clock!
    const turned = ({ shell, hazards }: CompiledLayer): SheetStep[] =>
      shell ? [{ step: 'turn', layer, at: pourAt, safety: lines('turn', hazards) }] : []
    const set = (first: boolean): SheetStep[] =>
      setSteps(layer)
        .filter(({ when }) => laidBefore.has(when.how) === first)
        .map((set) => ({
          step: 'set',
          layer,
          at: set.when.from,
          set,
          safety: lines('set', layer.hazards),
        }))
    return [
      // A resin of minutes leaves no time between mixing and pouring: what is laid is laid before.
      ...set(true),
      { step: 'weigh', layer, safety: lines('weigh', layer.hazards) },
      { step: 'mix', layer, at: mixAt, safety: lines('mix', layer.hazards) },
      { step: 'pour', layer, at: pourAt, safety: lines('pour', layer.hazards) },
      ...turned(layer),
      ...set(false),
    ]
  })
  if (poured.length === 0) return []
  const hazards = poured.flatMap((layer) => layer.hazards)
  const trimAt = poured[poured.length - 1].clock!.trimAt
  const hardAt = compiled.demouldAt!
  const rubbery = comesOutRubbery(plan, trimAt)
  const out = { gated: trimAt !== undefined, hardAt, rubbery }
  const safety = lines('demould', hazards)
  return [...sheet, { step: 'demould', at: rubbery ? trimAt : hardAt, out, safety }]
}
