import {
  safetyFor,
  type Hazard,
  type MouldStep,
  type SafetyLine,
} from '../../base/caution/index.ts'
import type { Silicone } from '../../matter/material/index.ts'
import type { CompiledMould, SiliconePour } from '../compiled.ts'
import { mouldKinds } from '../kind/kinds.ts'
import { prepare } from '../master/prepare.ts'
import { isClosed, type Mould } from '../mould.ts'
import type { SiliconeNeed } from '../silicone/need.ts'
import { coatThickness } from '../silicone/room.ts'
import { vacuumFill } from '../silicone/batches.ts'
import { freeboard } from './cuttingList.ts'
import { phrase, type Phrase } from './phrases.ts'

/** Thick silicone is vibrated or left to itself before the next, from here on, Pa·s (common practice, no source). */
const thick = 8

/** A new mould rests overnight for its full life, s (common practice, no source). */
const restOfMould = 12 * 3600

/** A shell of bandage sets before it is parted, s (common practice, no source). */
const shellSets = 3600

/** One step of making the mould, with the safety lines to read before it. */
export interface MakingStep {
  step: MouldStep | 'wait'
  title: Phrase
  lines: Phrase[]
  /** A batch to weigh. */
  need?: SiliconeNeed
  /** Waits after it, s. */
  wait: number
  hazards: Hazard[]
  safety: SafetyLine[]
}

/**
 * How the mould is made, step by step, times from the silicone's sheet. Every safety line stands
 * before the first step that it is about. None for a mould that was bought.
 *
 * @example makingSteps(boughtMould, compiled, undefined) // []
 */
export function makingSteps(
  mould: Mould,
  compiled: CompiledMould,
  silicone: Silicone | undefined,
): MakingStep[] {
  const facts = mouldKinds[mould.kind]
  if (facts.poured === 'none') return []
  const steps = [
    ...preparing(mould, silicone),
    ...building(mould, compiled),
    ...pouring(mould, compiled, silicone),
    opening(mould),
    resting(),
  ]
  const shown = new Set<string>()
  return steps.map((step): MakingStep => {
    const { hazards } = step
    const safety =
      step.step === 'wait'
        ? []
        : safetyFor(step.step, hazards).filter((line) => !shown.has(line.id))
    safety.forEach((line) => shown.add(line.id))
    return { ...step, safety }
  })
}

type Draft = Omit<MakingStep, 'safety'>

const preparing = (mould: Mould, silicone: Silicone | undefined): Draft[] =>
  prepare(mould.contact.master, silicone).map(({ id, wait, hazards }) => ({
    step: 'prepare',
    title: phrase('prepare', { id }),
    lines: [phrase('prepare-why', { id })],
    wait,
    hazards,
  }))

function building(
  mould: Mould,
  { box, room, weightOnTop, braces, uplift }: CompiledMould,
): Draft[] {
  const facts = mouldKinds[mould.kind]
  if (facts.poured !== 'block' || !box) {
    return [
      {
        step: 'build',
        title: phrase(facts.poured === 'coats' ? 'fix-on-board' : 'print-shell', {}),
        lines: [phrase('clay-skirt', {})],
        wait: 0,
        hazards: ['blade'],
      },
    ]
  }
  const masters = mould.cavities
  const castIn = mould.openings.filter(({ made }) => made === 'cast in')
  const { width, depth, shape } = box
  const size = { width, depth, round: shape === 'round' || shape === 'cup' }
  const steps: Draft[] = [
    {
      step: 'build',
      title: mould.box.own
        ? phrase('ready-box', size)
        : phrase('build-box', { ...size, walls: box.height + freeboard }),
      lines: [
        phrase('seal-seams', {}),
        phrase('fill-line', { height: box.height }),
        ...(braces > 0 ? [phrase('brace', { places: braces })] : []),
      ],
      wait: 0,
      hazards: mould.box.own ? [] : ['blade', 'hot glue'],
    },
  ]
  if (facts.parts === 2) {
    const height = box.under + room.parting
    steps.push({
      step: 'build',
      title: phrase('bed-master', { masters, clay: room.clay, height }),
      lines: [phrase('press-clay', { masters })],
      wait: 0,
      hazards: [],
    })
  }
  const holding =
    uplift > 0
      ? phrase('hold-down', { mass: weightOnTop })
      : phrase(mould.masterMass === undefined ? 'weigh-first' : 'stays-down', {})
  steps.push({
    step: 'build',
    title:
      uplift > 0
        ? phrase('fix-master', { masters, uplift })
        : phrase('stand-masters', { masters, apart: mould.box.side }),
    lines: [
      holding,
      ...castIn.map(({ what, bore }) => phrase('wax-rod', { what, bore, each: masters > 1 })),
    ],
    wait: 0,
    hazards: [],
  })
  return steps
}

function pouring(mould: Mould, compiled: CompiledMould, silicone: Silicone | undefined): Draft[] {
  if (!silicone) return []
  if (mouldKinds[mould.kind].poured === 'coats' && compiled.need) {
    return brushing(mould, compiled.need.mass, compiled.thickener, silicone)
  }
  const [first, second] = compiled.pours
  if (!first) return []
  const whole = second ? 'first' : 'whole'
  const cure = curing(silicone, 'leftover-cup')
  const pot = underPressure(mould, silicone)
  if (!second) return [...mixing(mould, silicone, first, whole), ...pot, cure]
  return [
    ...mixing(mould, silicone, first, whole),
    ...pot,
    cure,
    {
      step: 'build',
      title: phrase('turn-over', {}),
      lines: [phrase('release-half', {}), phrase('press-flush', {})],
      wait: 300,
      hazards: ['blade'],
    },
    ...mixing(mould, silicone, second, 'second'),
    ...pot,
    cure,
  ]
}

const hazardsOf = ({ chemistry }: Silicone): Hazard[] =>
  chemistry === 'tin' ? ['any silicone', 'tin silicone'] : ['any silicone']

const curing = ({ demould }: Silicone, line: 'leftover-cup' | 'talc'): Draft => ({
  step: 'wait',
  title: phrase('cure', { time: demould }),
  lines: [phrase(line, {})],
  wait: demould,
  hazards: [],
})

function mixing(
  mould: Mould,
  silicone: Silicone,
  { need, batches }: SiliconePour,
  half: 'whole' | 'first' | 'second',
): Draft[] {
  const { mixTime, potLife, viscosity = 0 } = silicone
  const mix: Draft = {
    step: 'silicone',
    title: phrase('mix', { half, batches: batches.count, each: need.weighing.total }),
    lines: [
      phrase('stir', { mixTime, potLife }),
      ...(batches.count > 1 ? [phrase('next-batch', { potLife })] : []),
      phrase('brush-details', {}),
      phrase('thin-stream', {}),
      ...(viscosity > thick && mould.vessel === undefined ? [phrase('vibrate', {})] : []),
    ],
    need,
    wait: 0,
    hazards: hazardsOf(silicone),
  }
  if (mould.vessel === undefined) return [mix]
  return [
    mix,
    {
      step: 'vacuum',
      title: phrase('de-air', { batches: batches.count, full: vacuumFill }),
      lines: [phrase('pump', {})],
      wait: 0,
      hazards: ['vacuum vessel'],
    },
  ]
}

/** Coats one after the other, then the shell around them. */
function brushing(
  { coats }: Mould,
  mass: number,
  thickener: readonly number[],
  silicone: Silicone,
): Draft[] {
  const coat = (_: unknown, i: number): Draft => ({
    step: 'silicone',
    title: phrase('coat', { number: i + 1, mass: mass / coats, thickness: coatThickness }),
    lines: [
      phrase(i === 0 ? 'first-coat' : 'next-coat', { thickener: thickener[i] }),
      phrase(i === coats - 1 ? 'last-coat' : 'coat-follows', {}),
    ],
    wait: silicone.potLife,
    hazards: hazardsOf(silicone),
  })
  return [
    ...Array.from({ length: coats }, coat),
    curing(silicone, 'talc'),
    {
      step: 'build',
      title: phrase('rigid-shell', {}),
      lines: [phrase('shell-halves', {})],
      wait: shellSets,
      hazards: [],
    },
  ]
}

/** The mould in the pot, where it cures under pressure. */
function underPressure({ pressure }: Mould, { potLife }: Silicone): Draft[] {
  if (pressure === undefined) return []
  return [
    {
      step: 'pressure',
      title: phrase('into-pot', { pressure, potLife }),
      lines: [phrase('held-in-pot', {})],
      wait: 0,
      hazards: ['pressure vessel'],
    },
  ]
}

function opening(mould: Mould): Draft {
  const halves = mouldKinds[mould.kind].parts === 2
  const cut = mould.openings.filter(({ made }) => made === 'cut later')
  const vents =
    cut.length > 0 && isClosed(mould) !== false
      ? [phrase('cut-openings', { count: cut.length })]
      : []
  const way = mould.kind === 'cut block' ? 'cut-open' : halves ? 'part-halves' : 'take-out'
  const rests = halves || mould.kind === 'cut block' ? 'together-again' : 'lay-flat'
  return {
    step: 'open',
    title: phrase(way, {}),
    lines: [...vents, phrase(rests, {})],
    wait: 0,
    hazards: ['blade'],
  }
}

const resting = (): Draft => ({
  step: 'wait',
  title: phrase('rest', {}),
  lines: [phrase('first-pull', {})],
  wait: restOfMould,
  hazards: [],
})

/** All waiting together, s. @example waitingTime([{ wait: 300 }, { wait: 60 }]) // 360 */
export const waitingTime = (steps: readonly MakingStep[]): number =>
  steps.reduce((sum, { wait }) => sum + wait, 0)
