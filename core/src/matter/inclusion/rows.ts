/** Shifts of a lattice that are tried each way within one of its cells: fewer where more than so many fit. */
const shiftsOf = (cells: number): number => (cells > 150 ? 3 : 6)
/** Rows of a hexagonal lattice stand at this share of their pitch. */
const hexagonal = Math.sqrt(3) / 2
/** So that neighbours are never a rounding too near, m. */
const hair = 1e-9

/**
 * Lattice packing: as many places as the best of square and hexagonal rows has room for, shifted
 * within a cell, hexagonal ones along either axis. Where many are wished, rows
 * hold what chance never reaches: the densest packing of equal circles in the plane is hexagonal
 * (Thue 1910, from memory).
 *
 * @example rowsIn([0, 0], [4, 4], 1, (x, y) => x >= 0 && y >= 0).length // 20
 */
export function rowsIn(
  low: readonly number[],
  high: readonly number[],
  pitch: number,
  fits: (x: number, y: number) => boolean,
): [x: number, y: number][] {
  const step = pitch + hair
  const shifts = shiftsOf(((high[0] - low[0]) * (high[1] - low[1])) / pitch ** 2)
  const lattices: { across: number; up: number; stagger: number; turned: boolean }[] = [
    { across: step, up: step, stagger: 0, turned: false },
    { across: step, up: step * hexagonal, stagger: step / 2, turned: false },
    { across: step, up: step * hexagonal, stagger: step / 2, turned: true },
  ]
  let best: [number, number][] = []
  for (const { across, up, stagger, turned } of lattices) {
    const [first, second] = turned ? [1, 0] : [0, 1]
    for (let shift = 0; shift < shifts * shifts; shift++) {
      const begin = low[first] + (across * (shift % shifts)) / shifts
      const bottom = low[second] + (up * Math.floor(shift / shifts)) / shifts
      const found: [number, number][] = []
      for (let row = 0; bottom + row * up <= high[second]; row++) {
        const v = bottom + row * up
        const from = begin - (row % 2 === 0 ? 0 : stagger)
        for (let u = from; u <= high[first]; u += across) {
          if (turned ? fits(v, u) : fits(u, v)) found.push(turned ? [v, u] : [u, v])
        }
      }
      if (found.length > best.length) best = found
    }
  }
  return best
}
