import { fromSection, nearestOnOutline, type Section } from '../../form/filling/index.ts'
import type { Vec3 } from '../../form/mesh/index.ts'
import { Problem } from '../../base/problem/index.ts'

/** A pin set so near beside the outline is meant on it, m. */
const snaps = 0.003

/**
 * Where a point of a cut lies in the piece, and how deep under the skin there, m.
 *
 * Throws `Problem('pin-outside')` with how far beside the piece it is.
 */
export function pinOn(section: Section, x: number, h: number): { at: Vec3; under: number } {
  const nearest = nearestOnOutline(section, x, h)
  if (!nearest) throw new Problem('pin-outside', { miss: Math.hypot(x, h) })
  if (isInside(section, x, h)) return { at: fromSection(section, x, h), under: nearest.far }
  if (nearest.far > snaps) throw new Problem('pin-outside', { miss: nearest.far })
  return { at: fromSection(section, nearest.x, nearest.h), under: 0 }
}

/** Even-odd, over all outlines of the cut. */
function isInside({ outlines }: Section, x: number, h: number): boolean {
  let inside = false
  for (const { points, closed } of outlines) {
    if (!closed) continue
    for (let i = 0; i < points.length; i += 2) {
      const j = (i + 2) % points.length
      const [ax, ay, bx, by] = [points[i], points[i + 1], points[j], points[j + 1]]
      if (ay > h === by > h) continue
      if (x < ax + ((h - ay) / (by - ay)) * (bx - ax)) inside = !inside
    }
  }
  return inside
}
