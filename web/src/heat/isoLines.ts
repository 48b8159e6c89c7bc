import { contours } from 'd3-contour'
import type { Picture } from '@mivro/core/matter/cure'

export interface IsoLine {
  value: number
  path: string
  /** Where its number stands, px. */
  label: { x: number; y: number } | undefined
}

/** A number takes so much to either side, px. */
const labelRoom = 18

/** Lines of equal value over a picture that is drawn `width` x `height` px, its bottom row last. */
export function isoLines(
  picture: Picture,
  lines: readonly number[],
  width: number,
  height: number,
): IsoLine[] {
  const { columns, rows } = picture
  const filled = filledIn(picture)
  const x = (column: number) => (column / columns) * width
  const y = (row: number) => height - (row / rows) * height
  return contours()
    .size([columns, rows])
    .smooth(true)
    .thresholds([...lines])([...filled])
    .map(({ value, coordinates }) => {
      const rings = coordinates.flat()
      // Pieces along the picture's own edge are no lines.
      const inner = ([c, r]: number[]) => c > 0.6 && r > 0.6 && c < columns - 0.6 && r < rows - 0.6
      const path = rings
        .map((ring) => {
          let pen = false
          return ring
            .map((point) => {
              const draws = inner(point)
              const step = draws
                ? `${pen ? 'L' : 'M'}${x(point[0]).toFixed(1)} ${y(point[1]).toFixed(1)}`
                : ''
              pen = draws
              return step
            })
            .join('')
        })
        .join('')
      const longest = rings.reduce<number[][]>((a, b) => (b.length > a.length ? b : a), [])
      // Beside the middle, where lines lie apart and the marks of points don't stand.
      const beside = longest
        .filter((point) => inner(point) && x(point[0]) < width - labelRoom)
        .reduce<number[] | undefined>((a, b) => (!a || b[0] > a[0] ? b : a), undefined)
      return { value, path, label: beside && { x: x(beside[0]), y: y(beside[1]) } }
    })
    .filter(({ path }) => path.length > 0)
}

/**
 * The values with every gap closed by the nearest one in its row, else by the one below: so that
 * no line runs along a surface, and what is drawn over ends where the outline does.
 */
export function filledIn({ values, columns, rows }: Picture): Float32Array {
  const filled = values.slice()
  const carry = (from: number, to: number, step: number) => {
    let last = NaN
    for (let i = from; i !== to; i += step) {
      if (Number.isNaN(filled[i])) filled[i] = last
      else last = filled[i]
    }
  }
  for (let row = 0; row < rows; row++) {
    const start = row * columns
    carry(start, start + columns, 1)
    carry(start + columns - 1, start - 1, -1)
  }
  for (let column = 0; column < columns; column++) {
    const end = column + rows * columns
    carry(column, end, columns)
    carry(end - columns, column - columns, -columns)
  }
  return filled
}
