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
  const { box, room } = compiled
  if (poured === 'coats') {
    const lines = [phrase('clay-skirt', {})]
    return [built('seat', phrase('fix-on-board', {}), lines, { hazards: ['blade'] })]
  }
  if (poured === 'shell' || !box) {
    const lines = [phrase('clay-skirt', {})]
    return [built('shell', phrase('print-shell', {}), lines, { hazards: ['blade'] })]
  }
  const masters = mould.cavities
  const { width, depth, shape } = box
  const area = box.areaAt(box.height)
  const size = { width, depth, round: shape === 'round' || shape === 'cup', area }
  const { own } = mould.box
  const height = box.under + room.parting
  const castIn = mould.openings.filter(({ made }) => made === 'cast in')
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
          built('bed', phrase('bed-master', { masters, clay: room.clay, height }), [
            phrase('press-clay', { masters }),
          ]),
        ]
      : []),
    seating(mould, compiled),
    ...(castIn.length > 0
      ? [
          built(
            'rods',
            phrase('set-rods', { count: castIn.length * masters }),
            castIn.map(({ what, bore }) => phrase('wax-rod', { what, bore, each: masters > 1 })),
          ),
        ]
      : []),
  ]
}

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
