import { caution, type Caution } from '../../../base/caution/index.ts'
import { classLaws, inlaid } from '../../../matter/cure/index.ts'
import { flakeOf } from '../../../matter/inclusion/index.ts'
import type { Resin, Shelf } from '../../../matter/material/index.ts'
import { mixDensity, wholeMass, type Weighing } from '../../../matter/mix/index.ts'
import {
  dustPerArea,
  mostPowder,
  settlingSpeed,
  timesThicker,
  powderShare,
} from '../../../matter/turning/index.ts'
import type { Layer } from '../plan.ts'
import type { PlacedShell } from './shell.ts'

/** What a metal skin takes, for all copies of a mix, kg. */
export interface CompiledSkin {
  powder: string
  /** As `#rrggbb`. */
  colour: string
  /** That clings to the dry walls. */
  dust: number
  face?: SkinFace
}

/** Powder in the mix that lies on the skin. */
export interface SkinFace {
  /** kg, and the resin that it is stirred into. */
  powder: number
  resin: number
  /** Of its volume. */
  share: number
  /** How much it warms itself, as a share of what its resin alone would. */
  warms: number
  /** Pa·s; absent where the sheet of the resin does not say how thick it is. */
  viscosity?: number
  /** Powder for its resin by weight that still pours. */
  most?: number
  /** How fast a grain sinks in it while it is still, m/s. */
  sinks?: number
}

/** Of the first shot so much takes powder (common practice, no source). */
const faceOfShot = 0.5

/** Of iron, copper and bronze, 3.3 to 3.5 MJ/(m³·K), of zinc and aluminium less (from memory), and W/(m·K). */
const metal = { heat: 3.2e6, conductivity: 80 }

/**
 * How much a mix warms itself by its cure, as a share of what its resin alone would: the powder gives no
 * heat and takes its part of it.
 *
 * @example warmsFilled('fast urethane', 0.111).toFixed(2) // '0.83'
 */
export function warmsFilled(of: Resin['class'], share: number): number {
  const { thermal } = classLaws[of]
  const own = (1 - share) * thermal.density * thermal.heatCapacity
  return own / inlaid(thermal, share, metal.heat, metal.conductivity).heatCapacity
}

/** What the skin of a wall takes; undefined without one, or before its powder and resin are there. */
export function skinOf(
  { fill, area }: PlacedShell,
  copies: number,
  shelf: Shelf,
  { resin, weighing }: { resin?: Resin; weighing?: Weighing },
): CompiledSkin | undefined {
  const powder = shelf.get(fill.skin?.powder ?? '')
  if (!fill.skin || powder?.kind !== 'tint') return undefined
  const skin: CompiledSkin = {
    powder: powder.name,
    colour: powder.colour,
    dust: copies * area * (fill.skin.cling ?? dustPerArea),
  }
  if (fill.skin.school === 'dusted' || !resin || !weighing) return skin
  const density = mixDensity(resin.ratio, resin)
  const mass = (faceOfShot * wholeMass(weighing)) / weighing.cups
  const share = powderShare(fill.skin.share, powder.density, density)
  const { viscosity } = resin
  const grain = flakeOf(powder)?.across
  const warms = warmsFilled(resin.class, share)
  const face = { powder: mass * fill.skin.share, resin: mass, share, warms }
  if (viscosity === undefined || grain === undefined) return { ...skin, face }
  const thick = viscosity * timesThicker(share)
  return {
    ...skin,
    face: {
      ...face,
      viscosity: thick,
      most: mostPowder(viscosity, powder.density, density),
      sinks: settlingSpeed(grain, share, viscosity, powder.density, density),
    },
  }
}

/**
 * What clings to a wall, kg/m², by the weight of powder that stayed in moulds of so many copies, kg.
 *
 * @example clingFor({ area: 0.01 }, 2, 0.004) // 0.2
 */
export const clingFor = (
  { area }: Pick<PlacedShell, 'area'>,
  copies: number,
  mass: number,
): number => mass / (copies * area)

/** What is to be said of the skin of a wall. */
export function judgeSkin(
  { id, name }: Layer,
  { fill, from }: PlacedShell,
  shelf: Shelf,
  skin: CompiledSkin | undefined,
): Caution[] {
  if (!fill.skin) return []
  const say = { layer: id, field: 'skin' }
  const powder = shelf.get(fill.skin.powder ?? '')
  if (powder?.kind !== 'tint') return [caution('skin-no-powder', 'todo', say, { layer: name })]
  const found: Caution[] = []
  if (powder.form !== 'powder') {
    found.push(caution('skin-not-metal', 'warn', say, { layer: name, powder: powder.name }))
  }
  if (from > 0) found.push(caution('skin-not-outer', 'warn', say, { layer: name }))
  const { most } = skin?.face ?? {}
  if (most !== undefined && fill.skin.share > most) {
    const { share } = fill.skin
    found.push(caution('skin-too-thick', 'warn', say, { layer: name, share, most }))
  }
  return found
}
