import { safetyFor, type Hazard, type MouldStep, type SafetyLine } from '../../caution/index.ts'
import type { Silicone } from '../../material/index.ts'
import { show, showDuration, type UnitChoice } from '../../units/index.ts'
import type { CompiledMould } from '../compile.ts'
import { mouldKinds } from '../kind/kinds.ts'
import { prepare } from '../master/prepare.ts'
import type { Mould } from '../mould.ts'
import type { SiliconeNeed } from '../silicone/need.ts'
import { coatThickness, thickenerShare } from '../silicone/room.ts'
import { vacuumFill } from '../silicone/batches.ts'

/** One step of making the mould, with the safety lines to read before it. */
export interface MakingStep {
  step: MouldStep | 'wait'
  title: string
  lines: string[]
  /** A batch to weigh. */
  need?: SiliconeNeed
  /** Waits after it, s. */
  wait: number
  safety: SafetyLine[]
}

/**
 * How the mould is made, step by step, times from the silicone's sheet. Every safety line stands
 * before the first step that it is about.
 */
export function makingSteps(
  mould: Mould,
  compiled: CompiledMould,
  silicone: Silicone | undefined,
  units: UnitChoice,
): MakingStep[] {
  const facts = mouldKinds[mould.kind]
  if (facts.poured === 'none') return []
  const steps = [
    ...preparing(mould, silicone),
    ...building(mould, compiled, units),
    ...pouring(mould, compiled, silicone, units),
    opening(mould),
  ]
  const shown = new Set<string>()
  return steps.map(({ hazards, ...step }): MakingStep => {
    const safety =
      step.step === 'wait'
        ? []
        : safetyFor(step.step, hazards).filter((line) => !shown.has(line.id))
    safety.forEach((line) => shown.add(line.id))
    return { ...step, safety }
  })
}

type Draft = Omit<MakingStep, 'safety'> & { hazards: Hazard[] }

function preparing(mould: Mould, silicone: Silicone | undefined): Draft[] {
  return prepare(mould.contact.master, silicone).map(({ what, why, wait, hazards }) => ({
    step: 'prepare',
    title: what,
    lines: [why],
    wait,
    hazards,
  }))
}

function building(
  mould: Mould,
  { box, room, weightOnTop, braces, uplift }: CompiledMould,
  u: UnitChoice,
): Draft[] {
  const facts = mouldKinds[mould.kind]
  if (facts.poured !== 'block' || !box) {
    const title =
      facts.poured === 'coats' ? 'Fix the master on a board' : 'Print the shell, seal its seams'
    return [
      {
        step: 'build',
        title,
        lines: ['A skirt of clay around it catches what runs.'],
        wait: 0,
        hazards: ['blade'],
      },
    ]
  }
  const length = (x: number) => show(x, 'length', u)
  const castIn = mould.openings.filter(({ made }) => made === 'cast in')
  const steps: Draft[] = [
    {
      step: 'build',
      title: `Build the box, ${length(box.width)} by ${length(box.depth)} inside, walls ${length(box.height + 0.01)} tall`,
      lines: [
        'Seal every seam inside and out; put the board level both ways.',
        `Mark the fill line ${length(box.height)} above the floor.`,
        ...(braces > 0
          ? [
              `Brace each wall in ${braces} ${braces === 1 ? 'place' : 'places'}, or tie bands around.`,
            ]
          : []),
      ],
      wait: 0,
      hazards: ['blade', 'hot glue'],
    },
  ]
  if (facts.parts === 2) {
    steps.push({
      step: 'build',
      title: `Bed the master in ${show(room.clay, 'volume', u)} of clay up to the parting, ${length(box.under + room.parting)} above the floor`,
      lines: ['Press the clay clean against the master, cut the edge sharp, dent keys along it.'],
      wait: 0,
      hazards: [],
    })
  }
  steps.push({
    step: 'build',
    title:
      uplift > 0
        ? `Fix the master: it pulls up with ${uplift.toFixed(1)} N`
        : 'Stand the master in its place',
    lines: [
      uplift > 0
        ? `Glue, wax or screw it, or lay ${show(weightOnTop, 'mass', u, { step: 1e-2 })} on top.`
        : mould.masterMass === undefined
          ? 'Weigh it first: what is lighter than the silicone it pushes aside floats, and is glued, waxed or screwed down.'
          : 'It is heavier than the silicone.',
      ...castIn.map(({ what, bore }) => `Wax on a rod of ${length(bore)} for the ${what}.`),
    ],
    wait: 0,
    hazards: [],
  })
  return steps
}

function pouring(
  mould: Mould,
  compiled: CompiledMould,
  silicone: Silicone | undefined,
  u: UnitChoice,
): Draft[] {
  if (!silicone) return []
  const facts = mouldKinds[mould.kind]
  const hazards: Hazard[] = [
    'any silicone',
    ...(silicone.chemistry === 'tin' ? (['tin silicone'] as const) : []),
  ]
  const cure = (): Draft => ({
    step: 'wait',
    title: `Let it cure ${showDuration(silicone.demould)}, longer when it is cold`,
    lines: ['A leftover cup tells when. Level, and not moved.'],
    wait: silicone.demould,
    hazards: [],
  })
  const mix = (need: SiliconeNeed, title: string, lines: string[] = []): Draft[] => [
    {
      step: 'silicone',
      title,
      lines: [
        `Stir ${showDuration(silicone.mixTime)}, scrape sides and bottom, into a second clean cup, stir again. Pot life ${showDuration(silicone.potLife)}.`,
        ...lines,
      ],
      need,
      wait: 0,
      hazards,
    },
    ...(mould.vessel === undefined || facts.poured === 'coats'
      ? []
      : [
          {
            step: 'vacuum' as const,
            title: `De-air it: the vessel at most ${Math.round(vacuumFill * 100)} % full${compiled.batches && compiled.batches.count > 1 ? `, ${compiled.batches.count} batches` : ''}`,
            lines: [
              'Pump, let it rise and fall, pump again; let air in gently, the inlet not over the cup.',
            ],
            wait: 0,
            hazards: ['vacuum vessel' as const],
          },
        ]),
  ]
  const stream = 'Pour a thin high stream into one low corner and let it climb.'
  if (facts.poured === 'coats' && compiled.need) {
    const perCoat = compiled.need.mass / mould.coats
    return Array.from({ length: mould.coats }, (_, i): Draft[] => [
      {
        step: 'silicone',
        title: `Coat ${i + 1}: ${show(perCoat, 'mass', u, { step: 1e-3 })}, ${show(coatThickness, 'length', u)} thick`,
        lines: [
          i === 0
            ? 'The first coat is thin and goes into every corner with a soft brush, no thickener.'
            : `Stir in ${show(perCoat * thickenerShare, 'mass', u, { step: 1e-4 })} of thickener; pull it down evenly.`,
          'The next one goes on while this one is still tacky.',
        ],
        wait: silicone.potLife,
        hazards,
      },
    ])
      .flat()
      .concat({
        step: 'build',
        title: 'Lay a rigid shell over it: bandage in two halves, edges trimmed',
        lines: ['Petroleum jelly or wax between the halves of the shell.'],
        wait: silicone.demould,
        hazards: [],
      })
  }
  const [first, second] = compiled.halves
  if (first && second) {
    return [
      ...mix(first.need, 'Mix the first half', [stream]),
      ...underPressure(mould, silicone, u),
      cure(),
      {
        step: 'build',
        title: 'Turn it over, take all clay off cold, wipe; release over every bit of silicone',
        lines: ['Spray, brush it in, spray again, 5 min: what is missed, bonds.'],
        wait: 300,
        hazards: ['blade'],
      },
      ...mix(second.need, 'Mix the second half', [stream]),
      ...underPressure(mould, silicone, u),
      cure(),
    ]
  }
  if (!compiled.need) return []
  return [
    ...mix(compiled.need, 'Mix the silicone', [stream]),
    ...underPressure(mould, silicone, u),
    cure(),
  ]
}

/** The mould in the pot, where it cures under pressure. */
function underPressure({ pressure }: Mould, { potLife }: Silicone, u: UnitChoice): Draft[] {
  if (pressure === undefined) return []
  return [
    {
      step: 'pressure',
      title: `Into the pot at ${show(pressure, 'pressure', u)}, closed before the pot life of ${showDuration(potLife)} is over`,
      lines: ['Held until it has cured; the pressure goes off slowly.'],
      wait: 0,
      hazards: ['pressure vessel'],
    },
  ]
}

function opening(mould: Mould): Draft {
  const facts = mouldKinds[mould.kind]
  const cut = mould.openings.filter(({ made }) => made === 'cut later')
  const vents =
    cut.length > 0
      ? [
          `Cut ${cut.length} ${cut.length === 1 ? 'opening' : 'openings'} by the template: needle, knife or drill.`,
        ]
      : []
  return {
    step: 'open',
    title:
      mould.kind === 'cut block'
        ? 'Cut it open in a wave, straight at the piece, only as far as frees it'
        : facts.parts === 2
          ? 'Part the halves, lift the master out, trim the flash'
          : 'Take the master out',
    lines: [...vents, 'Put the halves together again while it rests, so that it keeps its shape.'],
    wait: 0,
    hazards: ['blade'],
  }
}

/** All waiting together, s. */
export const waitingTime = (steps: readonly MakingStep[]): number =>
  steps.reduce((sum, { wait }) => sum + wait, 0)
