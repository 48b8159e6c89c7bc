/** Where a path of light ends. */
export const ends = { room: 0, table: 1, thing: 2, mount: 3, skin: 4 } as const

/**
 * Paths of light, found once and shaded many times: what each crosses, with which share of the
 * light, and where it ends. Path i belongs to the ray `ray[i]` and crosses the media from
 * `starts[i]` up to `starts[i + 1]`. A ray has one path, and one more for each boundary where it
 * was split; they follow one another.
 */
export interface Paths {
  rays: number
  count: number
  ray: Uint32Array
  starts: Uint32Array
  medium: Uint16Array
  /** m. */
  length: Float32Array
  /** Share that the boundaries let through. */
  weight: Float32Array
  end: Uint8Array
  /**
   * Direction into the room, normal of a thing, the mount or a metal skin, or place on the table and how far from
   * there the light left the piece; three numbers a path.
   */
  at: Float32Array
  /** Of a thing: its number. */
  thing: Uint16Array
  /** Share that the first surface mirrors, and where that comes from; of a ray's first path. */
  sheen: Float32Array
  sheenEnd: Uint8Array
  sheenAt: Float32Array
  /** The surface that is looked at, towards the eye; zeros where there is none. */
  normal: Float32Array
}

/** Whether a path meets nothing of the piece. */
export const misses = ({ starts, weight, end }: Paths, path: number): boolean =>
  weight[path] === 1 && starts[path + 1] === starts[path] && end[path] < ends.thing

/** What of each path stands by itself. */
const ofPaths = [
  'ray',
  'weight',
  'end',
  'at',
  'thing',
  'sheen',
  'sheenEnd',
  'sheenAt',
  'normal',
  'starts',
] as const

/** Collects paths one after the other. */
export class PathBook {
  readonly paths: Paths
  private segments = 0

  constructor(rays: number) {
    this.paths = {
      rays: 0,
      count: 0,
      ray: new Uint32Array(rays),
      starts: new Uint32Array(rays + 1),
      medium: new Uint16Array(4 * rays + 64),
      length: new Float32Array(4 * rays + 64),
      weight: new Float32Array(rays),
      end: new Uint8Array(rays),
      at: new Float32Array(3 * rays),
      thing: new Uint16Array(rays),
      sheen: new Float32Array(rays),
      sheenEnd: new Uint8Array(rays),
      sheenAt: new Float32Array(3 * rays),
      normal: new Float32Array(3 * rays),
    }
  }

  /** The path that is being followed. */
  get current(): number {
    return this.paths.count
  }

  /** Media that it has crossed so far. */
  get crossed(): number {
    return this.segments - this.paths.starts[this.current]
  }

  openRay(): void {
    this.paths.rays++
    this.openPath()
  }

  /** Another path of the same ray, which begins as `path` did: over so many media. */
  openBranch(path: number, crossed: number): void {
    this.openPath()
    const { paths, current } = this
    const first = paths.starts[path]
    for (let i = first; i < first + crossed; i++) this.cross(paths.medium[i], paths.length[i])
    paths.normal.copyWithin(3 * current, 3 * path, 3 * path + 3)
  }

  cross(medium: number, length: number): void {
    const { paths } = this
    if (this.segments === paths.medium.length) {
      paths.medium = twice(paths.medium)
      paths.length = twice(paths.length)
    }
    paths.medium[this.segments] = medium
    paths.length[this.segments++] = length
  }

  end(kind: number, weight: number, x: number, y: number, z: number): void {
    const { paths, current } = this
    paths.ray[current] = paths.rays - 1
    paths.end[current] = kind
    paths.weight[current] = weight
    paths.at[3 * current] = x
    paths.at[3 * current + 1] = y
    paths.at[3 * current + 2] = z
    paths.starts[current + 1] = this.segments
    paths.count++
  }

  private openPath(): void {
    const { paths, current } = this
    if (current < paths.weight.length) return
    for (const key of ofPaths) Object.assign(paths, { [key]: twice(paths[key]) })
  }
}

function twice<T extends Float32Array | Uint32Array | Uint16Array | Uint8Array>(all: T): T {
  const larger = new (all.constructor as new (length: number) => T)(2 * all.length)
  larger.set(all)
  return larger
}
