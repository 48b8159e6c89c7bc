import { caution, type Caution } from '../../base/caution/index.ts'
import type { AirPocket } from '../../form/cells/index.ts'
import { shareBlocked, type MouldGeometry } from '../geometry.ts'
import { mouldKinds } from '../kind/kinds.ts'
import { isClosed, type Mould } from '../mould.ts'
import { climbingOf, partingOf } from '../parting/index.ts'
import { boreFor, type OpeningFacts, type Passing } from './openings.ts'

/** What can be done about something. */
export type Way =
  'fill' | 'tilt' | 'cut' | 'vent' | 'prefill' | 'core' | 'widen' | 'thicken' | 'move' | 'narrow'

/** Something about a piece that a caster has to deal with, and how sure it is. */
export interface Finding {
  caution: Caution
  ways: Way[]
  sure: 'sure' | 'likely' | 'guess'
  /** Where, in the piece's own axes. */
  at?: readonly [number, number, number]
}

/** Blocked silicone up to this share of what stands around the piece gives way by stretching (common practice). */
const stretches = 0.03

/** A film under a level ceiling is worth saying from this area on, m². */
const ceilingFrom = 2e-4

/**
 * Castability of a piece in its mould: undercuts, tongues, pins, walls, gate, air.
 *
 * @example findings(mouldWithoutGate, geometryOf60x40x20, [], [], [])[0].caution.code // 'no-gate'
 */
export function findings(
  mould: Mould,
  geometry: MouldGeometry,
  pockets: readonly AirPocket[],
  openings: readonly OpeningFacts[],
  through: readonly Passing[],
): Finding[] {
  // Of a stand-in only gates can be judged.
  const places = geometry.guessed
    ? []
    : [...aboutAir(pockets), ...aboutPull(mould, geometry), ...aboutThin(geometry)]
  return [...places, ...aboutGates(mould, openings, through)]
}

function aboutAir(pockets: readonly AirPocket[]): Finding[] {
  return pockets.map(({ volume, topHeight, saddle, neverFilled, top }) => ({
    caution: neverFilled
      ? caution('air-never-filled', 'stop', {}, { volume })
      : caution('air-stays', 'warn', {}, { volume, top: topHeight, saddle }),
    ways: neverFilled ? ['vent'] : ['tilt', 'vent', 'prefill', 'fill'],
    sure: topHeight - saddle > 0.002 || neverFilled ? 'sure' : 'likely',
    at: top,
  }))
}

function aboutPull(mould: Mould, geometry: MouldGeometry): Finding[] {
  const facts = mouldKinds[mould.kind]
  const found: Finding[] = []
  if (facts.parts === 2) {
    const blocked = climbingOf(mould, geometry)?.blocked ?? blockedAt(mould, geometry)
    if (shareBlocked(geometry.inner, geometry.around) > stretches) {
      const amounts = { volume: geometry.inner }
      found.push({
        caution: caution('undercut-inner', 'warn', { field: 'parting' }, amounts),
        ways: ['core', 'cut', 'fill'],
        sure: 'sure',
      })
    } else if (shareBlocked(blocked, geometry.around) > stretches) {
      const { from, to } = geometry.parting
      found.push({
        caution: caution('undercut', 'warn', { field: 'parting' }, { volume: blocked, from, to }),
        ways: ['cut', 'tilt', 'fill'],
        sure: 'likely',
      })
    }
  }
  const open = shareBlocked(geometry.blocked[0], geometry.around)
  if (mould.kind === 'open block' && open > stretches) {
    found.push({
      caution: caution('undercut-open', 'warn', {}, { volume: geometry.blocked[0] }),
      ways: ['cut', 'fill'],
      sure: 'likely',
    })
  }
  return found
}

/** What a level parting blocks where it lies, m³. @example blockedAt(mouldOf80x60x40, geometryOf60x40x20) // 0 */
export function blockedAt(mould: Pick<Mould, 'parting'>, geometry: MouldGeometry): number {
  const row = Math.round(partingOf(mould, geometry) / geometry.row)
  return geometry.blocked[Math.min(geometry.blocked.length - 1, Math.max(0, row))]
}

function aboutThin({ tongues, walls, handles }: MouldGeometry): Finding[] {
  const torn = tongues.map(({ kind, reach, at }): Finding => {
    const pin = kind === 'pin' && (handles ?? 0) > 0
    return {
      caution: caution(pin ? 'silicone-pin' : 'silicone-tongue', 'warn', {}, { reach }),
      ways: ['fill', 'cut', 'core'],
      sure: reach > 0.004 ? 'likely' : 'guess',
      at,
    }
  })
  const weak = walls.slice(0, 1).map(({ at }): Finding => {
    const places = walls.length
    return {
      caution: caution('wall-thin', 'note', {}, { places }),
      ways: ['thicken'],
      sure: 'likely',
      at,
    }
  })
  return [...torn, ...weak]
}

function aboutGates(
  mould: Mould,
  openings: readonly OpeningFacts[],
  through: readonly Passing[],
): Finding[] {
  const found: Finding[] = []
  const gates = openings.filter(({ what }) => what === 'gate')
  const closed = isClosed(mould) === true
  if (gates.length === 0 && closed) {
    found.push({
      caution: caution('no-gate', 'warn', { field: 'openings' }, {}),
      ways: [],
      sure: 'sure',
    })
    return found
  }
  const highest = Math.max(...gates.map(({ height }) => height))
  // Channels end at the top of the block or lower; those that end below the gate run over.
  const low = openings.filter(({ what, height }) => what === 'vent' && height < highest - 0.0005)
  if (low.length > 0) {
    const below = highest - Math.min(...low.map(({ height }) => height))
    found.push({
      caution: caution(
        'vent-below-gate',
        'note',
        { field: 'openings' },
        { vents: low.length, below },
      ),
      ways: [],
      sure: 'sure',
    })
  }
  for (const one of openings) {
    const place = { field: `openings.${one.id}` }
    const { what, through: inTheWay, scar } = one
    if (inTheWay > 0) {
      const amounts = { what, through: inTheWay }
      found.push({
        caution: caution('opening-through-piece', 'warn', place, amounts),
        ways: ['move'],
        sure: 'sure',
      })
    } else if (one.overEdge) {
      const { bore } = mould.openings.find(({ id }) => id === one.id)!
      found.push({
        caution: caution('opening-over-edge', 'warn', place, { what, bore, touches: scar }),
        ways: ['narrow', 'move'],
        sure: 'sure',
      })
    }
  }
  for (const gate of gates) {
    const { bore } = mould.openings.find(({ id }) => id === gate.id)!
    const place = { field: `openings.${gate.id}` }
    if (gate.tooNarrow) {
      found.push({
        caution: caution('gate-narrow', 'warn', place, { bore }),
        ways: ['widen'],
        sure: 'likely',
      })
    }
    for (const thing of through) {
      const needs = boreFor(thing)
      if (needs <= bore) continue
      const amounts = { inclusion: thing.name, needs, bore }
      found.push({
        caution: caution('inclusion-over-gate', 'warn', place, amounts),
        ways: ['widen', 'cut'],
        sure: thing.thickness === undefined ? 'guess' : 'likely',
      })
    }
  }
  return found
}

/** A film of air under near-level ceilings, which pockets cannot tell. */
export function aboutCeilings(area: number): Finding[] {
  if (area < ceilingFrom) return []
  return [
    {
      caution: caution('ceiling-level', 'note', {}, { area }),
      ways: ['tilt', 'prefill'],
      sure: 'guess',
    },
  ]
}
