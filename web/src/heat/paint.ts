import type { Picture } from '@mivro/core/matter/cure'
import { filledIn } from './isoLines.ts'
import type { Ramp } from '../ui/ramp.ts'

/** Paints a picture pixel by place, its bottom row last; gaps take the value beside them. */
export function paint(
  context: CanvasRenderingContext2D,
  picture: Picture,
  ramp: Ramp,
  { low, high }: { low: number; high: number },
): void {
  const { columns, rows } = picture
  const image = context.createImageData(columns, rows)
  const filled = filledIn(picture)
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const value = filled[row * columns + column]
      if (Number.isNaN(value)) continue
      const to = ((rows - 1 - row) * columns + column) * 4
      const [r, g, b] = ramp((value - low) / (high - low))
      image.data[to] = r
      image.data[to + 1] = g
      image.data[to + 2] = b
      image.data[to + 3] = 255
    }
  }
  context.putImageData(image, 0, 0)
}
