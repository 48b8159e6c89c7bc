import { even, matterOf, mixed, type Matter } from '../colour/index.ts'
import { violet } from '../material/samples.ts'
import { buildSolid } from '../../form/shape/index.ts'
import type { Vec3 } from '../../form/mesh/index.ts'

export const up: Vec3 = [0, 0, 1]
/** 12 mm deep. */
export const slab = buildSolid({ solid: 'block', width: 0.04, depth: 0.04, height: 0.012 })
export const clear: Matter = { k: even(0), s: even(0) }
const tints = ['#7b4fa3', '#24508c', '#e8a838'].map((colour) => matterOf({ ...violet, colour }))
/** Clear resin with one of three tints. */
export const dosed = (i: number, dose: number): Matter => mixed(clear, [{ matter: tints[i], dose }])
