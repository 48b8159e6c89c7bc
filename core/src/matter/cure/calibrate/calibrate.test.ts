import { describe, expect, it } from 'vitest'
import type { Observation } from '../../material/index.ts'
import { firmPlatinum } from '../../material/samples.ts'
import { sheets } from '../samples.ts'
import { timeTo } from '../kinetics/index.ts'
import { siliconeIn, workingLaw, workingTime } from '../workingTime.ts'
import { calibrate } from './calibrate.ts'
import { runCup } from './cup.ts'
import { learn, predicted } from './learn.ts'
import { leastSquares } from './leastSquares.ts'
import { illinois } from './solve.ts'

const minute = 60
const hour = 3600
const celsius = 273.15

const { deep, coating, fast, clear, polyester } = sheets

describe('from a sheet to a law of cure', () => {
  it.each([deep, coating, fast, clear, polyester])(
    '$class: pot life is met, and the demould time',
    (resin) => {
      const { law, cup, cautions } = calibrate(resin)
      expect(cup.doubled / resin.potLife).toBeCloseTo(1, 2)
      expect(timeTo(law.kinetics, law.demould) / resin.demould).toBeCloseTo(1, 2)
      expect(cautions).toEqual([])
    },
  )

  // Invented sheets: these check the code against an earlier one of the same formulas, not against nature.
  it.each([
    [deep, 525, 44],
    [coating, 40.1, 173],
    [fast, 2.8, 112],
    [clear, 8.3, 123],
    [polyester, 21.3, 169],
  ])('regression, $class: gel in the cup after %d min, peak %d °C', (resin, gel, peak) => {
    const { cup } = calibrate(resin)
    expect(cup.gel / minute / gel).toBeCloseTo(1, 1)
    expect(Math.abs(cup.gel / minute / gel - 1)).toBeLessThan(0.02)
    expect(Math.abs(cup.peak - celsius - peak)).toBeLessThan(1)
  })

  it('regression: rates of the deep epoxy, tails of the coating epoxy and the clear urethane', () => {
    const { k1, k2, tail } = calibrate(deep).law.kinetics
    expect([k1 * 1e6, k2 * 1e5]).toEqual([expect.closeTo(8.46, 1), expect.closeTo(1.31, 2)])
    expect(tail).toBeUndefined()
    expect(calibrate(coating).law.kinetics.tail).toBeCloseTo(0.76, 2)
    expect(calibrate(clear).law.kinetics.tail).toBeCloseTo(0.694, 2)
  })

  it('a demould time too early for the pot life keeps the heat right, and says how cured it is by then', () => {
    const { cup, cautions } = calibrate({ ...deep, demould: 8 * hour })
    expect(cup.doubled / deep.potLife).toBeCloseTo(1, 2)
    expect(cautions.map(({ code }) => code)).toEqual(['demould-early'])
    const { reached } = cautions[0].amounts as { reached: number }
    expect(reached).toBeGreaterThan(0.2)
    expect(reached).toBeLessThan(0.85)
  })

  it('a stated peak refits the heat', () => {
    const found = calibrate({ ...fast, peak: 95 + celsius })
    expect(Math.abs(found.cup.peak - celsius - 95)).toBeLessThan(1.5)
    expect(found.law.thermal.heat).toBeLessThan(calibrate(fast).law.thermal.heat)
    expect(found.cup.doubled / fast.potLife).toBeCloseTo(1, 2)
  })

  it('a peak that no such resin can reach is said, with what it can', () => {
    const { cautions } = calibrate({ ...fast, peak: 270 + celsius })
    expect(cautions.map(({ code }) => code)).toEqual(['peak-impossible'])
    expect((cautions[0].amounts as { reached: number }).reached).toBeLessThan(200 + celsius)
  })

  it('reads a pot life as a thin film or as the gel where the sheet means that', () => {
    const thin = calibrate({ ...fast, potLifeMeans: 'thin film' })
    const gel = calibrate({ ...fast, potLifeMeans: 'gel' })
    expect(gel.cup.gel / fast.potLife).toBeCloseTo(1, 2)
    expect(gel.cup.doubled).toBeLessThan(fast.potLife)
    // A film keeps no heat: the same time in a film is a faster resin.
    expect(thin.cup.doubled).toBeLessThan(fast.potLife)
  })

  it('a sheet without a pot mass is taken at 100 g', () => {
    expect(calibrate({ ...coating, potMass: undefined }).law).toEqual(calibrate(coating).law)
  })

  it("the sheet's own recoat time ends the join window", () => {
    const { law, joinUntil } = calibrate({ ...coating, recoatUntil: 5 * hour })
    expect(timeTo(law.kinetics, joinUntil) / hour).toBeCloseTo(5, 2)
  })
})

describe('a cup', () => {
  const { law } = calibrate(fast)
  it('more in it sets off sooner and gets hotter; warm sooner than cold', () => {
    const at = (mass: number, room = 296.15) => runCup(law, { mass, room })
    expect(at(0.5).doubled).toBeLessThan(at(0.1).doubled)
    expect(at(0.5).peak).toBeGreaterThan(at(0.1).peak)
    expect(at(0.1, 288.15).doubled).toBeGreaterThan(1.4 * at(0.1).doubled)
    expect(at(0.1).doubled).toBeLessThanOrEqual(at(0.1).gel)
  })

  it('cannot get hotter than all its heat makes it (energy balance)', () => {
    const { heat, heatCapacity } = law.thermal
    expect(runCup(law, { mass: 40, room: 296.15 }).peak).toBeLessThan(296.15 + heat / heatCapacity)
    expect(runCup(law, { mass: 40, room: 296.15 }).peak).toBeGreaterThan(
      296.15 + 0.9 * (heat / heatCapacity),
    )
  })
})

const seen = (what: Observation['what'], value: number, room: number, mass = 0.1): Observation => ({
  id: `${what}-${room}`.replace(' ', '-'),
  what,
  value,
  room: room + celsius,
  mass,
  on: '2026-05-04',
})

describe('learning from the bench', () => {
  const calibration = calibrate(coating)
  const truth = { ...calibration.law, kinetics: { ...calibration.law.kinetics, energy: 70e3 } }
  const real = (room: number) =>
    predicted(truth, seen('pot life', 40 * minute, room), coating) * 1.25

  it('three pot lives at 18, 23 and 28 °C move rate and activation energy', () => {
    const observations = [18, 23, 28].map((room) => seen('pot life', real(room), room))
    const learned = learn(calibration, { ...coating, observations })
    expect(learned.energy.learned).toBeGreaterThan(62e3)
    const all = (key: 'before' | 'after') => Math.hypot(...learned.seen.map((one) => one[key]))
    expect(all('after')).toBeLessThan(all('before') / 2)
    for (const { after } of learned.seen) expect(Math.abs(after)).toBeLessThan(0.05)
  })

  it('what is left out is not learned from', () => {
    const observations = [seen('pot life', 10 * minute, 23)].map((o) => ({ ...o, leftOut: true }))
    const learned = learn(calibration, { ...coating, observations })
    expect(learned.law).toEqual(calibration.law)
    expect(learned.factor).toBeCloseTo(1, 2)
  })

  it('one strange reading moves it less than three that agree', () => {
    const once = learn(calibration, {
      ...coating,
      observations: [seen('pot life', 60 * minute, 23)],
    })
    const thrice = learn(calibration, {
      ...coating,
      observations: [22.9, 23, 23.1].map((room) => seen('pot life', 60 * minute, room)),
    })
    expect(once.factor).toBeGreaterThan(1.1)
    expect(thrice.factor).toBeGreaterThan(once.factor)
    expect(thrice.factor).toBeLessThan(1.5)
  })

  it('a peak moves the heat, a demould time how cured it must be', () => {
    const cooler = learn(calibration, {
      ...coating,
      observations: [seen('peak', calibration.cup.peak - 25, 23)],
    })
    expect(cooler.law.thermal.heat).toBeLessThan(calibration.law.thermal.heat * 0.97)
    const sooner = learn(calibration, {
      ...coating,
      observations: [seen('demould', 16 * hour, 23)],
    })
    expect(predicted(sooner.law, seen('demould', 16 * hour, 23), coating)).toBeLessThan(22 * hour)
  })

  it('least squares finds a line where it is sure, and nothing where nothing is seen', () => {
    const points = [0, 1, 2, 3].map((x) => [x, 2 + 3 * x])
    const found = leastSquares(
      ([a, b]) => points.map(([x, y]) => (a + b * x - y) / 1e-3),
      [10, 10],
    ).parameters
    expect(found).toEqual([expect.closeTo(2, 4), expect.closeTo(3, 4)])
    expect(leastSquares(() => [], [1, 1]).parameters).toEqual([0, 0])
  })

  it('the Illinois rule finds √2', () => {
    const root = illinois((x) => x * x - 2, { low: 1, high: 2, atLow: -1, atHigh: 2 }, 1e-12)
    expect(root).toBeCloseTo(Math.SQRT2, 9)
  })
})

describe('working time of a silicone', () => {
  it("is the sheet's at its temperature; 50 kJ/mol makes 10 °C × 1.95 (Arrhenius, closed form)", () => {
    const law = workingLaw(firmPlatinum)
    expect(workingTime(law, 296.15)).toBeCloseTo(firmPlatinum.potLife, 6)
    expect(workingTime(law, 296.15) / workingTime(law, 306.15)).toBeCloseTo(1.94, 2)
  })

  it('follows what was seen', () => {
    const observations = [18, 23, 28].map((room) =>
      seen('pot life', firmPlatinum.potLife * 0.7 * 2 ** ((23 - room) / 8), room),
    )
    const law = workingLaw({ ...firmPlatinum, observations })
    for (const { room, value } of observations) {
      expect(Math.abs(Math.log(workingTime(law, room) / value))).toBeLessThan(0.08)
    }
  })

  it('in a cold room it takes longer in all, in a warm one it is never demoulded earlier', () => {
    const cold = siliconeIn(firmPlatinum, 286.15)
    expect(cold.potLife / firmPlatinum.potLife).toBeGreaterThan(1.9)
    expect(cold.demould / firmPlatinum.demould).toBeCloseTo(cold.potLife / firmPlatinum.potLife, 6)
    const warm = siliconeIn(firmPlatinum, 303.15)
    expect(warm.potLife).toBeLessThan(firmPlatinum.potLife)
    expect(warm.demould).toBe(firmPlatinum.demould)
    expect(siliconeIn(firmPlatinum, 296.15).potLife).toBeCloseTo(firmPlatinum.potLife, 6)
  })
})
