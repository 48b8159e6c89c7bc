import { kindLife, type Life, type Mould } from '../../mould/index.ts'
import type { Pull } from './pull.ts'

/** From this share of its expected life on a mould is looked at before every pull. */
const nearEnd = 0.8

/** How far a mould is worn. */
export interface Wear extends Life {
  /** Casts that came out of all moulds of this make. */
  casts: number
  /** Times that each of them was pulled. */
  pulls: number
  /** `torn`: a tear was seen that nobody has patched since. */
  state: 'fresh' | 'torn' | 'near its end' | 'past its life' | 'ended'
}

/**
 * How far a mould is worn by the pulls that came out of it: casts over its cavities and over the
 * moulds on hand; and by its tears, patches and end as they were noted. A pull that names no mould
 * counts where its piece has this one. `expected` where more is known than what is usual.
 *
 * @example wearOf(mouldOfTwoCavities, 'm', [pullOf12Copies]).pulls // 6
 */
export function wearOf(
  mould: Mould,
  id: string,
  pulls: readonly Pull[],
  expected: Life = kindLife(mould.kind, mould),
): Wear {
  const casts = pulls
    .filter((pull) => pull.mould === undefined || pull.mould === id)
    .reduce((sum, { copies }) => sum + copies, 0)
  const each = Math.ceil(casts / (mould.cavities * mould.count))
  return { ...expected, casts, pulls: each, state: stateOf(mould, each, expected) }
}

function stateOf({ marks = [] }: Mould, pulls: number, { life }: Life): Wear['state'] {
  if (marks.some(({ what }) => what === 'ended')) return 'ended'
  if (pulls > life) return 'past its life'
  const torn = marks.findLastIndex(({ what }) => what === 'torn' || what === 'frayed')
  if (torn > marks.findLastIndex(({ what }) => what === 'patched')) return 'torn'
  return pulls >= nearEnd * life ? 'near its end' : 'fresh'
}
