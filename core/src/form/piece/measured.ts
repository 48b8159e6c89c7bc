import { z } from '../../base/schema/index.ts'
import { quantity } from '../../base/document/index.ts'
import { areaOfLoop, buildSolid, extrude } from '../shape/index.ts'
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

/** Points of a stand-in's outline: a multiple of four, so that it reaches all its sides. */
const outlinePoints = 96

/** Fuller than this share of its box, and a stand-in is the box itself. */
const full = 0.999

/** The outline is bent until its area is right to this share. */
const closeEnough = 1e-12

/**
 * A stand-in for a shape nobody has a file of: it reaches all the sides that were taken, so that
 * a box around it fits the thing, and holds the volume that was found. An upright prism whose
 * outline is a superellipse |x/a|ⁿ + |y/b|ⁿ = 1 (Lamé, 1818): a box at full volume, a cylinder
 * at π/4 of it, drawn in below. Levels between bottom and top are a guess.
 *
 * @example measure(standIn(34.8e-6, { width: 0.05, depth: 0.04, height: 0.06 })).volume // 0.0000348
 */
export function standIn(
  volumeFound: number,
  { width, depth, height }: { width: number; depth: number; height: number },
): Mesh {
  const share = volumeFound / (width * depth * height)
  if (share >= full) return buildSolid({ solid: 'block', width, depth, height })
  // The exponent 2/n, from a square corner over an ellipse at 1 to a cross.
  let [square, cross] = [0, 64]
  while (cross - square > closeEnough * cross) {
    const middle = (square + cross) / 2
    if (areaOfLoop(superellipse(middle, width, depth)) > share * width * depth) square = middle
    else cross = middle
  }
  return extrude({
    loops: [superellipse(square, width, depth)],
    thickness: height,
    bevel: 0,
  })
}

function superellipse(exponent: number, width: number, depth: number): number[] {
  const reach = (x: number) => Math.sign(x) * Math.abs(x) ** exponent
  return Array.from({ length: outlinePoints }, (_, i) => {
    const angle = (2 * Math.PI * i) / outlinePoints
    // At the four ends the sine is a rounding error, whose power would not be small.
    const [x, y] = [Math.cos(angle), Math.sin(angle)].map((c) => (Math.abs(c) < 1e-9 ? 0 : c))
    return [(reach(x) * width) / 2, (reach(y) * depth) / 2]
  }).flat()
}
