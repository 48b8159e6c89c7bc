export const mouldKindNames = [
  'open block',
  'cut block',
  'two-part',
  'hinged',
  'brushed sock',
  'printed shell',
  'turning',
  'bought',
] as const
export type MouldKind = (typeof mouldKindNames)[number]

/** The least and the most. */
export type Band = readonly [least: number, most: number]

/** What a kind of mould asks and gives. All of it is common practice, no source. */
export interface KindFacts {
  /** Hours of hands, without waiting: making the first, and each one more. */
  hands: number
  /** Days until the first pull, with one cure of silicone a night. */
  days: number
  /** Pulls it usually gives: of a plain piece, and of one with fine grooves. */
  pulls: { plain: number; fine: number }
  /** How few and how many they have been: a life is a wide band. */
  lives: { plain: Band; fine: Band }
  /** Cleaning of each cast, minutes: plain, and with fine grooves. */
  cleaning: { plain: number; fine: number }
  seam: 'none' | 'hidden' | 'shows'
  parts: 1 | 2
  /** How the silicone is put on. */
  poured: 'block' | 'coats' | 'shell' | 'none'
}

export const mouldKinds: Record<MouldKind, KindFacts> = {
  'open block': {
    hands: 0.7,
    days: 1,
    pulls: { plain: 100, fine: 60 },
    lives: { plain: [50, 150], fine: [30, 100] },
    cleaning: { plain: 1, fine: 2 },
    seam: 'none',
    parts: 1,
    poured: 'block',
  },
  'cut block': {
    hands: 1.5,
    days: 1,
    pulls: { plain: 15, fine: 8 },
    lives: { plain: [10, 100], fine: [5, 15] },
    cleaning: { plain: 4, fine: 15 },
    seam: 'hidden',
    parts: 1,
    poured: 'block',
  },
  'two-part': {
    hands: 5,
    days: 2,
    pulls: { plain: 60, fine: 40 },
    lives: { plain: [40, 150], fine: [25, 100] },
    cleaning: { plain: 3, fine: 4 },
    seam: 'shows',
    parts: 2,
    poured: 'block',
  },
  hinged: {
    hands: 3.5,
    days: 2,
    pulls: { plain: 40, fine: 25 },
    lives: { plain: [25, 80], fine: [15, 50] },
    cleaning: { plain: 3, fine: 5 },
    seam: 'shows',
    parts: 2,
    poured: 'block',
  },
  'brushed sock': {
    hands: 4,
    days: 2,
    // For two coats; more coats, more pulls.
    pulls: { plain: 6, fine: 6 },
    lives: { plain: [4, 9], fine: [4, 9] },
    cleaning: { plain: 5, fine: 8 },
    seam: 'hidden',
    parts: 1,
    poured: 'coats',
  },
  'printed shell': {
    // Printing minded, supports off, seams sealed, halves bolted.
    hands: 3,
    days: 2,
    pulls: { plain: 40, fine: 25 },
    lives: { plain: [25, 80], fine: [15, 50] },
    cleaning: { plain: 3, fine: 5 },
    seam: 'shows',
    parts: 2,
    poured: 'shell',
  },
  turning: {
    hands: 5,
    days: 2,
    pulls: { plain: 40, fine: 25 },
    lives: { plain: [25, 80], fine: [15, 50] },
    cleaning: { plain: 4, fine: 6 },
    seam: 'shows',
    parts: 2,
    poured: 'block',
  },
  bought: {
    hands: 0,
    days: 0,
    pulls: { plain: 50, fine: 30 },
    lives: { plain: [30, 100], fine: [15, 60] },
    cleaning: { plain: 1, fine: 2 },
    seam: 'none',
    parts: 1,
    poured: 'none',
  },
}

/** Two coats give about six pulls, each one more about as many again (common practice). */
export const pullsOfCoats = (coats: number): number => Math.max(2, 6 * (coats - 1))

/**
 * Whether a mould holds its form by itself while it is turned: a shell or a round block does, what bands
 * hold together does not.
 *
 * @example holdsTurned('printed shell') // true
 */
export const holdsTurned = (kind: MouldKind): boolean =>
  kind === 'brushed sock' || kind === 'printed shell' || kind === 'turning' || kind === 'bought'
