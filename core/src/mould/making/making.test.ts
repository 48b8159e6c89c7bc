import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sayMaking } from '@mivro/words/making'
import { benchSteps, mouldSteps, safetyTable } from '../../base/caution/index.ts'
import { brokenIn, inOrder } from '../../base/procedure/index.ts'
import { firmPlatinum, softTin } from '../../matter/material/samples.ts'
import { compileMould } from '../compile.ts'
import { masterAims, substances } from '../contact/substances.ts'
import { mouldKindNames } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { block60, geometryOfSolid, sampleMould } from '../samples.ts'
import { makingSteps, waitingTime } from './making.ts'
import { prepare } from './prepare.ts'
import { makingCodes, makingRules } from './rules.ts'
import type { MakingStep } from './step.ts'

const geometry = geometryOfSolid(block60)
const making = (values: Partial<Mould>, silicone = firmPlatinum) => {
  const mould = sampleMould(values)
  return makingSteps(mould, compileMould(mould, geometry, silicone, 0.0001), silicone)
}
const title = (step: MakingStep) => sayMaking(step.title)
const wordsOf = (steps: readonly MakingStep[]) =>
  steps.flatMap((step) => [step.title, ...step.lines].map((one) => sayMaking(one)))

/* The order of the work (common practice, no source): facts that hold for every kind. */
describe('the order in which a mould is made', () => {
  const anyMould = fc.record({
    kind: fc.constantFrom(...mouldKindNames),
    coats: fc.integer({ min: 2, max: 4 }),
    vessel: fc.constantFrom(undefined, 0.004),
    pressure: fc.constantFrom(undefined, 2.7e5),
    cup: fc.constantFrom(undefined, 50e-6),
    cavities: fc.constantFrom(1, 2),
    masterMass: fc.constantFrom(undefined, 0.03, 0.06),
    substance: fc.constantFrom(...substances),
    finish: fc.constantFrom('none' as const, 'wax' as const, 'acrylic coat' as const),
    own: fc.boolean(),
    aim: fc.constantFrom(...masterAims),
    tin: fc.boolean(),
  })
  const made = ({
    substance,
    finish,
    own,
    aim,
    tin,
    ...more
  }: ReturnType<typeof anyMould.generate>['value']) => {
    const { contact, box } = sampleMould()
    const master = { ...contact.master, substance, finish }
    const size = own ? { width: 0.14, depth: 0.12, height: 0.05 } : undefined
    return making(
      { ...more, contact: { ...contact, master, aim }, box: { ...box, own: size } },
      tin ? softTin : firmPlatinum,
    )
  }

  it('keeps every rule, whatever the kind, the master, the box and the silicone', () => {
    fc.assert(
      fc.property(anyMould, (of) => {
        const steps = made(of)
        expect(brokenIn(steps, makingRules)).toEqual([])
        // Halves follow one another.
        const parts = steps.flatMap(({ part }) => part ?? [])
        expect(parts).toEqual(parts.toSorted())
        for (const { title, lines } of steps) {
          for (const one of [title, ...lines]) expect(sayMaking(one)).toMatch(/^[A-Z]/)
        }
        expect(steps.at(-1)?.does).toBe(of.kind === 'bought' ? undefined : 'rest')
      }),
      { numRuns: 300 },
    )
  })

  it('its rules name what is done, and none contradicts another', () => {
    for (const rule of makingRules) for (const code of rule) expect(makingCodes).toContain(code)
    const all = makingCodes.map((does) => ({ does }))
    expect(brokenIn(inOrder(all, makingRules), makingRules)).toEqual([])
    const circle = [...makingRules, ['rest', 'wash'] as const]
    expect(() => inOrder(all, circle)).toThrow(/these wait for one another: wash/)
    // A list in the wrong order is seen.
    const wrong = inOrder(all, makingRules).toReversed()
    expect(brokenIn(wrong, makingRules).length).toBe(makingRules.length)
  })

  const order = (values: Partial<Mould>) => making(values).map(({ does }) => does)
  const half = ['mix', 'de-air', 'pour', 'cure']
  it('a two-part mould: bed, walls round it, and release on the first half before the second', () => {
    const openings: Mould['openings'] = [
      { id: 'g', what: 'gate', at: [0, 0, 0.02], bore: 0.006, made: 'cast in' },
    ]
    const steps = order({ kind: 'two-part', vessel: 0.004, openings })
    const from = steps.indexOf('bed')
    expect(steps.slice(from)).toEqual([
      ...['bed', 'seat', 'rods', 'walls'],
      ...half,
      ...['clear', 'release half'],
      ...half,
      ...['open', 'rest'],
    ])
    const own = { width: 0.14, depth: 0.12, height: 0.05 }
    const inBox = order({ kind: 'two-part', box: { ...sampleMould().box, own } })
    expect(inBox.slice(inBox.indexOf('own box')).slice(0, 3)).toEqual(['own box', 'bed', 'seat'])
  })

  it('a hinge is released all over but along its back edge, and jelly comes off the master', () => {
    const said = (kind: Mould['kind']) => wordsOf(making({ kind })).join(' ')
    expect(said('hinged')).toMatch(/all silicone but a strip along the back edge/)
    expect(said('two-part')).toMatch(/Release over every bit of silicone/)
    for (const kind of ['hinged', 'two-part'] as const) {
      expect(said(kind)).toMatch(/wipe it off the master/)
    }
  })

  it('a sock is powdered, rolled off and nested in its shell: never laid flat, no gate asked', () => {
    const openings: Mould['openings'] = [
      { id: 'g', what: 'gate', at: [0, 0, 0.02], bore: 0.006, made: 'cut later' },
    ]
    const said = wordsOf(making({ kind: 'brushed sock', openings })).join(' ')
    expect(said).toMatch(/Talc over the outside/)
    expect(said).toMatch(/roll the silicone off the master.*Nest it in its shell/)
    expect(said).not.toMatch(/flat|Cut 1 opening/)
  })

  it('a printed shell is a two-part mould: bed in its half as a tray, two pours through holes', () => {
    const steps = making({ kind: 'printed shell', parting: 0.01 })
    const does = steps.map((one) => one.does)
    expect(does.slice(does.indexOf('shell')).filter((one) => one !== 'de-air')).toEqual([
      ...['shell', 'bed', 'jacket', 'mix', 'pour', 'cure'],
      ...['clear', 'release half', 'jacket', 'mix', 'pour', 'cure', 'open', 'rest'],
    ])
    const said = wordsOf(steps).join(' ')
    expect(said).toMatch(
      /in the lower half of the shell: [\d.]+ ml of clay up to the parting, 10\.0 mm/,
    )
    expect(said).not.toMatch(/floor|board|low corner/)
    expect(said).toMatch(/Part the halves/)
  })

  it('a cut block’s master stands on its gate or hangs: nothing stands in the air', () => {
    const lines = (under: number) =>
      wordsOf(making({ kind: 'cut block', box: { ...sampleMould().box, under } })).join(' ')
    expect(lines(0.008)).toMatch(/8\.0 mm above the floor: let it stand on its gate/)
    expect(wordsOf(making({ kind: 'open block' })).join(' ')).not.toMatch(/above the floor: let/)
  })

  it('no alcohol comes over wax or a coat', () => {
    for (const substance of substances) {
      for (const finish of ['none', 'wax', 'acrylic coat'] as const) {
        const master = { ...sampleMould().contact.master, substance, finish }
        const over = ['seal', 'wax', 'coat', 'gloss coat', 'smooth'] as const
        const aim = masterAims[substances.indexOf(substance) % masterAims.length]
        const does = prepare(master, firmPlatinum, aim).map((one) => one.does)
        const last = Math.max(...over.map((one) => does.indexOf(one)))
        if (last >= 0) expect(does.slice(last + 1)).not.toContain('wipe')
        if (finish !== 'none') expect(does).not.toContain('wipe')
      }
    }
  })
})

describe('the steps sheet', () => {
  it('a two-part mould is poured in two halves with a cure after each', () => {
    const steps = making({ kind: 'two-part' })
    expect(steps.filter(({ need }) => need)).toHaveLength(2)
    // A new mould rests overnight before its first pull (common practice, no source).
    expect(steps.filter(({ step }) => step === 'wait').map(({ wait }) => wait)).toEqual([
      firmPlatinum.demould,
      firmPlatinum.demould,
      12 * 3600,
    ])
    const said = wordsOf(steps).join(' ')
    expect(said).toMatch(/Press the turned half flush/)
    expect(said).toMatch(/Brush or drizzle it first into letters, creases and deep wells/)
    expect(waitingTime(steps)).toBeGreaterThan(2 * firmPlatinum.demould)
    expect(said).toMatch(/ml of clay up to the parting/)
  })

  it('a sock goes on in coats by weight, with thickener from the second on', () => {
    const coats = making({ kind: 'brushed sock', coats: 3 }).filter((step) =>
      /^Coat/.test(title(step)),
    )
    expect(coats).toHaveLength(3)
    // Area 88 cm² times 1.2 mm a coat, a tenth on tools, at 1.11 g/ml: 12.9 g; 1 % of it, and 40 % of that.
    expect(sayMaking(coats[0].lines[0])).toMatch(/only part of the thickener, 0\.1 g/)
    expect(sayMaking(coats[1].lines[0])).toMatch(/0\.1 g of thickener and another colour/)
    expect(wordsOf(making({ kind: 'brushed sock', coats: 3 })).join(' ')).toMatch(
      /three or more overlapping plies.*An hour before they are parted/,
    )
  })

  it('every caution stands at or before the first step that can hurt, once', () => {
    const all = making({ kind: 'two-part', vessel: 0.004, pressure: 2.7e5 }, softTin)
    const ids = all.flatMap(({ safety }) => safety.map(({ id }) => id))
    expect(ids).toEqual([...new Set(ids)])
    const first = (step: string) => all.find((s) => s.step === step)!.safety.map(({ id }) => id)
    // A bed of clay hurts nobody; walls are cut and glued.
    expect(first('build')).toEqual([])
    const walls = all.find(({ does }) => does === 'walls')!
    expect(walls.safety.map(({ id }) => id)).toEqual(['build-blade', 'hot-glue'])
    expect(first('silicone')).toEqual(['silicone-hands', 'tin-catalyst'])
    expect(first('vacuum')).toEqual(['vacuum'])
    expect(first('pressure')).toEqual(['pressure'])
    expect(first('open')).toEqual(['cut-open'])
    const dusty = all.find((step) => /300 grit/.test(title(step)))!
    expect(dusty.safety.map(({ id }) => id)).toEqual(['sanding'])
    const sprayed = all.find((step) => /primer/.test(title(step)))!
    expect(sprayed.safety.map(({ id }) => id)).toEqual(['aerosol'])
    // Whatever is built, a blade is never far: every kind reads of it before its silicone.
    for (const kind of mouldKindNames.filter((one) => one !== 'bought')) {
      const of = making({ kind })
      const until = of.slice(
        0,
        of.findIndex(({ step }) => step === 'silicone'),
      )
      expect(until.flatMap(({ safety }) => safety.map(({ id }) => id))).toContain('build-blade')
    }
    const baked = making({ kind: 'cut block' }).find((step) => /Bake/.test(title(step)))!
    expect(baked.safety.map(({ id }) => id)).toEqual(['oven'])
  })

  it('batches that one cup does not hold are weighed one by one', () => {
    const [first] = making({ kind: 'two-part', cup: 50e-6 }).filter(({ need }) => need)
    const { cups, total } = first.need!.weighing
    expect(cups).toBeGreaterThan(1)
    expect(cups * total).toBeCloseTo(first.need!.mass, 12)
    expect(title(first)).toMatch(new RegExp(`in ${cups} batches of ${(total * 1000).toFixed(0)} g`))
  })

  it('a box that is there is not built, and a round one has one size', () => {
    const own = { width: 0.12, depth: 0.12, height: 0.05 }
    const box = { ...sampleMould().box, own }
    const titles = (values: Partial<Mould>) => making(values).map(title)
    expect(titles({ box })).toContain('Set the existing box ready, 120.0 mm by 120.0 mm inside')
    const round = titles({ box: { ...box, own: undefined, shape: 'round' } })
    expect(round.find((said) => said.startsWith('Build the box'))).toMatch(/mm across inside/)
  })

  it('blades, vessels, heat, dust and aerosols each have their line', () => {
    for (const hazard of [
      'blade',
      'vacuum vessel',
      'pressure vessel',
      'oven',
      'sanding dust',
      'aerosol',
      'any silicone',
      'tin silicone',
      'hot glue',
    ] as const) {
      const lines = safetyTable.filter((line) => line.hazard === hazard)
      expect(lines.length).toBeGreaterThan(0)
      for (const { step } of lines) expect([...mouldSteps, ...benchSteps]).toContain(step)
    }
  })
})

describe('preparing a master', () => {
  const surface = sampleMould().contact.master
  const ids = (values: Partial<typeof surface>, silicone = firmPlatinum) =>
    prepare({ ...surface, ...values }, silicone).map(({ does }) => does)

  it('a fresh print for platinum is baked and coated, for tin it is not', () => {
    expect(ids({})).toEqual([
      'wash',
      'bake',
      'fill',
      'grit-300',
      'guide',
      'grit-1200',
      'wipe',
      'coat',
      'dust',
    ])
    expect(ids({}, softTin)).not.toContain('bake')
    expect(ids({ age: 40 * 86400 })).not.toContain('bake')
    expect(ids({ cured: 'baked', finish: 'acrylic coat' })).toEqual([
      'wash',
      'fill',
      'grit-300',
      'guide',
      'grit-1200',
      'dust',
    ])
  })

  // Gloss is made on the master; a texture meets no abrasive (common practice, no source).
  it('by what its casts are to show: gloss coats and a polish, no abrasive, faces that fit masked', () => {
    const of = (aim: (typeof masterAims)[number], values: Partial<typeof surface> = {}) =>
      prepare({ ...surface, ...values }, firmPlatinum, aim).map(({ does }) => does)
    expect(of('gloss').slice(-4)).toEqual(['wipe', 'gloss coat', 'polish', 'dust'])
    expect(of('gloss')).not.toContain('coat')
    for (const substance of substances) {
      const kept = of('texture', { substance })
      expect(
        kept.filter((one) => ['grit-300', 'guide', 'grit-1200', 'polish'].includes(one)),
      ).toEqual([])
    }
    expect(of('texture', { substance: 'wood' })).toContain('seal')
    const fit = of('fit')
    expect(fit.indexOf('mask')).toBeLessThan(fit.indexOf('coat'))
    expect(of('fit', { substance: 'metal' })).not.toContain('mask')
    // Wax would dull it; what is dull already is not sanded for gloss.
    expect(of('gloss', { substance: 'plaster' })).not.toContain('wax')
    expect(of('gloss', { substance: 'metal' })).not.toContain('gloss coat')
  })

  // Card: two coats of sealer, 20 min to dry, two of wax (common practice, no source).
  it('card is sealed and waxed, glass released, clay chilled', () => {
    const card = prepare({ ...surface, substance: 'card' }, firmPlatinum)
    expect(card.find(({ does }) => does === 'seal')!.wait).toBe(1200)
    expect(ids({ substance: 'card' })).toContain('wax')
    expect(ids({ substance: 'glass' })).toContain('release')
    expect(ids({ substance: 'sulphur clay' })).toEqual(['chill', 'smooth', 'dust'])
    // Plaster dries a week; filament is neither washed nor cured (common practice, no source).
    const plaster = prepare({ ...surface, substance: 'plaster' }, firmPlatinum)
    expect(plaster[0]).toMatchObject({ does: 'dry', wait: 7 * 86400 })
    expect(ids({ substance: 'filament print' })[0]).toBe('fill')
  })
})
