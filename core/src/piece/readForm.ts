import { Problem } from '../problem/index.ts'
import {
  buildSolid,
  cavityOf,
  fileUnits,
  readStl,
  scaleInPlace,
  weld,
  type Cavity,
} from '../shape/index.ts'
import type { Form } from './piece.ts'

/** The steps that reading takes, for progress. */
export const readingSteps = [
  'Reading triangles',
  'Welding corners',
  'Checking the surface',
] as const
export type ReadingStep = (typeof readingSteps)[number]

/**
 * The cavity of a piece: built from its sizes, or read from the bytes of its file.
 * `onStep` hears what is being done.
 *
 * Throws `Problem`: those of `readStl` and `cavityOf`, mesh-missing.
 */
export function readForm(
  form: Form,
  bytes?: Uint8Array,
  onStep: (step: ReadingStep) => void = () => {},
): Cavity {
  if (form.from === 'sizes') return cavityOf(buildSolid(form.solid))
  if (!bytes) throw new Problem('mesh-missing', { id: form.mesh })
  onStep('Reading triangles')
  const { mesh, dropped } = readStl(bytes)
  onStep('Welding corners')
  const welded = scaleInPlace(weld(mesh), fileUnits[form.unit])
  onStep('Checking the surface')
  return cavityOf(welded, dropped)
}
