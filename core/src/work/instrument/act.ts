import { z } from '../../base/schema/index.ts'
import { canBeOpened } from '../../matter/air/index.ts'
import type { Resin } from '../../matter/material/index.ts'
import { Problem } from '../../base/problem/index.ts'
import { quantity, text } from '../../base/document/index.ts'
import { instrumentNames } from './reading.ts'
import { truthOf } from './lineOf.ts'
import { warmthOf } from './warmth.ts'
import { contentOf, cupWeighs, failures, type Cup, type World } from './world.ts'

const cup = () => text('cup', 60)

/** What a person does to the world, or lets happen in it. */
export const actSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('put'), cup: cup() }),
  z.object({ do: z.literal('take') }),
  z.object({ do: z.literal('tare') }),
  z.object({ do: z.literal('wake') }),
  /** So much into the cup on the scale, at kg/s. */
  z.object({
    do: z.literal('pour'),
    part: text('part', 40),
    mass: quantity('mass', 0, 20),
    flow: quantity('mass', 1e-5, 1).default(0.01),
  }),
  z.object({ do: z.literal('stop') }),
  /** The parts meet: one cup into the other. */
  z.object({ do: z.literal('join'), from: cup(), into: cup() }),
  z.object({ do: z.literal('empty'), cup: cup(), mass: quantity('mass', 0, 200) }),
  z.object({ do: z.literal('knock') }),
  z.object({ do: z.literal('lid'), to: z.enum(['open', 'shut']) }),
  z.object({ do: z.literal('valve'), to: z.enum(['open', 'shut']) }),
  z.object({ do: z.literal('compressor'), gauge: quantity('pressure', 0, 5e6) }),
  z.object({ do: z.literal('pump'), to: z.enum(['on', 'off']) }),
  z.object({ do: z.literal('inlet'), to: z.enum(['open', 'shut']) }),
  z.object({ do: z.literal('probe'), cup: cup().nullable() }),
  z.object({
    do: z.literal('room'),
    room: quantity('temperature', 250, 330).optional(),
    humidity: quantity('fraction', 0, 1).optional(),
  }),
  z.object({
    do: z.literal('fail'),
    instrument: z.enum(instrumentNames),
    how: z.enum(failures).nullable(),
  }),
])
export type Act = z.infer<typeof actSchema>

/** A table that was knocked leans by so much more, rad, and the scale is off by so many steps. */
const knocked = { tilt: 0.006, steps: 25 }

/**
 * The world after something was done in it. `resin` is the one whose parts meet; of none known a
 * cup stays cold.
 *
 * Throws `Problem('pot-under-pressure')` when the lid is to be opened before the pressure is out,
 * `Problem('scale-empty')` when there is no cup to pour into.
 *
 * @example act(newWorld(0), { do: 'put', cup: 'a' }).scale.cup // 'a'
 */
export function act(world: World, done: Act, resin?: Resin): World {
  const { scale, pot, vessel, cups, at } = world
  const touched = { ...scale, touched: at, on: true }
  switch (done.do) {
    case 'put':
      return { ...withCup(world, done.cup), scale: { ...touched, cup: done.cup }, tap: null }
    case 'take':
      return { ...world, scale: { ...touched, cup: null }, tap: null }
    case 'tare':
      return { ...world, scale: { ...touched, tare: scale.settled + scale.crept } }
    case 'wake':
      // A scale that was off comes back with zero where it is.
      return {
        ...world,
        scale: scale.on ? touched : { ...touched, tare: scale.settled + scale.crept },
      }
    case 'pour': {
      if (scale.cup === null) throw new Problem('scale-empty', {})
      const { part, mass, flow } = done
      return { ...world, scale: touched, tap: { part, flow, left: mass } }
    }
    case 'stop':
      return { ...world, tap: null }
    case 'join':
      return joined(world, done.from, done.into, resin)
    case 'empty':
      return {
        ...world,
        cups: cups.map((one) => (one.id === done.cup ? lessBy(one, done.mass) : one)),
      }
    case 'knock':
      return {
        ...world,
        tilt: world.tilt + knocked.tilt,
        scale: { ...touched, crept: scale.crept + knocked.steps * scale.step },
      }
    case 'lid':
      if (done.to === 'open' && !canBeOpened(pot.pressure)) {
        throw new Problem('pot-under-pressure', { gauge: pot.pressure })
      }
      return { ...world, pot: { ...pot, lid: done.to } }
    case 'valve':
      return {
        ...world,
        pot: { ...pot, valve: done.to, set: done.to === 'open' ? 0 : pot.set },
      }
    case 'compressor':
      return { ...world, pot: { ...pot, set: done.gauge } }
    case 'pump':
      return { ...world, vessel: { ...vessel, pump: done.to } }
    case 'inlet':
      return { ...world, vessel: { ...vessel, valve: done.to } }
    case 'probe':
      return { ...world, probe: done.cup }
    case 'room':
      return {
        ...world,
        room: done.room ?? world.room,
        humidity: done.humidity ?? world.humidity,
      }
    case 'fail':
      return failing(world, done)
  }
}

function withCup(world: World, id: string): World {
  if (world.cups.some((one) => one.id === id)) return world
  // Cups of long ago are gone.
  const kept = world.cups.slice(-150)
  return { ...world, cups: [...kept, { id, own: cupWeighs, parts: {} }] }
}

function lessBy(one: Cup, mass: number): Cup {
  const all = contentOf(one)
  const stays = all > 0 ? Math.max(0, 1 - mass / all) : 0
  const parts = Object.fromEntries(
    Object.entries(one.parts).map(([key, has]) => [key, has * stays]),
  )
  return { ...one, parts }
}

function joined(world: World, from: string, into: string, resin: Resin | undefined): World {
  const there = withCup(withCup(world, from), into)
  const source = there.cups.find(({ id }) => id === from)!
  return {
    ...there,
    cups: there.cups.map((one) => {
      if (one.id === from && from !== into) return { ...one, parts: {} }
      if (one.id !== into) return one
      const parts = { ...one.parts }
      if (from !== into) {
        for (const [key, mass] of Object.entries(source.parts))
          parts[key] = (parts[key] ?? 0) + mass
      }
      const mixed = { ...one, parts, met: there.at }
      return { ...mixed, warmth: resin && warmthOf(mixed, resin, world.room) }
    }),
    probe: into,
  }
}

function failing(world: World, { instrument, how }: Extract<Act, { do: 'fail' }>): World {
  const failing = { ...world.failing }
  const held = { ...world.held }
  delete failing[instrument]
  delete held[instrument]
  if (how !== null) failing[instrument] = how
  if (how === 'frozen') held[instrument] = truthOf(world, instrument)
  return { ...world, failing, held }
}
