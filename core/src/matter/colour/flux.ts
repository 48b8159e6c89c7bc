/** Under this a layer does not scatter, over the optical depth it would do so in. */
const clear = 1e-9

/** What a layer does to the light that meets it: sent back over black, and let through. */
export interface Flux {
  back: number
  through: number
}

/**
 * A layer that absorbs `k` and scatters `s` per metre, `depth` m deep, in one band: two fluxes
 * (Kubelka & Munk 1931); without scattering Beer–Lambert. Back and through never exceed 1 together.
 *
 * @example flux(100, 0, 0.01).through.toFixed(4) // '0.3679'
 */
export function flux(k: number, s: number, depth: number): Flux {
  if (!(s * depth > clear)) return { back: 0, through: Math.exp(-k * depth) }
  const a = 1 + k / s
  const b = Math.sqrt(Math.max(0, a * a - 1))
  const x = b * s * depth
  if (x < 1e-5) {
    const y = s * depth
    return { back: y / (1 + y), through: 1 / (1 + y) }
  }
  if (x > 30) return { back: 1 / (a + b), through: (2 * b * Math.exp(-x)) / (a + b) }
  const [sinh, cosh] = [Math.sinh(x), Math.cosh(x)]
  const whole = a * sinh + b * cosh
  return { back: sinh / whole, through: b / whole }
}

/**
 * What is seen of a layer over a ground that reflects `ground`.
 *
 * @example over({ back: 0.2, through: 0.5 }, 1).toFixed(4) // '0.5125'
 */
export const over = ({ back, through }: Flux, ground: number): number =>
  back + (through * through * ground) / (1 - back * ground)

/**
 * K/S of a layer so deep that its ground is not seen, which reflects `r`.
 *
 * @example ratioOf(0.5) // 0.25
 */
export const ratioOf = (r: number): number => (1 - r) ** 2 / (2 * r)

/**
 * What a layer too deep to see through reflects.
 *
 * @example reflectanceOf(1).toFixed(4) // '0.2679'
 */
export const reflectanceOf = (ratio: number): number => 1 + ratio - Math.sqrt(ratio * (ratio + 2))
