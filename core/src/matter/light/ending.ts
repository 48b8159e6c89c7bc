import { ends, type Paths } from './paths.ts'
import { neutral, roomLight, type Setting } from './setting.ts'

/** The table fades into the room between these distances, in reaches. */
const fades = [2.2, 6] as const

/** An opaque surface sends light back as it is turned to the lamp: so much from all around. */
const around = 0.55

/** What is seen where something ends: `own` times the light there, and so much more. */
export interface Seen {
  own: Float32Array
  more: Float32Array
}

/** What of paths no dose changes: where they end, what their first surface mirrors, how it is lit. */
export interface Ending {
  end: Seen
  sheen: Seen
  /** Of the light that falls on the surface that is looked at. */
  falls: Float32Array
}

const known = new WeakMap<Paths, { key: string; ending: Ending }>()

/** The same for the same paths, table and lamp, reckoned once. */
export function endingOf(
  paths: Paths,
  setting: Setting,
  lamp: readonly number[],
  reach: number,
): Ending {
  const key = `${setting.table} ${lamp.join()} ${reach}`
  const found = known.get(paths)
  if (found?.key === key) return found.ending
  const ending = endings(paths, setting, lamp, reach)
  known.set(paths, { key, ending })
  return ending
}

function endings(
  { count, end, at, sheen, sheenEnd, sheenAt, normal }: Paths,
  { table }: Setting,
  lamp: readonly number[],
  reach: number,
): Ending {
  // Wood is dark and pale by its place: what it reflects comes on top.
  const reflects = table === 'wood' ? 1 : neutral[table]
  const [lx, ly, lz] = lamp
  const falls = (of: Float32Array, i: number) =>
    around + (1 - around) * Math.max(0, of[i] * lx + of[i + 1] * ly + of[i + 2] * lz)
  const seen = (): Seen => ({ own: new Float32Array(count), more: new Float32Array(count) })
  const put = (into: Seen, i: number, kind: number, of: Float32Array) => {
    const [x, y, z] = [of[3 * i], of[3 * i + 1], of[3 * i + 2]]
    if (kind === ends.room) into.more[i] = roomLight(x, y, z, lamp)
    else if (kind === ends.table) {
      const far = farness(x, y, reach)
      into.own[i] = (1 - far) * reflects
      if (far > 0) into.more[i] = far * horizonAt(x, y, lamp)
    } else into.own[i] = falls(of, 3 * i)
  }
  const ending: Ending = { end: seen(), sheen: seen(), falls: new Float32Array(count) }
  for (let i = 0; i < count; i++) {
    put(ending.end, i, end[i], at)
    if (sheen[i] > 0) put(ending.sheen, i, sheenEnd[i], sheenAt)
    ending.falls[i] = falls(normal, 3 * i)
  }
  return ending
}

/** How much of the room's light the table fades into, that far from the piece. */
function farness(x: number, y: number, reach: number): number {
  const square = (x * x + y * y) / (reach * reach)
  if (square <= fades[0] * fades[0]) return 0
  return Math.min(1, (Math.sqrt(square) - fades[0]) / (fades[1] - fades[0]))
}

function horizonAt(x: number, y: number, lamp: readonly number[]): number {
  const size = Math.sqrt(x * x + y * y)
  return roomLight(x / size, y / size, 0, lamp)
}
