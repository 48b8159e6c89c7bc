import type { Section } from '@mivro/core/form/filling'

/** Where things lie on the drawing, px. */
export interface Frame {
  width: number
  height: number
  /** px for x (m, from the middle of the cut) and for a height (m). */
  x: (across: number) => number
  y: (height: number) => number
  /** And back: across and height (m) at a place on the drawing. */
  acrossAt: (x: number) => number
  heightAt: (y: number) => number
  /** px to a metre across. */
  scale: number
  /** How many times larger heights are drawn than widths. */
  stretch: number
  block: { left: number; right: number; top: number; bottom: number }
}

export const margin = { left: 84, right: 250, top: 52, bottom: 34 }

/** Mould drawn around the piece, px. */
const wall = 40

/** Mould drawn above and below it, px. */
const lid = 20

/** A flat piece is drawn up to this many times taller, so that its layers can be taken hold of. */
const mostStretch = 9

/** Without labels beside it, only the ruler of volumes stands at the right, px. */
const rulerAlone = 100

/** Wider than this many times its height a piece is flat. */
const flat = 1.5

/** Places a section on a drawing of `width` x `height` px, mould around it. */
export function frameFor(
  section: Section,
  width: number,
  height: number,
  mould: 'open' | 'closed',
  labels: 'beside' | 'none' = 'beside',
): Frame {
  const across = section.right - section.left
  const right = labels === 'beside' ? margin.right : rulerAlone
  const roomX = Math.max(80, width - margin.left - right - 2 * wall)
  const roomY = Math.max(60, height - margin.top - margin.bottom - 1.4 * lid)
  const scale = Math.min(roomX / across, roomY / section.height)
  // In a narrow drawing no taller than a usual piece would stand there.
  const wanted = (0.62 * Math.min(roomY, across * scale)) / (section.height * scale)
  const isFlat = across > flat * section.height
  const stretch = wanted < 1.4 || !isFlat ? 1 : Math.min(mostStretch, Math.floor(wanted))
  const middle = margin.left + wall + roomX / 2
  const used = section.height * scale * stretch
  const bottom = margin.top + lid * 0.7 + roomY - (roomY - used) / 2
  const y = (h: number) => bottom - h * scale * stretch
  const x = (a: number) => middle + (a - (section.left + section.right) / 2) * scale
  return {
    width,
    height,
    x,
    y,
    acrossAt: (at) => (at - x(0)) / scale,
    heightAt: (at) => (bottom - at) / (scale * stretch),
    scale,
    stretch,
    block: {
      left: x(section.left) - wall,
      right: x(section.right) + wall,
      top: y(section.height) - (mould === 'closed' ? lid : 0),
      bottom: bottom + lid,
    },
  }
}

/** Closed lines of a cut as one SVG path: x and height of their points, m. */
export const linesPath = (lines: readonly ArrayLike<number>[], frame: Pick<Frame, 'x' | 'y'>) =>
  outlinePath({ outlines: lines.map((points) => ({ points, closed: true })) }, frame)

/** The outlines as one SVG path. */
export function outlinePath(
  { outlines }: { outlines: readonly { points: ArrayLike<number>; closed: boolean }[] },
  { x, y }: Pick<Frame, 'x' | 'y'>,
): string {
  return outlines
    .map(({ points, closed }) => {
      const steps: string[] = []
      for (let i = 0; i < points.length; i += 2) {
        steps.push(
          `${i === 0 ? 'M' : 'L'}${x(points[i]).toFixed(1)} ${y(points[i + 1]).toFixed(1)}`,
        )
      }
      return steps.join('') + (closed ? 'Z' : '')
    })
    .join('')
}

/** The widest stretch of the cut at a height (m), from left to right. */
export function spanAt(
  { outlines }: Section,
  h: number,
): { left: number; right: number } | undefined {
  const crossings: number[] = []
  for (const { points } of outlines) {
    for (let i = 0; i < points.length; i += 2) {
      const j = (i + 2) % points.length
      const [x1, z1, x2, z2] = [points[i], points[i + 1], points[j], points[j + 1]]
      if (z1 > h !== z2 > h) crossings.push(x1 + ((h - z1) / (z2 - z1)) * (x2 - x1))
    }
  }
  crossings.sort((a, b) => a - b)
  let widest: { left: number; right: number } | undefined
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const span = { left: crossings[i], right: crossings[i + 1] }
    if (!widest || span.right - span.left > widest.right - widest.left) widest = span
  }
  return widest
}

/** The same without mould and rulers, for a small picture. */
export function frameForCard(section: Section, width: number, height: number): Frame {
  const edge = 14
  const across = section.right - section.left
  const scale = Math.min((width - 2 * edge) / across, (height - 2 * edge) / section.height)
  const wanted = (0.5 * (height - 2 * edge)) / (section.height * scale)
  const stretch = Math.min(3, Math.max(1, wanted))
  const used = section.height * scale * stretch
  const bottom = (height + used) / 2
  const middle = (section.left + section.right) / 2
  const x = (a: number) => width / 2 + (a - middle) * scale
  return {
    width,
    height,
    x,
    y: (h) => bottom - h * scale * stretch,
    acrossAt: (at) => (at - x(0)) / scale,
    heightAt: (at) => (bottom - at) / (scale * stretch),
    scale,
    stretch,
    block: { left: 0, right: width, top: 0, bottom: height },
  }
}
