import { z } from '../schema/index.ts'
import { quantity } from '../document/index.ts'
import { buildSolid } from '../shape/index.ts'
import { type Mesh } from '../mesh/index.ts'

/** Water at 20 °C, kg/m³ (CRC Handbook: 998.2). */
export const waterDensity = 998.2

const volume = () => quantity('volume', 1e-8, 0.1)

/** How the volume of something without a file was found. */
export const measuredSchema = z.discriminatedUnion('how', [
  /** Weighed, and its density known. */
  z.object({
    how: z.literal('weight'),
    mass: quantity('mass', 1e-5, 100),
    density: quantity('density', 50, 20000),
  }),
  /** By the water it pushes aside. */
  z.object({ how: z.literal('displaced'), volume: volume() }),
  /** A bought mould: by the weight of the water that fills it. */
  z.object({ how: z.literal('filled'), water: quantity('mass', 1e-5, 100) }),
])
export type Measured = z.infer<typeof measuredSchema>

/**
 * The volume found, m³.
 *
 * @example volumeOf({ how: 'filled', water: 0.0998 }) // 0.0001 (100 ml)
 */
export function volumeOf(measured: Measured): number {
  switch (measured.how) {
    case 'weight':
      return measured.mass / measured.density
    case 'displaced':
      return measured.volume
    case 'filled':
      return measured.water / waterDensity
  }
}

/**
 * A stand-in for a shape nobody has a file of: a block as tall as the thing, with its volume and
 * the proportions of its sides. Volumes are right, levels between bottom and top are a guess.
 */
export function standIn(
  volumeFound: number,
  { width, depth, height }: { width: number; depth: number; height: number },
): Mesh {
  const shrink = Math.sqrt(volumeFound / (width * depth * height))
  return buildSolid({ solid: 'block', width: width * shrink, depth: depth * shrink, height })
}
