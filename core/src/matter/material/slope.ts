import type { Resin } from './material.ts'

/** Fields whose effect is shown by having more of them. */
const sloped = [
  'potLife',
  'potMass',
  'demould',
  'recoatUntil',
  'peak',
  'viscosity',
  'mixTime',
] as const

/** By how much more. */
const fifth = 1.2

/** A peak counts from the room it rises from, K. */
const roomOfPeak = 293.15

/**
 * The sheet with a fifth more of one field, to show what the field does; undefined where that
 * says nothing, or the sheet does not give it.
 *
 * @example withFifthMore(resin, 'potLife')!.potLife / resin.potLife // 1.2
 */
export function withFifthMore(resin: Resin, field: string): Resin | undefined {
  const key = sloped.find((one) => one === field)
  const value = key && resin[key]
  if (!key || value === undefined) return undefined
  const from = key === 'peak' ? roomOfPeak : 0
  return { ...resin, [key]: from + (value - from) * fifth }
}
