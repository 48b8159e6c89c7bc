import { caution, type Caution } from '../../../base/caution/index.ts'
import { measure } from '../measure.ts'
import type { Mesh } from '../mesh.ts'

/** Farther from the origin than this many times its size, a piece is moved to it. */
const farInSizes = 4

/** Corners known less finely than this share of the size make volume and levels rough. */
const coarseShare = 2e-5

/** Bits of a single-precision number after its first: IEEE 754. */
const singleBits = 23

/**
 * The soup of a file, brought to the origin when it lies far from it: single precision would
 * otherwise be spent on the distance. Subtracted in double. `unit`: metres of the file's unit.
 */
export function nearOrigin(mesh: Mesh, unit: number): { mesh: Mesh; cautions: Caution[] } {
  const { low, high } = measure(mesh)
  const size = Math.max(...high.map((h, k) => h - low[k]))
  const middle = low.map((l, k) => (l + high[k]) / 2)
  const distance = Math.hypot(...middle)
  if (!(distance > farInSizes * size)) return { mesh, cautions: [] }
  const { positions: p, triangles } = mesh
  const positions = new Float64Array(p.length)
  for (let i = 0; i < p.length; i++) positions[i] = p[i] - middle[i % 3]
  const cautions: Caution[] = [caution('mesh-far', 'note', {}, { distance: distance * unit })]
  // What the file wrote in single precision has lost what a double could not bring back.
  const step = Math.max(...middle.map(Math.abs)) * 2 ** -singleBits
  if (p instanceof Float32Array && step > coarseShare * size) {
    cautions.push(caution('mesh-coarse', 'warn', {}, { step: step * unit, size: size * unit }))
  }
  return { mesh: { positions, triangles }, cautions }
}
