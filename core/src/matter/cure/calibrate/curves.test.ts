import { describe, expect, it } from 'vitest'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { Observation } from '../../material/index.ts'
import { firmPlatinum } from '../../material/samples.ts'
import { sheets } from '../samples.ts'
import type { CureLaw } from '../kinetics/index.ts'
import { workingBand, workingLaw, workingTime } from '../workingTime.ts'
import { calibrate } from './calibrate.ts'
import { potLifeCurve, workingCurve } from './curves.ts'
import { learn, predicted, timeBand } from './learn.ts'

const falls = (list: number[]) => list.every((value, i) => i === 0 || value < list[i - 1])
const seen = (value: number): Observation => ({
  id: 'a',
  what: 'pot life',
  value,
  room: 296.15,
  mass: 0.1,
  on: '2026-05-04',
})

describe('pot life over rooms', () => {
  it('falls with warmth, and without observations both lines are one', () => {
    const { rooms, sheet, learned } = potLifeCurve(sheets.coating)
    expect(rooms.length).toBe(sheet.length)
    expect(falls(sheet)).toBe(true)
    expect(learned).toEqual(sheet)
  })

  it('a faster pot that was seen lowers its line and leaves the sheet', () => {
    const resin = { ...sheets.coating, observations: [seen(1500)] }
    const { sheet, learned } = potLifeCurve(resin)
    expect(sheet).toEqual(potLifeCurve(sheets.coating).sheet)
    learned.forEach((value, i) => expect(value).toBeLessThan(sheet[i]))
  })

  // Worlds drawn from what is plausible of a sheet, seen with the tenth that one time is trusted to:
  // a band that says eight in ten has to hold about as often (its own claim, by simulation).
  const random = xoroshiro128plus(7)
  const normal = () =>
    Math.sqrt(-2 * Math.log(1 - uniformFloat64(random))) *
    Math.cos(2 * Math.PI * uniformFloat64(random))
  const roomsSeen = (count: number) =>
    Array.from({ length: count }, () => 291.15 + 8 * uniformFloat64(random))

  it.each([1, 3, 8])('of a silicone holds eight times in ten after %i were seen', (count) => {
    const worlds = 2000
    let held = 0
    for (let i = 0; i < worlds; i++) {
      const law = { ...workingLaw(firmPlatinum) }
      law.at *= Math.exp(0.3 * normal())
      law.energy += 15e3 * normal()
      const observations = roomsSeen(count).map((room, i) => ({
        ...seen(workingTime(law, room) * Math.exp(0.1 * normal())),
        id: `${i}`,
        room,
      }))
      const learned = workingLaw({ ...firmPlatinum, observations })
      const off = workingTime(learned, 303.15) / workingTime(law, 303.15)
      if (Math.abs(Math.log(off)) < Math.log(workingBand(learned, 303.15))) held++
    }
    expect(Math.abs(held / worlds - 0.8)).toBeLessThan(0.03)
  })

  it('of a resin holds about eight times in ten, and is narrower the more was seen', () => {
    const calibration = calibrate(sheets.coating)
    const pot = (room: number) => ({ ...seen(2400), room })
    const worlds = 40
    let held = 0
    for (let i = 0; i < worlds; i++) {
      const { kinetics } = calibration.law
      const speed = Math.exp(0.3 * normal())
      const truth = {
        ...calibration.law,
        kinetics: {
          ...kinetics,
          k1: kinetics.k1 * speed,
          k2: kinetics.k2 * speed,
          energy: kinetics.energy + 10e3 * normal(),
        },
      }
      const time = (law: CureLaw, room: number) => predicted(law, pot(room), sheets.coating)
      const observations = roomsSeen(3).map((room, i) => ({
        ...pot(room),
        id: `${i}`,
        value: time(truth, room) * Math.exp(0.1 * normal()),
      }))
      const learned = learn(calibration, { ...sheets.coating, observations })
      const band = timeBand(learned, (law) => time(law, 301.15))
      const off = time(learned.law, 301.15) / time(truth, 301.15)
      if (Math.abs(Math.log(off)) < Math.log(band)) held++
    }
    expect(held / worlds).toBeGreaterThan(0.65)
    const band = (observations: Observation[]) =>
      potLifeCurve({ ...sheets.coating, observations }).band[5]
    const few = [seen(2300)]
    const more = [...few, { ...seen(2350), id: 'b' }, { ...seen(2280), id: 'c' }]
    expect(band(more)).toBeLessThan(band(few))
    expect(band(few)).toBeLessThan(band([]))
  })

  it('the same of a silicone', () => {
    const { sheet, learned } = workingCurve({ ...firmPlatinum, observations: [seen(1800)] })
    expect(falls(sheet)).toBe(true)
    learned.forEach((value, i) => expect(value).toBeLessThan(sheet[i]))
    expect(workingCurve(firmPlatinum).learned).toEqual(workingCurve(firmPlatinum).sheet)
  })
})
