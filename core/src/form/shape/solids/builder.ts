import earcut from 'earcut'
import type { Mesh } from '../../mesh/mesh.ts'
import type { Loop } from '../outline/loops.ts'

/** Gathers a closed mesh from flat caps and walls between loops, all sharing their corners. */
export class MeshBuilder {
  private readonly positions: number[] = []
  private readonly triangles: number[] = []
  private readonly known = new Map<string, number>()

  private vertex(x: number, y: number, z: number): number {
    const key = `${x},${y},${z}`
    const found = this.known.get(key)
    if (found !== undefined) return found
    const index = this.positions.push(x, y, z) / 3 - 1
    this.known.set(key, index)
    return index
  }

  /** A level face from an outer loop and its holes, looking up or down. */
  cap(outer: Loop, holes: readonly Loop[], z: number, looking: 'up' | 'down'): this {
    const flat = [outer, ...holes].flat()
    const starts = holes.map((_, i) =>
      [outer, ...holes.slice(0, i)].reduce((sum, loop) => sum + loop.length / 2, 0),
    )
    const order = earcut(flat, starts)
    const at = (i: number) => this.vertex(flat[2 * i], flat[2 * i + 1], z)
    for (let i = 0; i < order.length; i += 3) {
      const [a, b, c] = [at(order[i]), at(order[i + 1]), at(order[i + 2])]
      const [x, y] = [order[i], order[i + 1]].map((v) => [
        flat[2 * v] - flat[2 * order[i + 2]],
        flat[2 * v + 1] - flat[2 * order[i + 2] + 1],
      ])
      const counter = x[0] * y[1] - x[1] * y[0] > 0
      if (counter === (looking === 'up')) this.triangles.push(a, b, c)
      else this.triangles.push(a, c, b)
    }
    return this
  }

  /**
   * The side between two loops of as many points; counter-clockwise loops from below to above
   * look outward, clockwise ones inward.
   */
  wall(below: Loop, z1: number, above: Loop, z2: number): this {
    for (let i = 0; i < below.length; i += 2) {
      const j = (i + 2) % below.length
      const a = this.vertex(below[i], below[i + 1], z1)
      const b = this.vertex(below[j], below[j + 1], z1)
      const c = this.vertex(above[j], above[j + 1], z2)
      const d = this.vertex(above[i], above[i + 1], z2)
      if (a !== b && b !== c && c !== a) this.triangles.push(a, b, c)
      if (a !== c && c !== d && d !== a) this.triangles.push(a, c, d)
    }
    return this
  }

  mesh(): Mesh {
    return {
      positions: Float64Array.from(this.positions),
      triangles: Uint32Array.from(this.triangles),
    }
  }
}

/** A rectangle about the origin, counter-clockwise. */
export const rectangle = (width: number, depth: number): Loop => {
  const [x, y] = [width / 2, depth / 2]
  return [-x, -y, x, -y, x, y, -x, y]
}

/** A regular polygon about the origin by the radius of its corners, counter-clockwise. */
export const regular = (radius: number, sides: number, start = 0): Loop =>
  Array.from({ length: sides }, (_, i) => {
    const angle = start + (2 * Math.PI * i) / sides
    return [radius * Math.cos(angle), radius * Math.sin(angle)]
  }).flat()

/** The same loop the other way round: a hole. */
export function turned(loop: Loop): Loop {
  const other: number[] = []
  for (let i = loop.length - 2; i >= 0; i -= 2) other.push(loop[i], loop[i + 1])
  return other
}
