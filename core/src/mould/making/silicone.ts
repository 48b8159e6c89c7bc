import type { Hazard } from '../../base/caution/index.ts'
import type { Silicone } from '../../matter/material/index.ts'
import type { CompiledMould, SiliconePour } from '../compiled.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { vacuumFill } from '../silicone/batches.ts'
import { coatThickness } from '../silicone/room.ts'
import { closing } from './build.ts'
import { phrase } from './phrases.ts'
import type { Draft } from './step.ts'

/** Thicker than this it is vibrated or left to itself where there is no vacuum, Pa·s (common practice, no source). */
const thick = 10

/** A shell of bandage sets before it is parted, s (common practice, no source). */
const shellSets = 3600

/** Release dries before silicone comes over it, s (common practice, no source). */
const releaseDries = 300

const hazardsOf = ({ chemistry }: Pick<Silicone, 'chemistry'>): Hazard[] =>
  chemistry === 'tin' ? ['any silicone', 'tin silicone'] : ['any silicone']

/** All that is weighed and poured, half by half or coat by coat, with its cures. */
export function pouring(mould: Mould, compiled: CompiledMould, silicone: Silicone): Draft[] {
  if (mouldKinds[mould.kind].poured === 'coats' && compiled.need) {
    return brushing(mould, compiled.need.mass, compiled.thickener, silicone)
  }
  return compiled.pours.flatMap((pour, i) => [
    ...(i > 0 ? secondHalf(mould, i + 1) : []),
    ...poured(mould, silicone, pour, i + 1),
    ...underPressure(mould, silicone, i + 1),
    curing(silicone, 'leftover-cup', i + 1),
  ])
}

const curing = ({ demould }: Silicone, line: 'leftover-cup' | 'talc', part: number): Draft => ({
  does: 'cure',
  part,
  step: 'wait',
  title: phrase('cure', { time: demould }),
  lines: [phrase(line, {})],
  wait: demould,
  hazards: [],
})

const inShell = ({ kind }: Mould) => mouldKinds[kind].poured === 'shell'

/** The clay comes off, and release keeps the halves apart; along a hinge they grow together. */
const secondHalf = (mould: Mould, part: number): Draft[] => [
  {
    does: 'clear',
    part,
    step: 'build',
    title: phrase('turn-over', {}),
    lines: [phrase(inShell(mould) ? 'lift-lower' : 'press-flush', {})],
    wait: 0,
    hazards: ['blade'],
  },
  {
    does: 'release half',
    part,
    step: 'build',
    title: phrase('release-half', { hinged: mould.kind === 'hinged' }),
    lines: [phrase('thin-jelly', {}), phrase('wipe-master', {})],
    wait: releaseDries,
    hazards: [],
  },
  ...(inShell(mould) ? [closing('lower', part)] : []),
]

function poured(
  mould: Mould,
  { mixTime, potLife, viscosity = 0, chemistry }: Silicone,
  { half, need, batches }: SiliconePour,
  part: number,
): Draft[] {
  const hazards = hazardsOf({ chemistry })
  const pumped = mould.vessel !== undefined
  const several = batches.count > 1
  const mix: Draft = {
    does: 'mix',
    part,
    step: 'silicone',
    title: phrase('mix', { half, batches: batches.count, each: need.weighing.total }),
    lines: [
      phrase('stir', { mixTime, potLife }),
      ...(several ? [phrase('next-batch', { potLife })] : []),
    ],
    need,
    wait: 0,
    hazards,
  }
  const air: Draft = {
    does: 'de-air',
    part,
    step: 'vacuum',
    title: phrase('de-air', { batches: batches.count, full: vacuumFill }),
    lines: [phrase('pump', {})],
    wait: 0,
    hazards: ['vacuum vessel'],
  }
  const pour: Draft = {
    does: 'pour',
    part,
    step: 'silicone',
    title: phrase('pour-silicone', { half, several }),
    lines: [
      ...(inShell(mould)
        ? [phrase('by-the-hole', {})]
        : [phrase('brush-details', {}), phrase('thin-stream', {})]),
      ...(viscosity > thick && !pumped ? [phrase('vibrate', {})] : []),
    ],
    wait: 0,
    hazards,
  }
  return pumped ? [mix, air, pour] : [mix, pour]
}

/** Coats one after the other, then the shell around them. */
function brushing(
  { coats }: Mould,
  mass: number,
  thickener: readonly number[],
  silicone: Silicone,
): Draft[] {
  const coat = (_: unknown, i: number): Draft => ({
    does: 'brush coat',
    part: 1,
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
    curing(silicone, 'talc', 1),
    {
      does: 'bandage',
      part: 1,
      step: 'build',
      title: phrase('rigid-shell', {}),
      lines: [phrase('shell-halves', {})],
      wait: shellSets,
      hazards: [],
    },
  ]
}

/** The mould in the pot, where it cures under pressure. */
function underPressure({ pressure }: Mould, { potLife }: Silicone, part: number): Draft[] {
  if (pressure === undefined) return []
  return [
    {
      does: 'into pot',
      part,
      step: 'pressure',
      title: phrase('into-pot', { pressure, potLife }),
      lines: [phrase('held-in-pot', {})],
      wait: 0,
      hazards: ['pressure vessel'],
    },
  ]
}
