import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { resinClassNames } from '../../material/index.ts'
import { alphaAfter, timeTo, type Kinetics } from '../kinetics/index.ts'
import { glassAt, glassOf, glassyAt } from './glass.ts'
import { postCured, postCureTakes } from './postCure.ts'
import { rungNames, usualRungs } from './rungs.ts'

const hour = 3600
/** Half of it in a day at 23 °C: n = 2, k1 = 1/day. */
const slow: Kinetics = { k1: 1 / (24 * hour), k2: 0, energy: 55e3, m: 1, n: 2 }

describe('glass transition', () => {
  it('DiBenedetto: its ends, and a value by hand', () => {
    const glass = { none: 233, full: 328, ratio: 0.35 }
    expect(glassAt(glass, 0)).toBe(233)
    expect(glassAt(glass, 1)).toBeCloseTo(328, 9)
    // 95 · 0.35·0.9 / (1 − 0.65·0.9) = 95 · 0.315 / 0.415 = 72.1.
    expect(glassAt(glass, 0.9)).toBeCloseTo(233 + (95 * 0.315) / 0.415, 9)
  })

  it('a cure stops where its glass lies 15 K over it; both laws are each other turned round', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...resinClassNames),
        fc.double({ min: 280, max: 315, noNaN: true }),
        (name, temperature) => {
          const end = glassyAt(glassOf[name], temperature)
          if (end < 1) expect(glassAt(glassOf[name], end)).toBeCloseTo(temperature + 15, 6)
          else expect(glassOf[name].full).toBeLessThanOrEqual(temperature + 15 + 1e-9)
        },
      ),
    )
  })
})

describe('a post-cure', () => {
  it('is warmed and cooled by 10 K an hour', () => {
    expect(postCureTakes({ temperature: 334.15, hold: 2 * hour }, 294.15) / hour).toBeCloseTo(10, 9)
  })

  it('at the room’s own temperature is more of the same: what isothermal cure gives by then', () => {
    const room = 313.15
    const cure = { temperature: room, hold: 8 * hour }
    const at = { begins: 6 * hour, room, cure }
    const { after } = postCured(slow, 'fast urethane', at)
    expect(after.alpha).toBeCloseTo(alphaAfter(slow, 14 * hour, room), 3)
  })

  it('gains nothing at once, more the warmer and the longer, never past the glass of its warmth', () => {
    const gain = (temperature: number, hold: number) =>
      postCured(slow, 'deep epoxy', {
        begins: 24 * hour,
        room: 294.15,
        cure: { temperature, hold: hold * hour },
      })
    expect(gain(323.15, 4).after.alpha).toBeGreaterThan(gain(323.15, 4).before.alpha)
    expect(gain(333.15, 4).after.alpha).toBeGreaterThan(gain(323.15, 4).after.alpha)
    expect(gain(323.15, 8).after.alpha).toBeGreaterThan(gain(323.15, 4).after.alpha)
    const long = postCured(slow, 'clear urethane', {
      begins: timeTo(slow, 0.9, 294.15),
      room: 294.15,
      cure: { temperature: 313.15, hold: 1000 * hour },
    })
    expect(long.before.glass).toBeCloseTo(294.15 + 15, 6)
    expect(long.after.glass).toBeCloseTo(313.15 + 15, 3)
  })
})

it('rungs come one after the other in every class', () => {
  for (const name of resinClassNames) {
    const times = rungNames.flatMap((rung) => usualRungs[name][rung] ?? [])
    expect(times).toEqual(times.toSorted((a, b) => a - b))
  }
})
