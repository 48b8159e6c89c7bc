import { axesFor, toAxes, type Vec3 } from '../../form/mesh/index.ts'
import { boundsOfLoop } from '../../form/shape/index.ts'
import { checkLine, margin, trueSize } from '../../base/paper/index.ts'
import type { CompiledMould } from '../compiled.ts'
import { oddLength } from '../parting/keys.ts'
import type { Mould } from '../mould.ts'

/**
 * A template at true size as SVG, in millimetres: the box seen from above with the outline
 * of every master in it, every gate and vent at its place with its bore, keys of the parting, and a 50 mm
 * line to check the print, with `check` written over it.
 *
 * @example template(mouldOf80x60x40, compiledMould, 'This line is 50 mm long.').startsWith('<svg') // true
 */
export function template(
  mould: Mould,
  {
    box,
    foot,
    keys = [],
  }: Required<Pick<CompiledMould, 'box' | 'foot'>> & Partial<Pick<CompiledMould, 'keys'>>,
  check: string,
): string {
  const axes = axesFor(mould.masterUp)
  const lines: string[] = []
  const mm = (x: number) => (x * 1000).toFixed(2)
  const loop = (points: readonly number[]) => {
    const at: string[] = []
    for (let i = 0; i < points.length; i += 2) at.push(`${mm(points[i])},${mm(-points[i + 1])}`)
    return at.join(' ')
  }
  lines.push(
    `<polygon points="${loop(box.plan)}" fill="none" stroke="#14312f" stroke-width="0.4"/>`,
  )
  for (const [dx, dy] of foot.places) {
    const piece = foot.one.map((x, i) => x + (i % 2 === 0 ? dx : dy))
    lines.push(
      `<polygon points="${loop(piece)}" fill="none" stroke="#14312f" stroke-width="0.25" stroke-dasharray="2 1.5"/>`,
    )
    for (const { what, at, bore } of mould.openings) {
      const [right, away] = toAxes(axes, at as unknown as Vec3)
      const [x, y] = [mm(right - foot.centre[0] + dx), mm(foot.centre[1] - away - dy)]
      const r = (bore * 500).toFixed(2)
      lines.push(
        `<circle cx="${x}" cy="${y}" r="${r}" fill="none" stroke="#0f7376" stroke-width="0.35"/>`,
        `<path d="M${x} ${y}m-1.5 0h3m-1.5 -1.5v3" stroke="#0f7376" stroke-width="0.2"/>`,
        `<text x="${x}" y="${(Number(y) - bore * 500 - 1.2).toFixed(2)}" font-size="3" text-anchor="middle" fill="#14312f">${what} ${(bore * 1000).toFixed(1)} mm</text>`,
      )
    }
  }
  for (const { x, y, width, odd } of keys) {
    const far = Math.hypot(x, y) || 1
    const half = odd ? ((oddLength - 1) * width) / 2 : 0
    const [across, along] = [(-y / far) * half, (x / far) * half]
    lines.push(
      `<path d="M${mm(x - across)} ${mm(along - y)}L${mm(x + across)} ${mm(-along - y)}" fill="none" stroke="#e8a838" stroke-opacity="0.6" stroke-width="${mm(width)}" stroke-linecap="round"/>`,
    )
  }
  const { low, high } = boundsOfLoop(box.plan)
  const [left, top] = [low[0] * 1000 - margin, -high[1] * 1000 - margin]
  const width = Math.max((high[0] - low[0]) * 1000, checkLine * 1000) + 2 * margin
  const height = (high[1] - low[1]) * 1000 + 2 * margin + 12
  return trueSize(left, top, width, height, lines, -low[1] * 1000 + margin + 6, check)
}
