import { toAxes, axesFor, type Vec3 } from '../../form/mesh/index.ts'
import type { MouldOpening } from '../mould.ts'
import type { Seat } from './seat.ts'

/** Resin that runs slowly needs a bore of at least this to fill, m (common practice, no source). */
const narrowestGate = 0.003

/** Wider than this a gate's scar takes the saw, not the knife, m (common practice, no source). */
const knifeUpTo = 0.005
const sawUpTo = 0.02

/** Less of its bore than this on the piece, and a gate or vent stands over an edge. */
const mostlyOn = 0.9

/** What takes a scar off. */
export type Removal = 'knife' | 'saw' | 'sanding'

export interface OpeningFacts {
  id: string
  what: MouldOpening['what']
  /** Above the piece's lowest point, m. */
  height: number
  /** Through the silicone up to the top of the block, m. */
  length: number
  /** Resin that stays in it, m³; none where it can't rise. */
  volume: number
  /** Mark it leaves on the cast, m². */
  scar: number
  comesOff: Removal
  tooNarrow: boolean
  /** It is wider than the wall it stands on. */
  overEdge: boolean
  /** Piece straight above it, m; 0 where its channel is free. */
  through: number
}

/** Where the piece stands: its up, its lowest point along it and its height, m. */
export interface Standing {
  up: Vec3
  lowest: number
  height: number
}

/**
 * What each gate and vent holds and leaves behind. `over` is the silicone above the piece's top,
 * m; `seats` how they sit on the piece, where that is known: until then each is taken to sit with
 * all of its bore and to rise freely.
 *
 * @example openingFacts([gateOf6mmOnTop], standing, 0.012)[0].volume // 0.3393e-6 (12 mm of rod)
 */
export function openingFacts(
  openings: readonly MouldOpening[],
  { up, lowest, height: pieceHeight }: Standing,
  over: number,
  seats: readonly Seat[] = [],
): OpeningFacts[] {
  const axes = axesFor(up)
  return openings.map(({ id, what, at, bore }) => {
    const seat = seats.find((one) => one.id === id)
    const height = toAxes(axes, at)[2] - lowest
    const length = Math.max(0, pieceHeight - height) + over
    const section = (Math.PI / 4) * bore * bore
    const through = seat?.through ?? 0
    return {
      id,
      what,
      height,
      length,
      volume: through > 0 ? 0 : section * length,
      scar: seat?.touches ?? section,
      comesOff: bore <= knifeUpTo ? 'knife' : bore <= sawUpTo ? 'saw' : 'sanding',
      tooNarrow: what === 'gate' && bore < narrowestGate,
      overEdge: seat !== undefined && seat.touches < mostlyOn * section && through === 0,
      through,
    }
  })
}

/** What has to go through a gate, by what is known of it. */
export interface Passing {
  name: string
  mass: number
  density: number
  thickness?: number
}

/**
 * The bore that something asks for, m: the diagonal of a disc seen along its diameter, or the
 * width of a ball where its thickness is not known.
 *
 * @example boreFor({ name: 'star', mass: 0.0004, density: 8500, thickness: 0.0005 }) // 0.010957
 */
export function boreFor({ mass, density, thickness }: Passing): number {
  const volume = mass / density
  if (thickness === undefined) return Math.cbrt((6 * volume) / Math.PI)
  const diameter = Math.sqrt((4 * volume) / (Math.PI * thickness))
  return Math.hypot(Math.max(diameter, thickness), Math.min(diameter, thickness))
}
