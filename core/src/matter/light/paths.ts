/** Where a path of light ends. */
export const ends = { room: 0, table: 1, thing: 2, mount: 3 } as const

/**
 * Paths of light, found once and shaded many times: what each crosses, with which share of the
 * light, and where it ends. Path i crosses the media from `starts[i]` up to `starts[i + 1]`.
 */
export interface Paths {
  count: number
  starts: Uint32Array
  medium: Uint16Array
  /** m. */
  length: Float32Array
  /** Share that the boundaries let through. */
  weight: Float32Array
  end: Uint8Array
  /** Direction into the room, place on the table, or normal of a thing or the mount; three numbers a path. */
  at: Float32Array
  /** Of a thing: its number. */
  thing: Uint16Array
  /** Share that the first surface mirrors, and where that comes from. */
  sheen: Float32Array
  sheenEnd: Uint8Array
  sheenAt: Float32Array
  /** The surface that is looked at, towards the eye; zeros where there is none. */
  normal: Float32Array
}

/** Collects paths one after the other. */
export class PathBook {
  readonly paths: Paths
  private next = 0
  private segments = 0

  constructor(count: number) {
    this.paths = {
      count,
      starts: new Uint32Array(count + 1),
      medium: new Uint16Array(4 * count + 64),
      length: new Float32Array(4 * count + 64),
      weight: new Float32Array(count),
      end: new Uint8Array(count),
      at: new Float32Array(3 * count),
      thing: new Uint16Array(count),
      sheen: new Float32Array(count),
      sheenEnd: new Uint8Array(count),
      sheenAt: new Float32Array(3 * count),
      normal: new Float32Array(3 * count),
    }
  }

  get current(): number {
    return this.next
  }

  cross(medium: number, length: number): void {
    if (this.segments === this.paths.medium.length) this.grow()
    this.paths.medium[this.segments] = medium
    this.paths.length[this.segments++] = length
  }

  end(kind: number, weight: number, x: number, y: number, z: number): void {
    const { paths, next } = this
    paths.end[next] = kind
    paths.weight[next] = weight
    paths.at[3 * next] = x
    paths.at[3 * next + 1] = y
    paths.at[3 * next + 2] = z
    paths.starts[++this.next] = this.segments
  }

  private grow(): void {
    const { paths } = this
    const [medium, length] = [paths.medium, paths.length]
    paths.medium = new Uint16Array(2 * medium.length)
    paths.medium.set(medium)
    paths.length = new Float32Array(2 * length.length)
    paths.length.set(length)
  }
}
