/** The steps of making a mould that can hurt someone, in their order. */
export const mouldSteps = ['prepare', 'build', 'silicone', 'vacuum', 'pressure', 'open'] as const
export type MouldStep = (typeof mouldSteps)[number]

/** The steps of a pour that can hurt someone, in their order. */
export const pourSteps = ['weigh', 'mix', 'pour', 'turn', 'set', 'demould'] as const
export type PourStep = (typeof pourSteps)[number]

/** Steps that stand at the bench alone. */
export const benchSteps = ['release'] as const
export type BenchStep = (typeof benchSteps)[number]

export type Step = MouldStep | PourStep | BenchStep

/** What lies on the bench, as far as safety asks. */
export const hazards = [
  'any resin',
  'epoxy',
  'urethane',
  'polyester',
  'powder',
  'deep pour',
  'exotherm',
  'hot mould',
  'inclusion',
  'magnet',
  'conductor',
  'sanding dust',
  'aerosol',
  'oven',
  'blade',
  'hot glue',
  'any silicone',
  'tin silicone',
  'vacuum vessel',
  'pressure vessel',
] as const
export type Hazard = (typeof hazards)[number]

/**
 * The one table of safety cautions: what is to be read before which step, where what lies on the
 * bench. They are the usual ones of the trade (common practice, no source); their sentences stand
 * in the words.
 */
export const safetyTable = [
  { id: 'sanding', step: 'prepare', hazard: 'sanding dust' },
  { id: 'aerosol', step: 'prepare', hazard: 'aerosol' },
  { id: 'oven', step: 'prepare', hazard: 'oven' },
  { id: 'dusting', step: 'prepare', hazard: 'powder' },
  { id: 'build-blade', step: 'build', hazard: 'blade' },
  { id: 'hot-glue', step: 'build', hazard: 'hot glue' },
  { id: 'silicone-hands', step: 'silicone', hazard: 'any silicone' },
  { id: 'tin-catalyst', step: 'silicone', hazard: 'tin silicone' },
  { id: 'vacuum', step: 'vacuum', hazard: 'vacuum vessel' },
  { id: 'pressure', step: 'pressure', hazard: 'pressure vessel' },
  { id: 'cut-open', step: 'open', hazard: 'blade' },
  { id: 'gloves', step: 'weigh', hazard: 'any resin' },
  { id: 'bystanders', step: 'weigh', hazard: 'any resin' },
  { id: 'amine', step: 'weigh', hazard: 'epoxy' },
  { id: 'isocyanate', step: 'weigh', hazard: 'urethane' },
  { id: 'peroxide', step: 'weigh', hazard: 'polyester' },
  { id: 'dust', step: 'weigh', hazard: 'powder' },
  { id: 'smoking-cup', step: 'mix', hazard: 'any resin' },
  { id: 'damp', step: 'mix', hazard: 'urethane' },
  { id: 'styrene', step: 'mix', hazard: 'polyester' },
  { id: 'deep', step: 'pour', hazard: 'deep pour' },
  { id: 'exotherm', step: 'mix', hazard: 'exotherm' },
  { id: 'hot-mould', step: 'pour', hazard: 'hot mould' },
  { id: 'flame', step: 'pour', hazard: 'any resin' },
  { id: 'turn-gloves', step: 'turn', hazard: 'any resin' },
  { id: 'turn-plug', step: 'turn', hazard: 'any resin' },
  { id: 'turn-warm', step: 'turn', hazard: 'hot mould' },
  { id: 'hands', step: 'set', hazard: 'inclusion' },
  { id: 'magnets', step: 'set', hazard: 'magnet' },
  { id: 'no-battery', step: 'set', hazard: 'conductor' },
  { id: 'release', step: 'release', hazard: 'pressure vessel' },
  { id: 'uncured', step: 'demould', hazard: 'any resin' },
  { id: 'brittle', step: 'demould', hazard: 'any resin' },
  { id: 'food', step: 'demould', hazard: 'any resin' },
] as const satisfies readonly { id: string; step: Step; hazard: Hazard }[]

export type SafetyLine = (typeof safetyTable)[number]
export type SafetyId = SafetyLine['id']

/**
 * The safety lines to show before a step, for what is on the bench, in the table's order.
 *
 * @example safetyFor('weigh', ['epoxy']).map((line) => line.id) // ['gloves', 'bystanders', 'amine']
 */
export function safetyFor(step: Step, present: Iterable<Hazard>): SafetyLine[] {
  const there = new Set<Hazard>([...present, 'any resin'])
  return safetyTable.filter((line) => line.step === step && there.has(line.hazard))
}

/**
 * The same for one step of a list after the other: each line stands once, before the first step that it
 * is about.
 *
 * @example safetyInTurn()('weigh', ['epoxy']).length // 3
 */
export function safetyInTurn(): (step: Step, present: Iterable<Hazard>) => SafetyLine[] {
  const shown = new Set<SafetyId>()
  return (step, present) => {
    const fresh = safetyFor(step, present).filter(({ id }) => !shown.has(id))
    fresh.forEach(({ id }) => shown.add(id))
    return fresh
  }
}
