import { safetyFor, type Hazard, type MouldStep, type SafetyLine } from '../../caution/index.ts'
import type { Silicone } from '../../material/index.ts'
import { show, showDuration, type UnitChoice } from '../../units/index.ts'
import type { CompiledMould, SiliconePour } from '../compiled.ts'
import { mouldKinds } from '../kind/kinds.ts'
import { prepare } from '../master/prepare.ts'
import { isClosed, type Mould } from '../mould.ts'
import type { SiliconeNeed } from '../silicone/need.ts'
import { coatThickness, firstCoatShare, thickenerShare } from '../silicone/room.ts'
import { vacuumFill } from '../silicone/batches.ts'
import { freeboard } from './cuttingList.ts'

/** Thick silicone is vibrated or left to itself before the next, from here on, Pa·s (common practice, no source). */
const thick = 8

/** A new mould rests overnight for its full life, s (common practice, no source). */
const restOfMould = 12 * 3600

/** A shell of bandage sets before it is parted, s (common practice, no source). */
const shellSets = 3600

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
 * before the first step that it is about. None for a mould that was bought.
 *
 * @example makingSteps(boughtMould, compiled, undefined, metric) // []
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
    resting(),
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
  const several = mould.cavities > 1
  const master = several ? `the ${mould.cavities} masters` : 'the master'
  const castIn = mould.openings.filter(({ made }) => made === 'cast in')
  const round = box.shape === 'round' || box.shape === 'cup'
  const size = round
    ? `${length(box.width)} across`
    : `${length(box.width)} by ${length(box.depth)}`
  const steps: Draft[] = [
    {
      step: 'build',
      title: mould.box.own
        ? `Set the box ready that is there, ${size} inside`
        : `Build the box, ${size} inside, walls ${length(box.height + freeboard)} tall`,
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
      hazards: mould.box.own ? [] : ['blade', 'hot glue'],
    },
  ]
  if (facts.parts === 2) {
    steps.push({
      step: 'build',
      title: `Bed ${master} in ${show(room.clay, 'volume', u)} of clay up to the parting, ${length(box.under + room.parting)} above the floor`,
      lines: [`Press the clay clean against ${master}, cut the edge sharp, dent keys along it.`],
      wait: 0,
      hazards: [],
    })
  }
  steps.push({
    step: 'build',
    title:
      uplift > 0
        ? `Fix ${master}: ${several ? 'together they pull' : 'it pulls'} up with ${uplift.toFixed(1)} N`
        : several
          ? `Stand ${master} in a row, ${length(mould.box.side)} apart, as on the template`
          : 'Stand the master in its place',
    lines: [
      uplift > 0
        ? `Glue, wax or screw it, or lay ${show(weightOnTop, 'mass', u, { step: 1e-2 })} on top.`
        : mould.masterMass === undefined
          ? 'Weigh it first: what is lighter than the silicone it pushes aside floats, and is glued, waxed or screwed down.'
          : 'It is heavier than the silicone.',
      ...castIn.map(
        ({ what, bore }) =>
          `Wax on a rod of ${length(bore)} for the ${what}${several ? ' of each' : ''}.`,
      ),
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
  const mix = ({ need, batches }: SiliconePour, title: string, lines: string[] = []): Draft[] => [
    {
      step: 'silicone',
      title:
        batches.count > 1
          ? `${title}, in ${batches.count} batches of ${show(need.weighing.total, 'mass', u, { step: 1e-3 })}`
          : title,
      lines: [
        `Stir ${showDuration(silicone.mixTime)}, scrape sides and bottom, into a second clean cup, stir again. Pot life ${showDuration(silicone.potLife)}.`,
        ...(batches.count > 1
          ? [
              `What stands below is one batch: mix the next as soon as this one is poured, within ${showDuration(silicone.potLife)} of its mixing.`,
            ]
          : []),
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
            title: `De-air ${batches.count > 1 ? 'each batch' : 'it'}: the vessel at most ${Math.round(vacuumFill * 100)} % full`,
            lines: [
              'Pump, let it rise and fall, pump again; let air in gently, the inlet not over the cup.',
            ],
            wait: 0,
            hazards: ['vacuum vessel' as const],
          },
        ]),
  ]
  const details =
    'Brush or drizzle it first into letters, creases and deep wells, and under knobs and stems.'
  const stream =
    'Then pour a thin high stream into one low corner and let it climb. Cover it against dust.'
  const pouring = [
    details,
    stream,
    ...((silicone.viscosity ?? 0) > thick && mould.vessel === undefined
      ? ['It is thick: vibrate it 1 to 3 min after each batch, or let it rest 10 to 20 min.']
      : []),
  ]
  if (facts.poured === 'coats' && compiled.need) {
    const perCoat = compiled.need.mass / mould.coats
    const dose = silicone.thickener ?? thickenerShare
    const thickener = (share: number) => show(perCoat * share, 'mass', u, { step: 1e-4 })
    return Array.from({ length: mould.coats }, (_, i): Draft[] => [
      {
        step: 'silicone',
        title: `Coat ${i + 1}: ${show(perCoat, 'mass', u, { step: 1e-3 })}, ${show(coatThickness, 'length', u)} thick`,
        lines: [
          i === 0
            ? `The first coat takes only part of the thickener, ${thickener(dose * firstCoatShare)}, so that it wets every corner and slumps slowly; a soft brush.`
            : `Stir in ${thickener(dose)} of thickener and another colour than the coat below, so that thin places show; pull it down evenly.`,
          i === mould.coats - 1
            ? 'Fill undercuts along the way the shell is drawn off, and leave the outside smooth.'
            : 'The next one goes on while this one is still tacky.',
        ],
        wait: silicone.potLife,
        hazards,
      },
    ])
      .flat()
      .concat(
        {
          step: 'wait',
          title: `Let it cure ${showDuration(silicone.demould)}, longer when it is cold`,
          lines: ['Talc over the outside, so that the shell lets go.'],
          wait: silicone.demould,
          hazards: [],
        },
        {
          step: 'build',
          title:
            'Lay a rigid shell over it: bandage in two halves, three or more overlapping plies each',
          lines: [
            'Petroleum jelly or wax between the halves of the shell. An hour before they are parted.',
          ],
          wait: shellSets,
          hazards: [],
        },
      )
  }
  const [first, second] = compiled.pours
  if (!first) return []
  if (second) {
    return [
      ...mix(first, 'Mix the first half', pouring),
      ...underPressure(mould, silicone, u),
      cure(),
      {
        step: 'build',
        title: 'Turn it over, take all clay off cold, wipe; release over every bit of silicone',
        lines: [
          'Spray, brush it in, spray again, 5 min: what is missed, bonds.',
          'Press the turned half flush with the board, or it sags under what is poured on it.',
        ],
        wait: 300,
        hazards: ['blade'],
      },
      ...mix(second, 'Mix the second half', pouring),
      ...underPressure(mould, silicone, u),
      cure(),
    ]
  }
  return [...mix(first, 'Mix the silicone', pouring), ...underPressure(mould, silicone, u), cure()]
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
    cut.length > 0 && isClosed(mould) !== false
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
    lines: [
      ...vents,
      facts.parts === 2 || mould.kind === 'cut block'
        ? 'Put it together again while it rests, so that it keeps its shape.'
        : 'Lay it flat while it rests.',
    ],
    wait: 0,
    hazards: ['blade'],
  }
}

function resting(): Draft {
  return {
    step: 'wait',
    title: 'Let the new mould rest overnight before its first pull',
    lines: [
      'It gives it its full life; an hour or two when it is urgent. The first pull carries out crumbs and is a trial: plaster, or what is left of another mix.',
    ],
    wait: restOfMould,
    hazards: [],
  }
}

/** All waiting together, s. @example waitingTime([{ wait: 300 }, { wait: 60 }]) // 360 */
export const waitingTime = (steps: readonly MakingStep[]): number =>
  steps.reduce((sum, { wait }) => sum + wait, 0)
