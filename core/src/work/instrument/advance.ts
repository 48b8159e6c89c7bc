import { atmosphere } from '../../matter/air/index.ts'
import { fails, loadOf, scaleOf, type World } from './world.ts'

/** Air leaves an open valve of a pot: its pressure falls to 1/e in so long, s (common practice, no source). */
const releases = 9
/** A valve of a vessel lets air in likewise, s. */
const vents = 3
/** What a leaking lid loses of its gauge pressure, 1/s. */
const lidLeak = 1 / 60
/** A relief valve that opens where it should not lets go above this share of the mark. */
const reliefAt = 0.5

/** No step of the world is longer, s: what is quicker is followed. */
const longestStep = 0.25

/**
 * The world so much later, s: what runs runs on, the scale settles, the compressor fills
 * (V·Δp = flow of free air), the pump empties (dp/dt = −p·S/V and its leak), valves let air pass.
 * Nothing is random in it; what instruments show of it is.
 *
 * @example advance(newWorld(0), 10).at // 10
 */
export function advance(world: World, by: number): World {
  const steps = Math.max(1, Math.ceil(by / longestStep))
  let now = world
  // A world that was asleep for hours is where its slowest part has come to rest.
  const most = 20_000
  const each = by / Math.min(steps, most)
  for (let i = 0; i < Math.min(steps, most); i++) now = step(now, each)
  return now
}

/**
 * The same world by another clock, s later or earlier: nothing in it gets older by that.
 *
 * @example shifted(newWorld(100), -40).at // 60
 */
export const shifted = (world: World, by: number): World => ({
  ...world,
  at: world.at + by,
  cups: world.cups.map((cup) => (cup.met === undefined ? cup : { ...cup, met: cup.met + by })),
  scale: { ...world.scale, touched: world.scale.touched + by },
})

function step(world: World, by: number): World {
  const at = world.at + by
  const { tap, cups } = run(world, by)
  const after = { ...world, at, tap, cups }
  return { ...after, scale: weigh(after, by), pot: fill(after, by), vessel: pump(after, by) }
}

/** What is poured runs into the cup on the scale. */
function run({ tap, cups, scale }: World, by: number): Pick<World, 'tap' | 'cups'> {
  if (!tap || scale.cup === null) return { tap, cups }
  const mass = Math.min(tap.left, tap.flow * by)
  const left = tap.left - mass
  return {
    tap: left > 1e-9 ? { ...tap, left } : null,
    cups: cups.map((cup) =>
      cup.id === scale.cup
        ? { ...cup, parts: { ...cup.parts, [tap.part]: (cup.parts[tap.part] ?? 0) + mass } }
        : cup,
    ),
  }
}

function weigh({ scale, cups, at, tap }: World, by: number): World['scale'] {
  if (!scale.on) return scale
  const load = loadOf({ scale, cups })
  const share = 1 - Math.exp(-by / scaleOf.settles)
  const settled = scale.settled + (load - scale.settled) * share
  const touched = tap ? at : scale.touched
  return {
    ...scale,
    settled,
    crept: scale.crept + (by / scaleOf.creep) * scale.step,
    touched,
    on: at - touched < scaleOf.sleeps,
  }
}

function fill(world: World, by: number): World['pot'] {
  const { pot } = world
  if (pot.lid === 'open') return { ...pot, pressure: 0 }
  let { pressure } = pot
  if (pressure < pot.set) {
    pressure = Math.min(pot.set, pressure + ((pot.flow * atmosphere) / pot.volume) * by)
  }
  if (pot.valve === 'open') pressure *= Math.exp(-by / releases)
  if (fails(world, 'pot gauge', 'leaking')) pressure *= Math.exp(-lidLeak * by)
  // Its relief valve opens at the mark, or lower when it is told to fail.
  const relief = fails(world, 'pot gauge', 'relief valve') ? reliefAt * pot.marked : pot.marked
  return { ...pot, pressure: Math.min(pressure, relief) }
}

function pump(world: World, by: number): World['vessel'] {
  const { vessel } = world
  const absolute = atmosphere + vessel.pressure
  if (vessel.valve === 'open' && vessel.pump === 'off') {
    return { ...vessel, pressure: vessel.pressure * Math.exp(-by / vents) }
  }
  const speed = vessel.pump === 'on' ? vessel.flow / vessel.volume : 0
  const leak = fails(world, 'vacuum gauge', 'leaking') ? 20 * vessel.leak + 500 : vessel.leak
  const flowing = vessel.valve === 'open' ? (atmosphere - absolute) / vents : leak
  // p' = leak − speed·p, in closed form over the step.
  const then =
    speed > 0
      ? flowing / speed + (absolute - flowing / speed) * Math.exp(-speed * by)
      : absolute + flowing * by
  return { ...vessel, pressure: Math.min(0, then - atmosphere) }
}
