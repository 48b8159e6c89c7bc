import type { Vec3 } from '../mesh/index.ts'

/** Of heights of the cavity in one way that it is held. */
const levels = 128
/** A place on the axis is passed at once, m. */
const shortest = 1e-6

/** A cavity that is turned. Places as x, y, z one after the other, m. */
export interface Pools {
  /** Of the wall. */
  places: ArrayLike<number>
  /** Middles of cells of its room. */
  room: ArrayLike<number>
  /** Ways that point upwards while it is held so, in its own axes. */
  ways: readonly Vec3[]
  /** From one of them to the next, rad: a place passes the level between them, it does not jump. */
  sweep: number
  /** Of its room, what a shot fills. */
  share: number
  /** How often it is laid anew on another side while each portion of the film is laid. */
  visits: readonly number[]
}

/**
 * How much of the film each place of a wall carries in the end, as a share. A place that leaves the pool
 * carries the film of that moment: what it keeps is that of the last time, which is the likelier late the
 * more often it is wet. For each way that the mould is held what lies below the level of the pool is wet,
 * from the whole shot to none of it; times of leaving are taken as random (Poisson).
 *
 * @example filmShares({ places: [0, 0, 0], room: [0, 0, 0, 0, 0, 1], ways: [[0, 0, 1]], sweep: 0.1, share: 0.9, visits: [30, 30] })[0].toFixed(2) // '1.00' (at the foot: always)
 */
export function filmShares({ places, room, ways, sweep, share, visits }: Pools): Float64Array {
  const portions = visits.length
  const count = places.length / 3
  const wet = Array.from({ length: portions }, () => new Float32Array(count))
  const middle = middleOf(room)
  const heights = new Float32Array(count)
  const slopes = new Float32Array(count)
  for (const way of ways) {
    const levelAt = levelsAlong(room, way)
    const [x, y, z] = way
    for (let i = 0; i < count; i++) {
      const [px, py, pz] = [places[3 * i], places[3 * i + 1], places[3 * i + 2]]
      heights[i] = px * x + py * y + pz * z
      const [ax, ay, az] = [px - middle[0], py - middle[1], pz - middle[2]]
      const along = ax * x + ay * y + az * z
      const across = Math.sqrt(Math.max(0, ax * ax + ay * ay + az * az - along * along))
      slopes[i] = 1 / Math.max(shortest, sweep * across)
    }
    for (let k = 0; k < portions; k++) {
      const level = levelAt(share * (1 - (k + 0.5) / portions))
      const laid = wet[k]
      for (let i = 0; i < count; i++) {
        const under = 0.5 + (level - heights[i]) * slopes[i]
        if (under > 0) laid[i] += under < 1 ? under : 1
      }
    }
  }
  const shares = new Float64Array(count)
  const left = new Float64Array(count)
  for (let k = portions - 1; k >= 0; k--) {
    for (let i = 0; i < count; i++) {
      left[i] += (visits[k] * wet[k][i]) / ways.length
      shares[i] += (1 - Math.exp(-left[i])) / portions
    }
  }
  return shares
}

function middleOf(room: ArrayLike<number>): Vec3 {
  const sum = [0, 0, 0]
  for (let i = 0; i < room.length; i++) sum[i % 3] += room[i]
  const count = Math.max(1, room.length / 3)
  return [sum[0] / count, sum[1] / count, sum[2] / count]
}

/** The height up to which a share of the room lies, along a way. */
function levelsAlong(room: ArrayLike<number>, [x, y, z]: Vec3): (share: number) => number {
  const count = room.length / 3
  let [low, high] = [Infinity, -Infinity]
  const heights = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const at = room[3 * i] * x + room[3 * i + 1] * y + room[3 * i + 2] * z
    heights[i] = at
    if (at < low) low = at
    if (at > high) high = at
  }
  const step = (high - low) / levels || 1
  const below = new Float64Array(levels + 1)
  for (let i = 0; i < count; i++) {
    below[Math.min(levels, Math.floor((heights[i] - low) / step) + 1)]++
  }
  for (let k = 1; k <= levels; k++) below[k] += below[k - 1]
  return (share) => {
    const wanted = share * count
    let k = 1
    while (k < levels && below[k] < wanted) k++
    const within = below[k] - below[k - 1]
    return low + step * (k - 1 + (within > 0 ? (wanted - below[k - 1]) / within : 0))
  }
}
