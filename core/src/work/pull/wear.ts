import { mouldKinds, pullsOfCoats, type Band, type Mould } from '../../mould/index.ts'
import type { Pull } from './pull.ts'

/** From this share of its expected life on a mould is looked at before every pull. */
const nearEnd = 0.8

/** How far a mould is worn. */
export interface Wear {
  /** Casts that came out of all moulds of this make. */
  casts: number
  /** Times that each of them was pulled. */
  pulls: number
  /** Pulls that one is expected to give, and the least and the most that its kind has given. */
  life: number
  band: Band
  state: 'fresh' | 'near its end' | 'past its life'
}

/**
 * How far a mould is worn by the pulls that came out of it: casts over its cavities and over the
 * moulds on hand. A pull that names no mould counts where its piece has this one. `life` where the
 * piece is known better than by the kind alone.
 *
 * @example wearOf(mouldOfTwoCavities, 'm', [pullOf12Copies]).pulls // 6
 */
export function wearOf(
  mould: Mould,
  id: string,
  pulls: readonly Pull[],
  life: number = usualLife(mould),
): Wear {
  const casts = pulls
    .filter((pull) => pull.mould === undefined || pull.mould === id)
    .reduce((sum, { copies }) => sum + copies, 0)
  const each = Math.ceil(casts / (mould.cavities * mould.count))
  const state = each > life ? 'past its life' : each >= nearEnd * life ? 'near its end' : 'fresh'
  return { casts, pulls: each, life, band: bandOf(mould), state }
}

/** Of a sock it moves with its coats, as its usual life does. */
function bandOf({ kind, coats, wish }: Mould): Band {
  const { lives, pulls } = mouldKinds[kind]
  const fine = wish.detail === 'fine grooves' ? 'fine' : 'plain'
  const [least, most] = lives[fine]
  if (kind !== 'brushed sock') return [least, most]
  const more = pullsOfCoats(coats) / pulls[fine]
  return [Math.round(least * more), Math.round(most * more)]
}

const usualLife = ({ kind, coats, wish }: Mould): number =>
  kind === 'brushed sock'
    ? pullsOfCoats(coats)
    : mouldKinds[kind].pulls[wish.detail === 'fine grooves' ? 'fine' : 'plain']
