import { fromSI, findUnit } from '../../base/units/index.ts'
import type { InstrumentName, Line } from './reading.ts'
import { fails, loadOf, scaleOf, type World } from './world.ts'

const instrumentUnits = {
  scale: 'g',
  'room thermometer': '°C',
  'cup thermometer': '°C',
  hygrometer: '%',
  'vacuum gauge': 'kPa',
  'pot gauge': 'kPa',
  level: '°',
} as const satisfies Record<InstrumentName, string>

/** What a stand-in says when it is told to speak in a unit that is not its own. */
const wrongUnits: Record<InstrumentName, string> = {
  scale: 'ml',
  'room thermometer': 'g',
  'cup thermometer': 'g',
  hygrometer: '°C',
  'vacuum gauge': '°C',
  'pot gauge': '°C',
  level: 'mm',
}

/** How far each shows beside the truth, one in three of the time more (common practice, no source). */
const noise: Record<InstrumentName, { by: number; step: number }> = {
  scale: { by: 0.25e-4, step: 1e-4 },
  'room thermometer': { by: 0.04, step: 0.1 },
  'cup thermometer': { by: 0.08, step: 0.1 },
  hygrometer: { by: 0.003, step: 0.01 },
  'vacuum gauge': { by: 80, step: 100 },
  'pot gauge': { by: 300, step: 1000 },
  level: { by: 0.0004, step: 0.0017 },
}

/** How far a jumping instrument jumps, in its steps. */
const jumps = 400

/**
 * What an instrument says of the world: rounded to its step, a little beside the truth, and as it
 * was told to fail. Nothing from one that is gone. `random` gives 0..1.
 *
 * @example lineOf(newWorld(0), 'level', () => 0.5)!.unit // '°'
 */
export function lineOf(
  world: World,
  instrument: InstrumentName,
  random: () => number,
): Line | undefined {
  if (fails(world, instrument, 'gone')) return undefined
  const unit = instrumentUnits[instrument]
  const { by, step } = instrument === 'scale' ? scaleNoise(world) : noise[instrument]
  const steady = instrument === 'scale' && isSteady(world)
  // Two throws make a bell that is narrow enough. A scale at rest shows the mean of what it felt.
  const off = steady ? 0 : by * (random() + random() - 1) * 1.5
  const wild = fails(world, instrument, 'jumping') ? jumps * step * (random() - 0.5) : 0
  const truth = world.held[instrument] ?? truthOf(world, instrument)
  const still = fails(world, instrument, 'frozen')
  const value = still ? truth : Math.round((truth + off + wild) / step) / (1 / step)
  const line: Line = { instrument, value: inUnit(value, unit), unit }
  if (fails(world, instrument, 'wrong unit')) line.unit = wrongUnits[instrument]
  return instrument === 'scale' ? asScale(line, world) : line
}

const scaleNoise = ({ scale: { step } }: World) => ({ by: step / 4, step })

function asScale(line: Line, world: World): Line {
  const { scale } = world
  if (!scale.on) return { ...line, value: 0, state: 'off', steady: false }
  if (loadOf(world) > scale.capacity) return { ...line, value: 0, state: 'over', steady: false }
  return { ...line, steady: isSteady(world) }
}

const isSteady = (world: World): boolean =>
  Math.abs(loadOf(world) - world.scale.settled) < scaleOf.steady * world.scale.step

/** What is really so, SI. */
export function truthOf(world: World, instrument: InstrumentName): number {
  const { scale, room, humidity, pot, vessel, tilt, cups, probe, at } = world
  switch (instrument) {
    case 'scale':
      return scale.settled + scale.crept - scale.tare
    case 'room thermometer':
      return room
    case 'cup thermometer':
      return cupTemperature(
        cups.find(({ id }) => id === probe),
        { room, at },
      )
    case 'hygrometer':
      return humidity
    case 'vacuum gauge':
      return vessel.pressure
    case 'pot gauge':
      return pot.pressure
    case 'level':
      return tilt
  }
}

/** How warm a cup is, by the story of its own mix; the room's where nothing has met in it. */
export function cupTemperature(
  cup: World['cups'][number] | undefined,
  { room, at }: Pick<World, 'room' | 'at'>,
): number {
  if (cup?.met === undefined || !cup.warmth) return room
  const { time, temperature } = cup.warmth
  const age = at - cup.met
  const last = time.length - 1
  if (age >= time[last]) return temperature[last]
  const i = Math.max(
    1,
    time.findIndex((one) => one >= age),
  )
  const share = (age - time[i - 1]) / (time[i] - time[i - 1])
  return temperature[i - 1] + share * (temperature[i] - temperature[i - 1])
}

const degree = Math.PI / 180
function inUnit(value: number, unit: string): number {
  const plain = unit === '°' ? value / degree : fromSI(value, findUnit(unit)!)
  return Number(plain.toPrecision(8))
}
