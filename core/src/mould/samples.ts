import { buildSolid, type Solid } from '../form/shape/index.ts'
import { cavityOf } from '../form/mesh/index.ts'
import { type Mesh } from '../form/mesh/index.ts'
import { mouldGeometry, type MouldGeometry } from './geometry.ts'
import { newMould, type Mould } from './mould.ts'

/** Made-up moulds and pieces, for tests. */
export const geometryOf = (mesh: Mesh): MouldGeometry => mouldGeometry(cavityOf(mesh), [0, 0, 1])

const known = new Map<string, MouldGeometry>()
/** Measured once for all tests of a file: it takes a second or more. */
export function geometryOfSolid(solid: Solid): MouldGeometry {
  const key = JSON.stringify(solid)
  const found = known.get(key) ?? geometryOf(buildSolid(solid))
  known.set(key, found)
  return found
}

export const block60: Solid = { solid: 'block', width: 0.06, depth: 0.04, height: 0.02 }

export const sampleMould = (values: Partial<Mould> = {}): Mould => {
  const mould = newMould('Test mould', 'piece', [0, 0, 1], 0.06)
  return { ...mould, ...values, box: { ...mould.box, ...values.box } }
}
