import type { SurfaceGraph } from './surfaceGraph.ts'

/**
 * The cheapest path over a surface from one point to another (Dijkstra 1959, with a binary heap): each
 * way costs its length times the mean of `cost` at both of its ends. Undefined where none leads there.
 *
 * @returns the points' numbers, both ends among them
 * @example cheapestPath(surfaceGraph(unitCube), 0, 0, () => 1) // [0]
 */
export function cheapestPath(
  { starts, ends, lengths }: Pick<SurfaceGraph, 'starts' | 'ends' | 'lengths'>,
  from: number,
  to: number,
  cost: (point: number) => number,
): number[] | undefined {
  const count = starts.length - 1
  const spent = new Float64Array(count).fill(Infinity)
  const before = new Int32Array(count).fill(-1)
  const heap = new Heap()
  spent[from] = 0
  heap.push(from, 0)
  for (let next = heap.pop(); next; next = heap.pop()) {
    const { point, key } = next
    if (key > spent[point]) continue
    if (point === to) break
    for (let i = starts[point]; i < starts[point + 1]; i++) {
      const other = ends[i]
      const sum = key + (lengths[i] * (cost(point) + cost(other))) / 2
      if (sum >= spent[other]) continue
      spent[other] = sum
      before[other] = point
      heap.push(other, sum)
    }
  }
  if (spent[to] === Infinity) return undefined
  const path = [to]
  while (path[path.length - 1] !== from) path.push(before[path[path.length - 1]])
  return path.reverse()
}

/** A binary heap: the least key first; a point may stand in it more than once. */
class Heap {
  private readonly points: number[] = []
  private readonly keys: number[] = []

  push(point: number, key: number): void {
    let i = this.keys.length
    this.points.push(point)
    this.keys.push(key)
    while (i > 0) {
      const parent = (i - 1) >> 1
      if (this.keys[parent] <= key) break
      this.points[i] = this.points[parent]
      this.keys[i] = this.keys[parent]
      i = parent
    }
    this.points[i] = point
    this.keys[i] = key
  }

  pop(): { point: number; key: number } | undefined {
    if (this.keys.length === 0) return undefined
    const top = { point: this.points[0], key: this.keys[0] }
    const [point, key] = [this.points.pop()!, this.keys.pop()!]
    const count = this.keys.length
    if (count > 0) {
      let i = 0
      for (let child = 1; child < count; child = 2 * i + 1) {
        if (child + 1 < count && this.keys[child + 1] < this.keys[child]) child++
        if (this.keys[child] >= key) break
        this.points[i] = this.points[child]
        this.keys[i] = this.keys[child]
        i = child
      }
      this.points[i] = point
      this.keys[i] = key
    }
    return top
  }
}
