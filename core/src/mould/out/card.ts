import { margin, trueSize } from '../../base/paper/index.ts'
import { boundsOfLoop, type Loop } from '../../form/shape/index.ts'

/**
 * One card of a stacked bed at true size as SVG, in millimetres: the floor plan of the box, the card
 * as it is cut out, what is written on it, a mark at the front of the box, and a 50 mm line.
 * Loops in m.
 *
 * @example bedCard([[0, 0, 0.02, 0, 0.02, 0.02]], [0, 0, 0.05, 0, 0.05, 0.03, 0, 0.03], 'Card 1', 'front', 'check').includes('>Card 1</text>') // true
 */
export function bedCard(
  loops: readonly Loop[],
  plan: Loop,
  title: string,
  front: string,
  check: string,
): string {
  const mm = (x: number) => (x * 1000).toFixed(2)
  const path = (loop: Loop) =>
    Array.from(
      { length: loop.length / 2 },
      (_, i) => `${i === 0 ? 'M' : 'L'}${mm(loop[2 * i])} ${mm(-loop[2 * i + 1])}`,
    ).join('') + 'Z'
  const { low, high } = boundsOfLoop(plan)
  const [left, right] = [low[0] * 1000, high[0] * 1000]
  const [top, bottom] = [-high[1] * 1000, -low[1] * 1000]
  const middle = (left + right) / 2
  const lines = [
    `<path d="${path(plan)}" fill="none" stroke="#14312f" stroke-width="0.25" stroke-dasharray="2 1.5"/>`,
    `<path d="${loops.map(path).join('')}" fill="#f5ead2" fill-rule="evenodd" stroke="#a8232b" stroke-width="0.35"/>`,
    `<path d="M${(middle - 2).toFixed(2)} ${(bottom + 4).toFixed(2)}h4l-2 -3z" fill="#14312f"/>`,
    `<text x="${(middle + 4).toFixed(2)}" y="${(bottom + 4).toFixed(2)}" font-size="3" fill="#14312f">${front}</text>`,
    `<text x="${left.toFixed(2)}" y="${(top - 2).toFixed(2)}" font-size="3.4" font-weight="bold" fill="#14312f">${title}</text>`,
  ]
  return trueSize(
    left - margin,
    top - margin,
    right - left + 2 * margin,
    bottom - top + 2 * margin + 16,
    lines,
    bottom + margin + 10,
    check,
  )
}
