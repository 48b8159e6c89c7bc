import { linearOf, spectrumOf, type Spectrum } from '../colour/index.ts'

export const tables = ['white', 'grey', 'black', 'wood', 'light'] as const
export type Table = (typeof tables)[number]
export const lamps = ['front', 'above', 'behind'] as const
export type Lamp = (typeof lamps)[number]

export const mounts = ['none', 'silver', 'gold', 'black'] as const
export type Mount = (typeof mounts)[number]

/** On what a piece stands, from where it is lit, and the closed mount it is held in. */
export interface Setting {
  table: Table
  lamp: Lamp
  /** Left out: none. */
  mount?: Mount
}

/** A mount holds so much of a piece's height (common practice, no source). */
export const mountShare = 0.3

/** What a brushed mount reflects, in each band. */
export const mountColours: Record<Exclude<Mount, 'none'>, Spectrum> = {
  silver: spectrumOf(linearOf('#d9dbdc')),
  gold: spectrumOf(linearOf('#d8ac52')),
  black: spectrumOf(linearOf('#26282a')),
}

/** The lamp, as seen from the piece: to the right of the eye, and above the table, radians. */
const lampPlaces: Record<Lamp, readonly [aside: number, lift: number]> = {
  front: [-0.75, 0.8],
  above: [0.3, 1.42],
  behind: [2.5, 0.62],
}

/** Towards the lamp, for an eye that was turned by so much. */
export function towardLamp(lamp: Lamp, turn: number): [number, number, number] {
  const [aside, lift] = lampPlaces[lamp]
  const round = turn + aside
  return [Math.cos(lift) * Math.sin(round), -Math.cos(lift) * Math.cos(round), Math.sin(lift)]
}

/** The lamp is a soft box: bright within, fading without, as cosines of its half angle. */
const box = { within: Math.cos(0.2), without: Math.cos(0.34), light: 3.2 }

/** Of the light on the table comes from the lamp; the rest from all around. */
export const fromLamp = 0.72

const smooth = (x: number) => {
  const t = Math.min(1, Math.max(0, x))
  return t * t * (3 - 2 * t)
}

/** Light that comes from a direction of the room; neutral, so one number for all bands. */
export function roomLight(x: number, y: number, z: number, lamp: readonly number[]): number {
  const cosine = x * lamp[0] + y * lamp[1] + z * lamp[2]
  const glow = smooth((cosine - box.without) / (box.within - box.without))
  const walls = 0.3 + 0.62 * smooth((z + 0.15) / 1.1)
  return walls + glow * (box.light - walls)
}

/** What neutral tables reflect of every band; a table of light shines by itself. */
export const neutral: Record<Exclude<Table, 'wood'>, number> = {
  white: 0.9,
  grey: 0.32,
  black: 0.025,
  light: 1,
}
const [pale, dark] = ['#c79a6b', '#8f6238'].map((colour) => spectrumOf(linearOf(colour)))

/** Boards are so wide, m, and their grain so fine. */
const board = 0.045
const grain = 0.0022

/** What a table of wood reflects at a place, in each band, into `out`: boards with a grain along them. */
export function woodAt(x: number, y: number, out: Float64Array): void {
  const plank = Math.floor(y / board)
  const shift = 0.37 * plank * board
  const wave = Math.sin((y + 0.0012 * Math.sin((x + shift) / 0.021) + shift) / grain)
  const ring = Math.sin((y + shift) / 0.0071 + 1.7 * Math.sin((x + shift) / 0.06))
  const joint = Math.abs(y / board - plank - 0.5) > 0.488 ? 0.55 : 1
  const share = 0.4 + 0.12 * wave + 0.2 * ring
  for (let band = 0; band < out.length; band++) {
    out[band] = joint * (pale[band] + share * (dark[band] - pale[band]))
  }
}
