import { margin, trueSize } from '../../base/paper/index.ts'
import type { SideSheet } from './sides.ts'

/** How far the cut swings to either side, and from one swing to the next, m (common practice, no source). */
const wave = { swing: 0.003, pitch: 0.008 } as const

/** What is written on a sheet. */
export interface SheetWords {
  title: string
  /** Under the side, where it is cut from there. */
  note: string
  check: string
  depth: (depth: number) => string
}

/**
 * One side of a block that is cut open at true size as SVG, in millimetres: its edges, the piece behind it,
 * the line on its skin, and where it is cut from this side the wave outside, its ends, and how deep
 * the skin lies. Its two lips keep each other in line by the wave.
 *
 * @example cutSheet({ side: 'foot', width: 0.08, height: 0.04, silhouette: [], line: [], depths: [] }, { title: 'Foot', note: '', check: 'check', depth: String }).startsWith('<svg') // true
 */
export function cutSheet(
  { width, height, silhouette, line, cut, depths }: SideSheet,
  { title, note, check, depth }: SheetWords,
): string {
  const mm = (x: number) => (x * 1000).toFixed(2)
  const at = ([x, y]: readonly [number, number]) => `${mm(x)} ${mm(height - y)}`
  const path = (points: readonly (readonly [number, number])[]) =>
    points.map((point, i) => `${i === 0 ? 'M' : 'L'}${at(point)}`).join('')
  const pairs = (loop: readonly number[]) =>
    Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i], loop[2 * i + 1]] as const)
  const lines = [
    `<path d="M0 0H${mm(width)}V${mm(height)}H0Z" fill="none" stroke="#14312f" stroke-width="0.4"/>`,
    `<path d="${silhouette.map((loop) => `${path(pairs(loop))}Z`).join('')}" fill="#f3f7f5" fill-rule="evenodd" stroke="#14312f" stroke-width="0.25" stroke-dasharray="2 1.5"/>`,
    `<path d="${path(line)}" fill="none" stroke="#a8232b" stroke-width="0.25" stroke-opacity="${cut ? 0.9 : 0.4}"/>`,
    `<text x="0" y="-2" font-size="3.4" font-weight="bold" fill="#14312f">${title}</text>`,
  ]
  if (cut) {
    lines.push(
      `<text x="0" y="${(height * 1000 + 4.5).toFixed(2)}" font-size="3" fill="#14312f">${note}</text>`,
    )
    const part = line.slice(cut.from, cut.to + 1)
    lines.push(
      `<path d="${path(waved(part))}" fill="none" stroke="#a8232b" stroke-width="0.5" data-cut="wave"/>`,
      ...[part[0], part[part.length - 1]].map(
        ([x, y]) =>
          `<path d="M${mm(x - 2 * wave.swing)} ${mm(height - y)}h${mm(4 * wave.swing)}" stroke="#a8232b" stroke-width="0.7" data-cut="end"/>`,
      ),
    )
    for (const { at: place, depth: deep } of depths) {
      const [x, y] = [place[0] + 2.4 * wave.swing, height - place[1]]
      lines.push(
        `<text x="${mm(x)}" y="${(y * 1000 + 1).toFixed(2)}" font-size="2.8" fill="#a8232b">${depth(deep)}</text>`,
      )
    }
  }
  return trueSize(
    -margin,
    -margin,
    width * 1000 + 2 * margin,
    height * 1000 + 2 * margin + 14,
    lines,
    height * 1000 + margin + 8,
    check,
  )
}

/** A line that swings to both sides of another, straight at both ends. */
function waved(points: readonly (readonly [number, number])[]): [number, number][] {
  const lengths = points.map((point, i) =>
    i === 0 ? 0 : Math.hypot(point[0] - points[i - 1][0], point[1] - points[i - 1][1]),
  )
  const whole = lengths.reduce((sum, length) => sum + length, 0)
  const turns = Math.max(2, Math.round(whole / (wave.pitch / 2)))
  const along = (wanted: number): { at: [number, number]; way: [number, number] } => {
    let gone = 0
    let i = 1
    while (i < points.length - 1 && gone + lengths[i] < wanted) gone += lengths[i++]
    const [from, to] = [points[i - 1], points[i]]
    const share = lengths[i] > 0 ? Math.min(1, (wanted - gone) / lengths[i]) : 0
    const step = [to[0] - from[0], to[1] - from[1]]
    const length = Math.hypot(step[0], step[1]) || 1
    return {
      at: [from[0] + share * step[0], from[1] + share * step[1]],
      way: [step[0] / length, step[1] / length],
    }
  }
  return Array.from({ length: turns + 1 }, (_, i) => {
    const { at, way } = along((i / turns) * whole)
    const aside = i === 0 || i === turns ? 0 : i % 2 ? wave.swing : -wave.swing
    return [at[0] - way[1] * aside, at[1] + way[0] * aside]
  })
}
