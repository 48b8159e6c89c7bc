import { checkLine, margin, trueSize } from '../../base/paper/index.ts'
import type { Arranged } from './arrange.ts'
import type { SeenAs } from './layingList.ts'
import { outlineOf } from './mesh.ts'
import { boundsOf, type Loops } from './region.ts'

const mm = (x: number) => (x * 1000).toFixed(2)

/**
 * Where things lie in one layer, at true size as SVG in millimetres: the outline of the piece there
 * at its widest, dashed where it is narrower at the heights of its things, every thing in its own
 * outline with its number, a cross at the middle, and a line of 50 mm. Seen from above into the
 * mould, or mirrored, as the face shows it.
 *
 * @example placementTemplate([Float64Array.of(0, 0, 0.1, 0, 0.1, 0.1)], [], { seen: 'from above', check: '50 mm' }).startsWith('<svg') // true
 */
export function placementTemplate(
  loops: Loops,
  things: readonly Arranged[],
  { seen, check, levels = [] }: { seen: SeenAs; check: string; levels?: readonly Loops[] },
): string {
  const side = seen === 'mirrored' ? -1 : 1
  const path = (points: ArrayLike<number>) => {
    const at: string[] = []
    for (let i = 0; i < points.length; i += 2) {
      at.push(`${mm(side * points[i])},${mm(-points[i + 1])}`)
    }
    return at.join(' ')
  }
  const lines = loops.map(
    (points) =>
      `<polygon points="${path(points)}" fill="none" stroke="#14312f" stroke-width="0.3"/>`,
  )
  for (const points of levels.flat()) {
    lines.push(
      `<polygon points="${path(points)}" fill="none" stroke="#14312f" stroke-width="0.15" stroke-dasharray="1.5 1"/>`,
    )
  }
  lines.push('<path d="M-3 0h6M0 -3v6" stroke="#14312f" stroke-width="0.2"/>')
  let number = 0
  for (const { size, places } of things) {
    const loopsOfOne = outlineOf(size)
    for (const { x, y, turn, size: share = 1 } of places) {
      const [c, s] = [Math.cos(turn), Math.sin(turn)]
      const across = share * size.across
      for (const loop of loopsOfOne) {
        const points = loop.flatMap(([u, v]) => [
          x + across * (c * u - s * v),
          y + across * (s * u + c * v),
        ])
        lines.push(
          `<polygon points="${path(points)}" fill="none" stroke="#0f7376" stroke-width="0.25"/>`,
        )
      }
      lines.push(
        `<text x="${mm(side * x + across / 2 + 0.0008)}" y="${mm(-y + 0.0008)}" font-size="2.4" fill="#14312f">${++number}</text>`,
      )
    }
  }
  const { low, high } = boundsOf(loops)
  const [left, right] = side > 0 ? [low[0], high[0]] : [-high[0], -low[0]]
  const width = Math.max(right - left, checkLine) * 1000 + 2 * margin
  const height = (high[1] - low[1]) * 1000 + 2 * margin + 12
  const bottom = -low[1] * 1000
  return trueSize(
    left * 1000 - margin,
    -high[1] * 1000 - margin,
    width,
    height,
    lines,
    bottom + margin + 6,
    check,
  )
}
