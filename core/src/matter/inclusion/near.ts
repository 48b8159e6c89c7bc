/** Something that lies there already: its middle, half its width, its underside and its top, m. */
export interface Taken {
  x: number
  y: number
  half: number
  floor?: number
  roof?: number
}

/** Things in square cells, so that only those nearby are looked at. */
export class Near {
  private readonly cells = new Map<number, Taken[]>()
  private readonly side: number

  constructor(side: number, taken: readonly Taken[]) {
    this.side = taken.reduce((widest, { half }) => Math.max(widest, 2 * half), Math.max(side, 1e-4))
    for (const one of taken) this.add(one)
  }

  add(one: Taken): void {
    const key = cell(Math.floor(one.x / this.side), Math.floor(one.y / this.side))
    const known = this.cells.get(key)
    if (known) known.push(one)
    else this.cells.set(key, [one])
  }

  /** Between a thing here and the nearest other at its height, m; no farther than two cells are looked. */
  room(x: number, y: number, half: number, floor = 0, roof = 0): number {
    const [column, row] = [Math.floor(x / this.side), Math.floor(y / this.side)]
    let best = 2 * this.side
    for (let dy = -2; dy <= 2; dy++) {
      for (let dx = -2; dx <= 2; dx++) {
        const there = this.cells.get(cell(column + dx, row + dy))
        if (!there) continue
        for (const other of there) {
          if (passesOver(other, floor, roof)) continue
          const [ax, ay] = [other.x - x, other.y - y]
          const room = Math.sqrt(ax * ax + ay * ay) - other.half - half
          if (room < best) best = room
        }
      }
    }
    return best
  }
}

/** One above the other with room between. */
const passesOver = ({ floor = 0, roof = 0 }: Taken, low: number, high: number): boolean =>
  (floor >= high && floor > low) || (low >= roof && low > floor)

/** Cells are numbered from far below zero; a pour has no more than so many in a row. */
const most = 1 << 20
const cell = (column: number, row: number): number => (row + most) * (2 * most) + column + most
