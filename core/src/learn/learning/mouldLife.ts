import { rateOf, spoilt, type Share } from '../diagnosis/index.ts'
import { kindLife, type Life, type Mould } from '../../mould/index.ts'
import { wearOf, type Pull, type Wear } from '../../work/pull/index.ts'
import { spreadOf, type Spread } from './spread.ts'

const day = 24 * 3600

/** How a mould has fared, and how long it lasts. */
export interface MouldLife extends Wear {
  /** Pulls of each that are left. */
  left: number
  /** Casts that came out good, of all, with what share lies behind it. */
  good: { seen: number; of: number; rate: Share }
  /** The same by stretches of its life, the oldest first. */
  stretches: { from: number; until: number; rate: Share; of: number }[]
  /** Of a cast that was mended, s. */
  mending?: Spread
  /** Pulls of each mould in a week, lately. */
  perWeek?: number
  /** s since 1970, at that pace: its last pull, and until when another has to be ordered. */
  ends?: number
  orderBy?: number
}

/** Stretches that a life is cut into. */
const stretchesOf = 4
/** A new mould takes so long from the order of its silicone to its first pull, s (common practice, no source). */
export const newMouldTakes = 21 * day
/** No silicone is told to last longer than this, s: it ages on its shelf (common practice, no source). */
const longest = 5 * 365 * day
/** The pace is that of so many pulls. */
const lately = 8

/**
 * The life of a mould by the pulls that came out of it: how far it is worn, how its casts fare as it
 * ages, and at today's pace when it ends. `now` in s since 1970; `expected` where more is known of its
 * kind than what is usual.
 */
export function lifeOf(
  mould: Mould,
  id: string,
  pulls: readonly Pull[],
  now: number,
  expected: Life = kindLife(mould.kind, mould),
): MouldLife {
  const own = pulls
    .filter((pull) => pull.mould === undefined || pull.mould === id)
    .toSorted((a, b) => Date.parse(a.pouredAt) - Date.parse(b.pouredAt))
  const wear = wearOf(mould, id, own, expected)
  const left = wear.state === 'ended' ? 0 : Math.max(0, wear.life - wear.pulls)
  const all = goodOf(own)
  const size = Math.max(1, Math.ceil(own.length / stretchesOf))
  const stretches = Array.from({ length: Math.ceil(own.length / size) }, (_, i) => {
    const part = own.slice(i * size, (i + 1) * size)
    const count = goodOf(part)
    return { from: i * size + 1, until: i * size + part.length, rate: rateOf(count), of: count.of }
  })
  const mended = own.flatMap(({ results }) =>
    (results ?? []).flatMap(({ mended: took }) => (took ? [took] : [])),
  )
  const perWeek = wear.state === 'ended' ? undefined : paceOf(own, mould, now)
  const lasts = perWeek ? (left / perWeek) * 7 * day : Infinity
  const ends = lasts < longest ? now + lasts : undefined
  return {
    ...wear,
    left,
    good: { ...all, rate: rateOf(all) },
    stretches,
    mending: spreadOf(mended),
    perWeek,
    ends,
    orderBy: ends && ends - newMouldTakes,
  }
}

function goodOf(pulls: readonly Pull[]) {
  const { seen, of, worth } = spoilt(pulls)
  return { seen: of - seen, of, worth }
}

/** Pulls of each mould in a week, over the latest. */
function paceOf(pulls: readonly Pull[], mould: Mould, now: number): number | undefined {
  const recent = pulls.slice(-lately)
  if (recent.length < 2) return undefined
  const weeks = (now - Date.parse(recent[0].pouredAt) / 1000) / day / 7
  const each = recent.reduce((sum, { copies }) => sum + copies, 0) / mould.cavities / mould.count
  return weeks > 0 ? each / weeks : undefined
}
