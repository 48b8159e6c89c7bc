import type { Mould } from '../mould.ts'
import { mouldKinds, pullsOfCoats, type Band, type MouldKind } from './kinds.ts'

/** Pulls that one mould is expected to give, and where nine in ten lie. */
export interface Life {
  life: number
  band: Band
}

/** The life of a kind as a studio's own moulds have shown it, of how many. */
export interface LearnedLife extends Life {
  ended: number
  running: number
}

export const details = ['plain', 'fine'] as const
export type Detail = (typeof details)[number]

/** What was learned, for the kinds of which a mould has ended; of socks, for two coats. */
export type KindLives = Partial<Record<MouldKind, Partial<Record<Detail, LearnedLife>>>>

type Made = Pick<Mould, 'coats' | 'wish'>

export const detailOf = ({ wish }: Pick<Mould, 'wish'>): Detail =>
  wish.detail === 'fine grooves' ? 'fine' : 'plain'

/** The coats that facts of a sock are for. */
const factsCoats = 2

/**
 * How much longer a mould lasts than the facts of its kind say: a sock by its coats.
 *
 * @example lifeFactor('brushed sock', { coats: 3 }) // 2
 */
export const lifeFactor = (kind: MouldKind, { coats }: Pick<Mould, 'coats'>): number =>
  kind === 'brushed sock' ? pullsOfCoats(coats) / pullsOfCoats(factsCoats) : 1

/**
 * How many pulls a mould of that kind gives: as learned, or as is usual in the trade.
 *
 * @example kindLife('two-part', mouldOf80x60x40).band // [40, 150]
 */
export function kindLife(kind: MouldKind, mould: Made, lives: KindLives = {}): Life {
  const detail = detailOf(mould)
  const { pulls, lives: bands } = mouldKinds[kind]
  const { life, band } = lives[kind]?.[detail] ?? { life: pulls[detail], band: bands[detail] }
  const longer = lifeFactor(kind, mould)
  const times = (count: number) => Math.max(1, Math.round(count * longer))
  return { life: times(life), band: [times(band[0]), times(band[1])] }
}
