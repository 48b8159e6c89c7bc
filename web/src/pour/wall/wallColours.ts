import type { MapOnSection, WallMap } from '@mivro/core/form/wall'
import type { Frame } from '../../cutaway/frame.ts'
import { token } from '../../theme/token.ts'
import { rampOf } from '../../ui/ramp.ts'
import { rgb } from 'd3-color'

/** What two walls fill between them. */
export const solidColour = 'metal'

/** What the ends of the colours stand for, m: half the wished wall, and half as much again. */
export const wallRange = (wall: number): readonly [number, number] => [wall / 2, 1.5 * wall]

/** What a place of a map is drawn with: red, green and blue, 0 to 255. */
function colourFor(wall: number) {
  const ramp = rampOf('wall')
  const [low, high] = wallRange(wall)
  const [none, solid] = ['line', solidColour].map((name) => {
    const { r, g, b } = rgb(token(name))
    return [r, g, b] as const
  })
  return (thick: number) => {
    if (Number.isNaN(thick)) return none
    return thick === Infinity ? solid : ramp((thick - low) / (high - low))
  }
}

/** Red, green and blue of each corner of a map, 0 to 1, over the range of its wall. */
export function wallColours(
  { thickness }: Pick<WallMap, 'thickness'>,
  wall: number,
): Float32Array<ArrayBuffer> {
  const colourOf = colourFor(wall)
  const colours = new Float32Array(3 * thickness.length)
  thickness.forEach((thick, i) => {
    const colour = colourOf(thick)
    for (let k = 0; k < 3; k++) colours[3 * i + k] = colour[k] / 255
  })
  return colours
}

/** The skin of a cut in strokes of a colour each. */
export function skinStrokes(
  skin: MapOnSection['skin'],
  wall: number,
  { x, y }: Pick<Frame, 'x' | 'y'>,
): { d: string; colour: string }[] {
  const colourOf = colourFor(wall)
  return skin.flatMap(({ points, thickness, closed }) =>
    thickness.flatMap((thick, i) => {
      if (!closed && i === thickness.length - 1) return []
      const [from, to] = [2 * i, 2 * ((i + 1) % thickness.length)]
      const at = (k: number) => `${x(points[k]).toFixed(1)} ${y(points[k + 1]).toFixed(1)}`
      return { d: `M${at(from)}L${at(to)}`, colour: `rgb(${colourOf(thick).join(' ')})` }
    }),
  )
}
