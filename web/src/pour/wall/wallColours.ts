import type { WallMap } from '@mivro/core/form/wall'
import { token } from '../../theme/token.ts'
import { rampOf } from '../../ui/ramp.ts'
import { rgb } from 'd3-color'

/** What two walls fill between them. */
export const solidColour = 'metal'

/** What the ends of the colours stand for, m: half the wished wall, and half as much again. */
export const wallRange = (wall: number): readonly [number, number] => [wall / 2, 1.5 * wall]

/** Red, green and blue of each corner of a map, 0 to 1, over the range of its wall. */
export function wallColours(
  { thickness }: Pick<WallMap, 'thickness'>,
  wall: number,
): Float32Array<ArrayBuffer> {
  const ramp = rampOf('wall')
  const [low, high] = wallRange(wall)
  const [none, solid] = ['line', solidColour].map((name) => {
    const { r, g, b } = rgb(token(name))
    return [r, g, b]
  })
  const colours = new Float32Array(3 * thickness.length)
  thickness.forEach((thick, i) => {
    const cast = thick === Infinity ? solid : ramp((thick - low) / (high - low))
    const colour = Number.isNaN(thick) ? none : cast
    for (let k = 0; k < 3; k++) colours[3 * i + k] = colour[k] / 255
  })
  return colours
}
