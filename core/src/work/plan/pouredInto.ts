import type { MouldWalls } from '../../matter/cure/index.ts'
import {
  heldAs,
  holdsTurned,
  isClosed,
  openingFacts,
  overOf,
  wallsOf,
  type Held,
  type Mould,
  type OpeningFacts,
  type Seat,
  type Standing,
} from '../../mould/index.ts'
import type { Plan } from './plan.ts'

/** What a pour knows of the mould it goes into, and who says so. */
export interface PouredInto {
  /** Open or closed. */
  mould: Plan['mould']
  /** By the mould's kind, or by the plan where there is none, or one that may be either. */
  mouldBy: 'mould' | 'plan'
  walls: MouldWalls
  /** Gates and vents as they stand in this pour. */
  openings: OpeningFacts[]
  /** Resin that fills them in one copy, m³. */
  gate: number
  gateBy: 'mould' | 'plan'
  /** Of the mould when it is poured, K; absent: the room's. */
  warmth?: number
  warmthBy?: 'mould' | 'plan'
  /** How the mould is held; absent where none is known, and for a bought one. */
  held?: Held
  /** The widest bore that things can be passed through, m; absent where nothing is in the way. */
  through?: number
  /** Bands distort it while it is turned; absent where no mould is known. */
  soft?: boolean
  /** Casts of all moulds on hand at once; absent where no mould is known. */
  cavities?: number
}

/**
 * Everything of the mould that bears on a pour, decided in one place. A mould that is planned
 * says itself whether it is closed, what its gates and vents hold, and how warm it likes to be;
 * what the plan says wins for the warmth of this one pour, and stands alone where there is no
 * mould.
 *
 * @example pouredInto(plan, undefined, standing).gate === plan.gate // true
 */
export function pouredInto(
  plan: Plan,
  mould: Mould | undefined,
  standing: Standing,
  seats?: readonly Seat[],
): PouredInto {
  const closed = mould && isClosed(mould)
  const kind = closed === undefined ? plan.mould : closed ? 'closed' : 'open'
  const walls = wallsOf(mould, plan.up, standing.height, kind)
  const over = mould ? overOf(mould.box, standing.height) : 0
  const openings = mould ? openingFacts(mould.openings, standing, walls.cover ?? over, seats) : []
  const byMould = kind === 'closed' && openings.length > 0
  const liked = mould?.liking.warmth
  return {
    mould: kind,
    mouldBy: closed === undefined ? 'plan' : 'mould',
    walls,
    openings,
    gate: byMould ? openings.reduce((sum, { volume }) => sum + volume, 0) : plan.gate,
    gateBy: byMould ? 'mould' : 'plan',
    warmth: plan.mouldTemperature ?? liked,
    warmthBy:
      plan.mouldTemperature !== undefined ? 'plan' : liked === undefined ? undefined : 'mould',
    held: mould && mould.kind !== 'bought' ? heldAs(plan.up, mould.masterUp) : undefined,
    through: byMould ? widestGate(mould!) : undefined,
    soft: mould && !holdsTurned(mould.kind),
    cavities: mould && mould.cavities * mould.count,
  }
}

const widestGate = ({ openings }: Mould): number | undefined => {
  const bores = openings.filter(({ what }) => what === 'gate').map(({ bore }) => bore)
  return bores.length > 0 ? Math.max(...bores) : undefined
}
