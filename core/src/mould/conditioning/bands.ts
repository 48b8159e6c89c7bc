import type { Block } from '../box/blockOf.ts'
import { mouldKinds, type MouldKind } from '../kind/kinds.ts'

/** One band holds so much of a seam, m; fewer than so many hold nothing (common practice, no source). */
const perBand = 0.025
const fewest = 3

/**
 * Seam of a closed mould as it is seen from outside, m, and the bands that hold it: many light ones.
 * A cut runs up one side of its block and each band crosses it once; a parting runs all round and each
 * band crosses it twice. None where nothing parts.
 *
 * @example bandsFor('two-part', { width: 0.06, depth: 0.04, height: 0.05, round: false }) // { seam: 0.2, bands: 4 }
 */
export function bandsFor(
  kind: MouldKind,
  { width, depth, height, round }: Block,
): { seam: number; bands: number } | undefined {
  if (kind === 'open block' || kind === 'bought') return undefined
  const parts = mouldKinds[kind].parts === 2
  const around = round ? Math.PI * width : 2 * (width + depth)
  const seam = parts ? around : height
  return { seam, bands: Math.max(fewest, Math.ceil(seam / (parts ? 2 : 1) / perBand - 1e-9)) }
}
