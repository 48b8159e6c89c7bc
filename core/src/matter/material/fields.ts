import { z } from '../../base/schema/index.ts'
import { quantity } from '../../base/document/index.ts'

/** A colour as `#rrggbb`. */
export const colourSchema = z.string().regex(/^#[0-9a-f]{6}$/i)

/** Density of anything poured or set in: from cork to gold, so that 1100 g/ml is refused. */
export const density = () => quantity('density', 100, 20000)
