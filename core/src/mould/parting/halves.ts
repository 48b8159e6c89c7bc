import { cellVolume, type Grid } from '../../form/cells/index.ts'

/** Which half silicone belongs to, by a parting over every column, and what of it is locked. */
export interface Halves {
  /** Silicone that a straight pull has to be torn over, m³. */
  blocked: number
  /** Of the lower half beside, under and over the piece within the grid, m³. */
  lower: number
  /** 1 at cells that are blocked. */
  locked: Uint8Array
}

/**
 * Silicone of the lower half hangs together below the parting with the outside there, that of the
 * upper one above it; what hangs together with neither side's outside leaves with the other half.
 * Blocked is what has piece between it and its own half's way out, and what lies between two parts
 * of the piece. `heightAt`: the parting over a column of the grid, in rows from the lowest of the piece.
 * The definition; for a parting that is level it is that of `undercuts`.
 *
 * @example halvesOf(gridOfStool, () => 88).blocked // 0
 */
export function halvesOf(grid: Grid, heightAt: (x: number, y: number) => number): Halves {
  const { counts, inside } = grid
  const [nx, ny, nz] = counts
  const level = new Int16Array(nx * ny)
  // Cells whose middle lies below it; row 1 is the lowest of the piece.
  for (let y = 0; y < ny; y++) {
    for (let x = 0; x < nx; x++) {
      const rows = Math.round(heightAt(x, y))
      level[y * nx + x] = Math.max(0, Math.min(nz - 2, rows))
    }
  }
  const below = flood(grid, (column, z) => z <= level[column])
  const above = flood(grid, (column, z) => z > level[column])
  const locked = new Uint8Array(inside.length)
  let [blocked, lower] = [0, 0]
  for (let column = 0; column < nx * ny; column++) {
    const start = column * nz
    let [first, last] = [0, 0]
    for (let z = 1; z < nz - 1; z++) {
      if (!inside[start + z]) continue
      first ||= z
      last = z
    }
    for (let z = 1; z < nz - 1; z++) {
      const cell = start + z
      if (inside[cell]) continue
      const between = z > first && z < last
      const isLower =
        first === 0 || between ? z <= level[column] : z > last ? below[cell] === 1 : !above[cell]
      if (isLower) lower++
      const held = first > 0 && (between || (z > last ? isLower : !isLower))
      if (!held) continue
      locked[cell] = 1
      blocked++
    }
  }
  const volume = cellVolume(grid)
  return { blocked: blocked * volume, lower: lower * volume, locked }
}

/** Cells of silicone on one side that hang together by faces with the rim of the grid. */
function flood(
  { counts: [nx, ny, nz], inside }: Grid,
  on: (column: number, z: number) => boolean,
): Uint8Array {
  const reached = new Uint8Array(inside.length)
  const waiting: number[] = []
  const reach = (column: number, z: number) => {
    const cell = column * nz + z
    if (inside[cell] || reached[cell] || !on(column, z)) return
    reached[cell] = 1
    waiting.push(cell)
  }
  for (let column = 0; column < nx * ny; column++) {
    const [x, y] = [column % nx, Math.floor(column / nx)]
    const rim = x === 0 || y === 0 || x === nx - 1 || y === ny - 1
    for (let z = 0; z < nz; z++) if (rim || z === 0 || z === nz - 1) reach(column, z)
  }
  for (let cell = waiting.pop(); cell !== undefined; cell = waiting.pop()) {
    const [column, z] = [Math.floor(cell / nz), cell % nz]
    const [x, y] = [column % nx, Math.floor(column / nx)]
    if (z > 0) reach(column, z - 1)
    if (z < nz - 1) reach(column, z + 1)
    if (x > 0) reach(column - 1, z)
    if (x < nx - 1) reach(column + 1, z)
    if (y > 0) reach(column - nx, z)
    if (y < ny - 1) reach(column + nx, z)
  }
  return reached
}
