import type { Hindrance, OwnFault, Way, WayResult } from './ways.ts'

/** Fewer bubbles than this in a piece nobody looks for (common practice, no source). */
export const fewBubbles = 3

/** What a piece comes to by one way: the band of what is seen, and of pits on its skin. */
export interface WayOfPiece {
  way: Way | 'own'
  hindrance?: Hindrance
  fault?: OwnFault
  seen: readonly [likely: number, slow: number]
  pits: readonly [likely: number, slow: number]
  takes: number
  /** Of what it pours at most a mix has this share left when it is poured; the least of all layers. */
  potLifeLeft: number
  /** The layer that keeps most. */
  worst?: string
}

/**
 * A piece's layers together. What is opaque shows only its skin.
 *
 * @example waysOfPiece([]) // []
 */
export function waysOfPiece(
  layers: readonly {
    name?: string
    results: readonly WayResult[]
    opaque: boolean
    poursUntil: number
  }[],
): WayOfPiece[] {
  const [first] = layers
  if (!first) return []
  return first.results.map(({ way }, i) => {
    const of = layers.map(({ results, ...layer }) => ({ ...results[i], ...layer }))
    const sum = (pick: (result: (typeof of)[number]) => number) =>
      of.reduce((all, one) => all + pick(one), 0)
    const pits = [sum(({ likely }) => likely.pits), sum(({ slow }) => slow.pits)] as const
    return {
      way,
      hindrance: of.find(({ hindrance }) => hindrance)?.hindrance,
      fault: of.find(({ fault }) => fault)?.fault,
      seen: [
        pits[0] + sum(({ likely, opaque }) => (opaque ? 0 : likely.inside)),
        pits[1] + sum(({ slow, opaque }) => (opaque ? 0 : slow.inside)),
      ] as const,
      pits,
      takes: sum(({ takes }) => takes),
      potLifeLeft: Math.max(
        0,
        Math.min(...of.map(({ pouredAt, poursUntil }) => 1 - pouredAt / poursUntil)),
      ),
      worst: of.toSorted((a, b) => stays(b) - stays(a))[0]?.name,
    }
  })
}

const stays = ({ slow, opaque }: WayResult & { opaque: boolean }): number =>
  slow.pits + (opaque ? 0 : slow.inside)

/**
 * Which way to take: the least work that leaves few bubbles, else of those that can be carried out
 * the one that leaves fewest.
 *
 * @example bestWay([{ way: 'none', seen: [0, 0], pits: [0, 0], takes: 0, potLifeLeft: 1 }])!.way // 'none'
 */
export function bestWay(found: readonly WayOfPiece[]): WayOfPiece | undefined {
  // One's own way is shown beside the others, never advised.
  const possible = found.filter(({ way, hindrance }) => way !== 'own' && hindrance === undefined)
  const enough = possible.filter(({ seen }) => seen[0] < fewBubbles)
  const ranked = (enough.length > 0 ? enough : possible).toSorted((a, b) =>
    enough.length > 0
      ? a.takes - b.takes || a.seen[1] - b.seen[1]
      : a.seen[0] - b.seen[0] || a.seen[1] - b.seen[1],
  )
  return ranked[0]
}
