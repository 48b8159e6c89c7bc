import type { Held } from '@mivro/core/mould'
import { showAngle } from '@mivro/core/base/units'

/** How a mould is held while it is poured: "It is poured …". */
export function heldWords({ as, angle }: Held): string {
  if (as === 'as it stood') return 'as it stood in its box'
  return as === 'turned over'
    ? 'the other way up than it stood in its box'
    : `tilted ${showAngle(angle)} from how it stood in its box`
}
