import { resinClasses, type Body, type Resin, type Swatch, type Tint } from '../material/index.ts'
import { bandCount, even, toLinear, type Spectrum } from './bands.ts'
import { flux, over } from './flux.ts'
import { spectrumOf } from './spectrum.ts'
import { linearOf } from './hex.ts'

/** What a resin or a tint does to light in each band: it absorbs `k` and scatters `s`, 1/m. */
export interface Matter {
  k: Spectrum
  s: Spectrum
}

/** A layer covers where it looks this much alike over black and over white (ISO 6504). */
export const covers = 0.98

interface FormFacts {
  /** A chip of it is usually cast at this share of its limit, */
  dose: number
  /** and this deep, m. */
  depth: number
  /** At its limit it covers from here on, m; a dye never does. */
  hides?: number
}

/** What stands for a chip until one is cast (common practice, no source). */
export const usualChip: Record<Tint['form'], FormFacts> = {
  dye: { dose: 0.4, depth: 0.01 },
  paste: { dose: 0.5, depth: 0.005, hides: 0.001 },
  mica: { dose: 0.5, depth: 0.005, hides: 0.003 },
  glitter: { dose: 0.5, depth: 0.005, hides: 0.012 },
  glow: { dose: 0.5, depth: 0.005, hides: 0.004 },
  powder: { dose: 0.5, depth: 0.005, hides: 0.001 },
}

/** Chips of a tint: those that were cast, else the colour it is sold by at what is usual. */
export const swatchesOf = (tint: Tint): readonly Omit<Swatch, 'id'>[] =>
  tint.swatches?.length ? tint.swatches : [guessedSwatch(tint)]

/** The chip that a tint is taken for until one is cast. */
export function guessedSwatch({ form, colour, limit }: Tint): Omit<Swatch, 'id'> {
  const { dose, depth } = usualChip[form]
  return { colour, dose: dose * limit, depth }
}

/**
 * What a tint does to light at a dose of all of it (1), so that `k` and `s` of a dose are these
 * times the dose: from its chips over white, and from the depth it covers at. Several chips: their
 * geometric mean, so that one chip alone comes back as it is.
 *
 * @example tintMatter(violet).s[0] // 0
 */
export function tintMatter(tint: Tint): Matter {
  const { hides = usualChip[tint.form].hides } = tint
  const found = swatchesOf(tint).map((swatch) =>
    hides === undefined ? dyeOf(swatch) : coverOf(swatch, hides, tint.limit),
  )
  const mean = (of: (matter: Matter) => Spectrum): Spectrum =>
    Float64Array.from({ length: bandCount }, (_, band) =>
      Math.exp(found.reduce((sum, matter) => sum + Math.log(of(matter)[band]), 0) / found.length),
    )
  return { k: mean(({ k }) => k), s: hides === undefined ? even(0) : mean(({ s }) => s) }
}

/** Light passes a chip down to the white and back (Beer–Lambert). */
function dyeOf({ colour, dose, depth }: Omit<Swatch, 'id'>): Matter {
  const seen = spectrumOf(linearOf(colour))
  return { k: seen.map((share) => -Math.log(share) / (2 * depth * dose)), s: even(0) }
}

/** As much scattering, alike in all bands, as covers at `hides`; then what absorbs as the chip shows. */
function coverOf(
  { colour, dose, depth }: Omit<Swatch, 'id'>,
  hides: number,
  limit: number,
): Matter {
  const seen = spectrumOf(linearOf(colour))
  const absorbing = (s: number) =>
    seen.map((share) => between(1e-3, 1e9, (k) => over(flux(k * dose, s * dose, depth), 1) < share))
  const s = between(
    1e-2,
    1e9,
    (s) => contrast({ k: absorbing(s), s: even(s) }, limit, hides) > covers,
  )
  return { k: absorbing(s), s: even(s) }
}

/**
 * How alike a layer looks over black and over white, by its lightness: from 0.98 on it covers
 * (ISO 6504).
 *
 * @example contrast(clearMatter, 1, 0.01) // 0
 */
export function contrast(matter: Matter, dose: number, depth: number): number {
  const seen = (ground: number) =>
    luminance(matter.k.map((k, band) => over(flux(k * dose, matter.s[band] * dose, depth), ground)))
  return seen(0) / seen(1)
}

/** Luminance of shares of daylight (IEC 61966-2-1). */
export function luminance(spectrum: ArrayLike<number>): number {
  const [r, g, b] = toLinear(spectrum)
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}

/** The least number that is enough, between two, to a millionth of itself. */
function between(low: number, high: number, enough: (x: number) => boolean): number {
  let [from, to] = [Math.log(low), Math.log(high)]
  while (to - from > 1e-7) {
    const middle = (from + to) / 2
    if (enough(Math.exp(middle))) to = middle
    else from = middle
  }
  return Math.exp((from + to) / 2)
}

/** Casts of resin alone: their colour over white at 10 mm, and how deep they cover (from memory). */
const bodyChips: Record<Body, { colour: string; hides?: number }> = {
  'water clear': { colour: '#fcfdfb' },
  straw: { colour: '#f4e7c3' },
  milky: { colour: '#f3f2ec', hides: 0.04 },
  white: { colour: '#f4f2ea', hides: 0.003 },
}
const bodyDepth = 0.01

/** What a resin looks like untinted. @example bodyOf(slowEpoxy) // 'water clear' */
export const bodyOf = ({ body, class: kind }: Pick<Resin, 'body' | 'class'>): Body =>
  body ?? resinClasses[kind].body

const bodyMatters = new Map<Body, Matter>()

/** What a resin alone does to light. */
export function bodyMatter(resin: Pick<Resin, 'body' | 'class'>): Matter {
  const body = bodyOf(resin)
  const known = bodyMatters.get(body)
  if (known) return known
  const { colour, hides } = bodyChips[body]
  const chip = { colour, dose: 1, depth: bodyDepth }
  const matter = hides === undefined ? dyeOf(chip) : coverOf(chip, hides, 1)
  bodyMatters.set(body, matter)
  return matter
}

/** A tint's matter, reckoned once for each sheet of it. */
const tintMatters = new WeakMap<Tint, Matter>()
export function matterOf(tint: Tint): Matter {
  const known = tintMatters.get(tint) ?? tintMatter(tint)
  tintMatters.set(tint, known)
  return known
}

/**
 * Resin with tints in it: absorbing and scattering add.
 *
 * @example mixed(clearMatter, [{ matter: tintMatter(violet), dose: 0 }]).k[0] // 0
 */
export function mixed(body: Matter, tints: readonly { matter: Matter; dose: number }[]): Matter {
  const sum = (of: (matter: Matter) => Spectrum): Spectrum =>
    of(body).map((x, band) =>
      tints.reduce((sum, { matter, dose }) => sum + dose * of(matter)[band], x),
    )
  return { k: sum(({ k }) => k), s: sum(({ s }) => s) }
}
