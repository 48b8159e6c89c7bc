import { DoubleSide, Ray, Vector3, type Intersection } from 'three'
import { fresnel } from './fresnel.ts'
import { ends, type PathBook } from './paths.ts'
import type { Standing } from './standing.ts'

/** Light that is held back inside is followed over so many mirrorings; then it is taken to leave where it goes. */
const mostMirrored = 8

/** A share of the light that is worth a path of its own, and how often one is split. */
const usualLeast = 0.1
const usualSplits = 2

/** Surfaces crossed at most: a guard against meshes that light can't leave. */
const mostSurfaces = 40

/** A metal skin that is burnished bright mirrors so much (common practice, no source). */
export const skinMirrors = 0.5

export interface Optics {
  piece: Standing
  /** Heights above its lowest point, as it was poured, where one medium ends and the next begins, rising, m. */
  levels: Float64Array
  /** Refractive index of the resin. */
  index: number
  /** Of each thing that is clear; light ends at one without. */
  things?: readonly (number | undefined)[]
  /** What lies lower than this above the table, m, is held in a closed mount; none without. */
  mount?: number
  /** A share of the light no larger than this is not followed by itself: it goes with the stronger one. */
  least?: number
  /** Boundaries at which a path is split. */
  splits?: number
}

const ray = new Ray()

/** What is known of light at a boundary, apart from where it is and goes. */
interface Carried {
  inside: boolean
  /** Index of the clear thing that it is in; 0 in none. */
  within: number
  weight: number
  mirrored: number
  splits: number
}

/** The weaker part of light at a boundary, to be followed later. */
interface Branch extends Carried {
  path: number
  crossed: number
  origin: Vector3
  direction: Vector3
}

/**
 * Ray tracing backwards from an eye, or forwards from a lamp: refracted where light enters and
 * leaves (Snell), cut at the levels, mirrored inside where more goes back than out (Fresnel), until
 * it meets a thing, the mount, the table or the room. Both parts are followed at the first
 * boundaries where the weaker one carries more than `least`; elsewhere the stronger one takes its
 * share, so that no light is lost. Adds a ray's paths to the book.
 */
export function traceRay(
  optics: Optics,
  book: PathBook,
  from: readonly [number, number, number],
  toward: readonly [number, number, number],
): void {
  ray.origin.fromArray(from)
  ray.direction.fromArray(toward)
  book.openRay()
  if (!meetsBall(optics.piece)) return leave(book, 1)
  const branches: Branch[] = []
  const { splits = usualSplits } = optics
  follow(optics, book, branches, { inside: false, within: 0, weight: 1, mirrored: 0, splits })
  for (let next = branches.pop(); next; next = branches.pop()) {
    ray.origin.copy(next.origin)
    ray.direction.copy(next.direction)
    book.openBranch(next.path, next.crossed)
    follow(optics, book, branches, next)
  }
}

function follow(
  { piece, levels, index, things = [], mount = 0, least = usualLeast }: Optics,
  book: PathBook,
  branches: Branch[],
  { inside, within, weight, mirrored, splits }: Carried,
): void {
  const { paths, current } = book
  const { origin: o, direction: d } = ray
  const near = 1e-5 * piece.radius
  for (let surface = 0; surface < mostSurfaces; surface++) {
    const hit = piece.bvh.raycastFirst(ray, DoubleSide, near, Infinity) as Intersection | null
    if (!hit) return leave(book, weight)
    const { x, y, z } = hit.point
    if (inside && within === 0) {
      crossLevels(book, levels, along(piece, o.x, o.y, o.z), along(piece, x, y, z), hit.distance)
    }
    const face = hit.face!
    const facing = d.dot(face.normal) < 0
    smooth(piece, hit)
    const part = piece.part[face.a]
    const own = part > 0 ? things[part - 1] : undefined
    o.set(x, y, z)
    if (part > 0 && own === undefined) {
      paths.thing[current] = part - 1
      const side = n.x * d.x + n.y * d.y + n.z * d.z > 0 ? -1 : 1
      return book.end(ends.thing, weight, side * n.x, side * n.y, side * n.z)
    }
    if (own === undefined && mount > 0 && z < mount) {
      const side = facing ? 1 : -1
      return book.end(ends.mount, weight, side * n.x, side * n.y, side * n.z)
    }
    if (piece.burnish && part === 0) {
      const side = facing ? 1 : -1
      const mirrors = facing ? skinMirrors * burnishAt(piece.burnish, hit) : 0
      if (facing && paths.sheen[current] === 0 && mirrors > 0) {
        paths.sheen[current] = mirrors
        mirrorOf(paths, current, x, y, z, against(facing))
      }
      return book.end(ends.skin, weight * (1 - mirrors), side * n.x, side * n.y, side * n.z)
    }
    // A back seen from outside, or a front from inside, is a hole or an overlap: light goes on. One
    // clear thing in another is taken to be of the same stuff.
    if (facing === (own === undefined ? inside : within > 0)) continue
    const around = own === undefined ? 1 : inside ? index : 1
    const of = own ?? index
    const [before, behind] = facing ? [around, of] : [of, around]
    const cosine = against(facing)
    const back = fresnel(cosine, before, behind)
    const first = own === undefined && weight === 1 && paths.sheen[current] === 0 && facing
    if (first) {
      paths.sheen[current] = back
      put(paths.normal, current, n.x, n.y, n.z)
      mirrorOf(paths, current, x, y, z, cosine)
      weight *= 1 - back
    }
    const reflects = back >= 0.5 && !first
    const weak = first ? 0 : Math.min(back, 1 - back)
    const splitsHere = splits > 0 && weak * weight > least
    if (splitsHere) {
      splits--
      const direction = reflects
        ? refract(d, before / behind, cosine, new Vector3())
        : reflect(d, cosine, new Vector3())
      branches.push({
        // What is reflected stays where it is; what is refracted is on the other side.
        inside: reflects && own === undefined ? facing : inside,
        within: reflects && own !== undefined ? (facing ? own : 0) : within,
        path: current,
        crossed: book.crossed,
        origin: o.clone(),
        direction,
        weight: weight * weak,
        mirrored,
        splits,
      })
      weight *= 1 - weak
    }
    if (reflects) {
      if (++mirrored > mostMirrored) return book.end(ends.room, weight, d.x, d.y, d.z)
      reflect(d, cosine, d)
    } else {
      refract(d, before / behind, cosine, d)
      if (own === undefined) inside = facing
      else within = facing ? own : 0
    }
  }
  book.end(ends.room, weight, d.x, d.y, d.z)
}

/** Height of a place above the lowest point, as the piece was poured. */
const along = ({ poured: { up, lowest } }: Standing, x: number, y: number, z: number): number =>
  up[0] * x + up[1] * y + up[2] * z - lowest

/** Ends on the table where the ray goes down, else in the room. */
function leave(book: PathBook, weight: number): void {
  const { origin: o, direction: d } = ray
  if (d.z < -1e-9) {
    const t = Math.max(0, -o.z / d.z)
    book.end(ends.table, weight, o.x + t * d.x, o.y + t * d.y, t)
  } else book.end(ends.room, weight, d.x, d.y, d.z)
}

function meetsBall({ centre: [x, y, z], radius }: Standing): boolean {
  const { origin: o, direction: d } = ray
  const [cx, cy, cz] = [x - o.x, y - o.y, z - o.z]
  const along = cx * d.x + cy * d.y + cz * d.z
  const square = cx * cx + cy * cy + cz * cz
  return (
    square - along * along <= radius * radius * 1.0001 && (along > 0 || square < radius * radius)
  )
}

/** Of the face that is hit. */
function burnishAt(burnish: Float32Array, { face }: Intersection): number {
  const { a, b, c } = face!
  return (burnish[a] + burnish[b] + burnish[c]) / 3
}

/** The normal at a hit, by its corners. */
const n = { x: 0, y: 0, z: 0 }
function smooth({ positions: p, normals }: Standing, { face, point }: Intersection): void {
  const { a, b, c } = face!
  const [ax, ay, az] = [p[3 * a], p[3 * a + 1], p[3 * a + 2]]
  const [ux, uy, uz] = [p[3 * b] - ax, p[3 * b + 1] - ay, p[3 * b + 2] - az]
  const [vx, vy, vz] = [p[3 * c] - ax, p[3 * c + 1] - ay, p[3 * c + 2] - az]
  const [wx, wy, wz] = [point.x - ax, point.y - ay, point.z - az]
  const uu = ux * ux + uy * uy + uz * uz
  const uv = ux * vx + uy * vy + uz * vz
  const vv = vx * vx + vy * vy + vz * vz
  const wu = wx * ux + wy * uy + wz * uz
  const wv = wx * vx + wy * vy + wz * vz
  const whole = uu * vv - uv * uv
  const s = whole > 0 ? (vv * wu - uv * wv) / whole : 0
  const t = whole > 0 ? (uu * wv - uv * wu) / whole : 0
  const r = 1 - s - t
  n.x = r * normals[3 * a] + s * normals[3 * b] + t * normals[3 * c]
  n.y = r * normals[3 * a + 1] + s * normals[3 * b + 1] + t * normals[3 * c + 1]
  n.z = r * normals[3 * a + 2] + s * normals[3 * b + 2] + t * normals[3 * c + 2]
  const size = Math.hypot(n.x, n.y, n.z) || 1
  n.x /= size
  n.y /= size
  n.z /= size
}

/** Turns the normal against the ray; answers the cosine between them. */
function against(facing: boolean): number {
  if (!facing) {
    n.x = -n.x
    n.y = -n.y
    n.z = -n.z
  }
  const { direction: d } = ray
  return Math.min(1, Math.max(0, -(n.x * d.x + n.y * d.y + n.z * d.z)))
}

/** A direction mirrored at a boundary whose normal looks against it, into `out`. */
const reflect = (d: Vector3, cosine: number, out: Vector3): Vector3 =>
  out.set(d.x + 2 * cosine * n.x, d.y + 2 * cosine * n.y, d.z + 2 * cosine * n.z).normalize()

/** A direction behind such a boundary (Snell), into `out`; `ratio` is from over into. */
function refract(d: Vector3, ratio: number, cosine: number, out: Vector3): Vector3 {
  const through = Math.sqrt(Math.max(0, 1 - ratio * ratio * (1 - cosine * cosine)))
  const k = ratio * cosine - through
  return out.set(ratio * d.x + k * n.x, ratio * d.y + k * n.y, ratio * d.z + k * n.z).normalize()
}

function mirrorOf(
  paths: PathBook['paths'],
  at: number,
  x: number,
  y: number,
  z: number,
  cosine: number,
) {
  const { direction: d } = ray
  const [mx, my, mz] = [d.x + 2 * cosine * n.x, d.y + 2 * cosine * n.y, d.z + 2 * cosine * n.z]
  const down = mz < -1e-9
  const t = down ? Math.max(0, -z / mz) : 0
  paths.sheenEnd[at] = down ? ends.table : ends.room
  if (down) put(paths.sheenAt, at, x + t * mx, y + t * my, 0)
  else put(paths.sheenAt, at, mx, my, mz)
}

function put(into: Float32Array, path: number, x: number, y: number, z: number): void {
  into[3 * path] = x
  into[3 * path + 1] = y
  into[3 * path + 2] = z
}

/** The pieces of a straight path between two heights, each in its medium. */
function crossLevels(
  book: PathBook,
  levels: Float64Array,
  from: number,
  to: number,
  length: number,
): void {
  const rise = to - from
  let medium = 0
  while (medium < levels.length && (levels[medium] < from || (levels[medium] === from && rise > 0)))
    medium++
  let done = 0
  const step = rise > 0 ? 1 : -1
  for (;;) {
    const level = step > 0 ? levels[medium] : levels[medium - 1]
    const within = level !== undefined && (step > 0 ? level < to : level > to)
    const share = within ? (level - from) / rise : 1
    const part = (share - done) * length
    if (part > 0) book.cross(medium, part)
    if (!within) return
    done = share
    medium += step
  }
}
