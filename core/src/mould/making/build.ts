import { isClosed, type Mould } from '../mould.ts'
import type { CompiledMould } from '../compiled.ts'
import { mouldKinds } from '../kind/kinds.ts'
import { freeboard } from '../out/cuttingList.ts'
import { phrase, type Phrase } from './phrases.ts'
import type { MakingCode } from './rules.ts'
import type { Draft } from './step.ts'

const built = (does: MakingCode, title: Phrase, lines: Phrase[], more: Partial<Draft> = {}) => ({
  does,
  part: 1,
  step: 'build' as const,
  title,
  lines,
  wait: 0,
  hazards: [],
  ...more,
})

/** What holds the master, and what holds the silicone. */
export function building(mould: Mould, compiled: CompiledMould): Draft[] {
  const { poured, parts } = mouldKinds[mould.kind]
  const { box } = compiled
  if (poured === 'coats') {
    const lines = [phrase('clay-skirt', {})]
    return [built('seat', phrase('fix-on-board', {}), lines, { hazards: ['blade'] })]
  }
  const masters = mould.cavities
  if (poured === 'shell') return inShell(mould, compiled)
  if (!box) return []
  const { width, depth, shape } = box
  const area = box.areaAt(box.height)
  const size = { width, depth, round: shape === 'round' || shape === 'cup', area }
  const { own } = mould.box
  return [
    built(
      own ? 'own box' : 'walls',
      own
        ? phrase('ready-box', size)
        : phrase('build-box', { ...size, walls: box.height + freeboard }),
      [
        phrase('seal-seams', {}),
        phrase('fill-line', { height: box.height }),
        ...(compiled.braces > 0 ? [phrase('brace', { places: compiled.braces })] : []),
      ],
      { hazards: own ? [] : ['blade', 'hot glue'] },
    ),
    ...(parts === 2
      ? [
          built('bed', bedding(mould, compiled), [
            phrase('press-clay', { masters }),
            ...keys(compiled),
          ]),
        ]
      : []),
    seating(mould, compiled),
    ...rods(mould),
  ]
}

/** The clay bed of two halves in a box: level, or climbing. */
function bedding({ cavities: masters }: Mould, { room, box }: CompiledMould): Phrase {
  const under = box?.under ?? 0
  const { clay, climbs, parting } = room
  return climbs
    ? phrase('bed-climbing', { masters, clay, from: under + climbs.from, to: under + climbs.to })
    : phrase('bed-master', { masters, clay, height: under + parting })
}

const keys = ({ keys }: CompiledMould): Phrase[] =>
  keys.length > 0 ? [phrase('press-keys', { count: keys.length, width: keys[0].width })] : []

function rods({ openings, cavities }: Mould): Draft[] {
  const castIn = openings.filter(({ made }) => made === 'cast in')
  if (castIn.length === 0) return []
  return [
    built(
      'rods',
      phrase('set-rods', { count: castIn.length * cavities }),
      castIn.map(({ what, bore }) => phrase('wax-rod', { what, bore, each: cavities > 1 })),
    ),
  ]
}

/** The lower half of a printed shell is the tray for the bed; the upper one closes it. */
function inShell(mould: Mould, { room }: CompiledMould): Draft[] {
  const masters = mould.cavities
  return [
    built('shell', phrase('print-halves', { shells: masters }), [phrase('clip-width', {})], {
      hazards: ['blade'],
    }),
    built('bed', phrase('bed-in-shell', { masters, clay: room.clay, height: room.parting }), [
      phrase('press-clay', { masters }),
    ]),
    ...rods(mould),
    closing('upper', 1),
  ]
}

/** One half of a printed shell goes on for what is poured next. */
export const closing = (parted: 'upper' | 'lower', part: number): Draft =>
  built('jacket', phrase('close-shell', { parted }), [phrase('shut-tight', {})], { part })

function seating(mould: Mould, { uplift, weightOnTop, box }: CompiledMould): Draft {
  const masters = mould.cavities
  const holding =
    uplift > 0
      ? phrase('hold-down', { mass: weightOnTop })
      : phrase(mould.masterMass === undefined ? 'weigh-first' : 'stays-down', {})
  // Nothing stands in the air: what silicone is to flow under is held by its gate, or hung.
  const under = box?.under ?? 0
  const aloft = mould.kind === 'cut block' && under > 0 && isClosed(mould) !== false
  return built(
    'seat',
    uplift > 0
      ? phrase('fix-master', { masters, uplift })
      : phrase('stand-masters', { masters, apart: mould.box.side }),
    [...(aloft ? [phrase('held-above', { under })] : []), holding],
  )
}
