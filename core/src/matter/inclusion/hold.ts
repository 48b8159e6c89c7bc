import type { Holder } from './inclusion.ts'

/** A dab of quick glue or resin holds after so long, s (common practice, no source). */
export const dabSets = 900

/** Hands need so long to set things in once they hold, s (common practice, no source). */
export const leastToSetIn = 60

/** How a thing gets into its layer. */
export type SetHow = 'on the mould' | 'on the gel' | Holder | 'with the pour' | 'once it holds'

/** Things that lie there before their layer is poured over them. */
export const laidBefore: ReadonlySet<SetHow> = new Set(['on the mould', 'on the gel', 'dab'])

/** When a thing is to be set in, s after the first mixing. */
export interface SetMoment {
  how: SetHow
  from: number
  until: number
}

/** What decides when a thing is set in. */
export interface SetWhen {
  held?: Holder
  /** It is to lie on the floor of its layer. */
  onFloor: boolean
  /** When its layer is poured and gels. */
  pourAt: number
  gelAt: number
  /** When the layer below gels; none below the first. */
  belowGels?: number
  /** From when on it stays where it is set, where it would sink or rise before. */
  holdsFrom?: number
}

/**
 * When a thing is set in: what lies on the floor of its layer is laid on the gel below before it is
 * covered, what floats is dabbed there, what carries load hangs in a jig between pouring and gel,
 * what would sink or rise goes in once the layer holds it, while there is time for hands before the
 * gel, and everything else with the pour.
 *
 * @example setMoment({ onFloor: true, pourAt: 7200, gelAt: 9000, belowGels: 5400 }) // { how: 'on the gel', from: 5400, until: 7200 }
 */
export function setMoment({
  held,
  onFloor,
  pourAt,
  gelAt,
  belowGels,
  holdsFrom = pourAt,
}: SetWhen): SetMoment {
  if (held === 'jig') return { how: 'jig', from: pourAt, until: gelAt }
  const from = belowGels ?? 0
  if (held === 'dab') return { how: 'dab', from, until: pourAt - dabSets }
  if (!onFloor) {
    return holdsFrom > pourAt && gelAt - holdsFrom >= leastToSetIn
      ? { how: 'once it holds', from: holdsFrom, until: gelAt }
      : { how: 'with the pour', from: pourAt, until: gelAt }
  }
  return belowGels === undefined
    ? { how: 'on the mould', from: 0, until: pourAt }
    : { how: 'on the gel', from: belowGels, until: pourAt }
}
