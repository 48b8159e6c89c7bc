import { toAxes, axesFor, type Vec3 } from '../../mesh/index.ts'
import { type FillCurve } from '../../filling/index.ts'
import type { MouldOpening } from '../mould.ts'

/** Resin that runs slowly needs a bore of at least this to fill, m (common practice, no source). */
const narrowestGate = 0.003

/** Wider than this a gate's scar takes the saw, not the knife, m (common practice, no source). */
const knifeUpTo = 0.005
const sawUpTo = 0.02

export interface OpeningFacts {
  id: string
  what: MouldOpening['what']
  /** Above the piece's lowest point, m. */
  height: number
  /** Through the silicone up to the top of the block, m. */
  length: number
  /** Resin that stays in it, m³. */
  volume: number
  /** Mark it leaves on the cast, m². */
  scar: number
  comesOff:
    'a knife, while the cast is still rubbery' | 'a saw and wet sanding' | 'hours of sanding'
  tooNarrow: boolean
}

/**
 * What each gate and vent holds and leaves behind. `over` is the silicone above the piece's top.
 */
export function openingFacts(
  openings: readonly MouldOpening[],
  up: Vec3,
  lowest: number,
  curve: Pick<FillCurve, 'height'>,
  over: number,
): OpeningFacts[] {
  const axes = axesFor(up)
  return openings.map(({ id, what, at, bore }) => {
    const height = toAxes(axes, at)[2] - lowest
    const length = Math.max(0, curve.height - height) + over
    const scar = (Math.PI / 4) * bore * bore
    return {
      id,
      what,
      height,
      length,
      volume: scar * length,
      scar,
      comesOff:
        bore <= knifeUpTo
          ? 'a knife, while the cast is still rubbery'
          : bore <= sawUpTo
            ? 'a saw and wet sanding'
            : 'hours of sanding',
      tooNarrow: what === 'gate' && bore < narrowestGate,
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
 * @example boreFor({ name: 'star', mass: 0.0004, density: 8500, thickness: 0.0005 }) // 0.011
 */
export function boreFor({ mass, density, thickness }: Passing): number {
  const volume = mass / density
  if (thickness === undefined) return Math.cbrt((6 * volume) / Math.PI)
  const diameter = Math.sqrt((4 * volume) / (Math.PI * thickness))
  return Math.hypot(Math.max(diameter, thickness), Math.min(diameter, thickness))
}
