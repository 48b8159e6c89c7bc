import type { RunPour } from './needs.ts'

/** One mould that is filled in a load. */
export interface RunMould {
  /** By the pour and the mould's number: what `order` of a run names. */
  key: string
  /** Its amounts are those of the cavities that are cast. */
  pour: RunPour
  number: number
  /** Casts wanted of it; a cavity may stay empty at the end. */
  casts: number
  /** Which pull of it this is, from 1. */
  pull: number
}

/**
 * The moulds that are filled next: as many of each pour as are to hand and still needed, in the
 * order that was wished, then narrow and deep first, spare moulds for the rest last. `pulled`: how
 * often each was filled in this run already, by its key.
 *
 * @example nextMoulds([], new Map(), []) // []
 */
export function nextMoulds(
  pours: readonly RunPour[],
  left: ReadonlyMap<string, number>,
  order: readonly string[],
  pulled: ReadonlyMap<string, number> = new Map(),
): RunMould[] {
  const all = pours.flatMap((pour) => {
    const casts = left.get(pour.id) ?? 0
    const count = Math.min(pour.moulds, Math.ceil(casts / pour.cavities))
    return Array.from({ length: count }, (_, i): RunMould => {
      const own = Math.min(pour.cavities, casts - i * pour.cavities)
      const key = `${pour.id}/${i + 1}`
      return {
        key,
        pour: intoCavities(pour, own),
        number: i + 1,
        casts: own,
        pull: pour.pulled + (pulled.get(key) ?? 0) + 1,
      }
    })
  })
  const wished = (mould: RunMould) => {
    const at = order.indexOf(mould.key)
    return at < 0 ? Infinity : at
  }
  return all.toSorted((a, b) => compare(wished(a), wished(b)) || harder(a.pour, b.pour))
}

/** A pour into some of its mould's cavities; the others stay empty. */
function intoCavities(pour: RunPour, casts: number): RunPour {
  if (casts === pour.cavities) return pour
  const some = (all: number) => (all * casts) / pour.cavities
  return {
    ...pour,
    prefills: some(pour.prefills),
    vents: some(pour.vents),
    layers: pour.layers.map((layer) => ({
      ...layer,
      volume: some(layer.volume),
      mass: some(layer.mass),
      sets: layer.sets.map((set) => ({ ...set, count: some(set.count) })),
    })),
  }
}

const compare = (a: number, b: number) => (a === b ? 0 : a - b)

/** Narrow before wide, closed before open, more prefills, then deeper first. */
const harder = (a: RunPour, b: RunPour): number =>
  compare(a.bore ?? Infinity, b.bore ?? Infinity) ||
  compare(Number(b.closed), Number(a.closed)) ||
  compare(b.prefills, a.prefills) ||
  compare(b.depth, a.depth)
