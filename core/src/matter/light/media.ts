import { even, mixed, type Matter } from '../colour/index.ts'

/** Light in the medium between two levels: which layer, or a blend of two. */
export interface Medium {
  below: number
  above: number
  /** Of the one above, 0 to 1. */
  share: number
}

export interface Stratum {
  /** Of its surface above the lowest point, m. */
  top: number
  join: 'crisp' | 'soft' | 'bled' | 'late'
}

/** How far two layers blend into each other at a join, m (common practice, no source). */
const blends = { crisp: 0, late: 0, soft: 0.003, bled: 0.012 } as const

/** A blend is drawn in so many steps. */
const steps = 8

/**
 * How far a layer and the one below blend into each other, m, half on either side of the join; at
 * most half of the thinner of the two.
 *
 * @example blendWidth([{ top: 0.01, join: 'crisp' }, { top: 0.02, join: 'soft' }], 1) // 0.003
 */
export function blendWidth(layers: readonly Stratum[], i: number): number {
  const middle = layers[i - 1].top
  const thinner = Math.min(middle - (layers[i - 2]?.top ?? 0), layers[i].top - middle)
  return Math.min(blends[layers[i].join], thinner / 2)
}

/**
 * The levels that light is cut at, and what lies between: layers, and ramps where a join is soft
 * or bled.
 *
 * @example strata([{ top: 0.01, join: 'crisp' }, { top: 0.02, join: 'crisp' }]).levels.length // 1
 */
export function strata(layers: readonly Stratum[]): { levels: Float64Array; media: Medium[] } {
  const levels: number[] = []
  const media: Medium[] = [{ below: 0, above: 0, share: 0 }]
  for (let i = 1; i < layers.length; i++) {
    const middle = layers[i - 1].top
    const width = blendWidth(layers, i)
    if (width > 0) {
      for (let k = 0; k < steps; k++) {
        levels.push(middle - width / 2 + (k * width) / steps)
        media.push({ below: i - 1, above: i, share: (k + 0.5) / steps })
      }
      levels.push(middle + width / 2)
    } else levels.push(middle)
    media.push({ below: i, above: i, share: 0 })
  }
  return { levels: Float64Array.from(levels), media }
}

/** What each medium does to light, by what its layers do. */
export const mattersOf = (media: readonly Medium[], layers: readonly Matter[]): Matter[] =>
  media.map(({ below, above, share }) =>
    layers.length === 0
      ? none
      : share === 0
        ? layers[below]
        : blended(layers[below], layers[above], share),
  )

const none: Matter = { k: even(0), s: even(0) }

const blended = (below: Matter, above: Matter, share: number): Matter =>
  mixed(none, [
    { matter: below, dose: 1 - share },
    { matter: above, dose: share },
  ])
