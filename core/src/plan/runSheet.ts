import { safetyFor, type Hazard, type PourStep, type SafetyLine } from '../caution/index.ts'
import type { CompiledLayer, CompiledPlan } from './compile/compiled.ts'

/** One thing to do, with the safety lines to read before it (each once, before its first step). */
export interface SheetStep {
  step: PourStep
  layer?: CompiledLayer
  /** Seconds after the first mixing. */
  at?: number
  /** When gates trim easily, for demoulding; absent for an open mould. */
  trimAt?: number
  safety: SafetyLine[]
}

/**
 * The plan as steps in the order of the work: every layer weighed, mixed, poured, and the
 * demoulding at the end. Layers that cannot be poured yet are left out.
 */
export function runSheet(compiled: CompiledPlan): SheetStep[] {
  const shown = new Set<string>()
  const lines = (step: PourStep, hazards: Iterable<Hazard>) => {
    const fresh = safetyFor(step, hazards).filter((line) => !shown.has(line.id))
    fresh.forEach((line) => shown.add(line.id))
    return fresh
  }
  const poured = compiled.layers.filter((layer) => layer.clock && layer.weighing)
  const sheet = poured.flatMap((layer): SheetStep[] => {
    const { mixAt, pourAt } = layer.clock!
    return [
      { step: 'weigh', layer, safety: lines('weigh', layer.hazards) },
      { step: 'mix', layer, at: mixAt, safety: lines('mix', layer.hazards) },
      { step: 'pour', layer, at: pourAt, safety: lines('pour', layer.hazards) },
    ]
  })
  if (poured.length === 0) return []
  const hazards = poured.flatMap((layer) => layer.hazards)
  const trimAt = poured[poured.length - 1].clock!.trimAt
  const out = { at: compiled.demouldAt, trimAt, safety: lines('demould', hazards) }
  return [...sheet, { step: 'demould', ...out }]
}
