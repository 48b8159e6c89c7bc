import { describe, expect, it } from 'vitest'
import { sayKey, sayHow, sayTask } from '@mivro/words/bench'
import { readDocument } from '../../base/document/index.ts'
import { firmPlatinum } from '../../matter/material/samples.ts'
import { compileMould, type Mould } from '../../mould/index.ts'
import { block60, geometryOfSolid, sampleMould } from '../../mould/samples.ts'
import { benchSchema } from './bench.ts'
import { toRead } from './before.ts'
import { clocksOf } from './clocks.ts'
import { benchOfMould, doneMaking, tickedMaking } from './fromMould.ts'

const geometry = geometryOfSolid(block60)
const benchOf = (more: Partial<Mould>) => {
  const mould = sampleMould(more)
  const compiled = compileMould(mould, geometry, firmPlatinum, 1e-4)
  const of = {
    id: 'm',
    revision: 1,
    mould,
    compiled,
    silicone: firmPlatinum,
    room: 294.15,
    step: 1e-4,
  }
  return { compiled, bench: benchOfMould({ ...of, gauge: -9.5e4 }) }
}
const kinds = ({ tasks }: { tasks: { what: string }[] }) => tasks.map(({ what }) => what)

describe('a mould on the bench', () => {
  it('is a document whose every task has its sentence', () => {
    const { bench } = benchOf({ kind: 'two-part', vessel: 0.02 })
    expect(readDocument(benchSchema, bench)).toEqual(bench)
    for (const task of bench.tasks) {
      expect(sayTask(task)).toMatch(/^[A-Z]/)
      expect(sayKey(task, false)).toMatch(/^[A-Z]/)
      expect(typeof sayHow(task)).toBe('string')
    }
  })

  it('weighs each batch, frees it of air, and waits until it is cured', () => {
    const { bench, compiled } = benchOf({ kind: 'cut block', vessel: 0.0005, cup: 0.0005 })
    const { count } = compiled.pours[0].batches
    expect(count).toBeGreaterThan(1)
    expect(kinds(bench).filter((what) => what === 'vacuum')).toHaveLength(count)
    const weighed = bench.tasks.reduce(
      (sum, task) => sum + (task.what === 'weigh' ? task.mass : 0),
      0,
    )
    expect(weighed).toBeCloseTo(compiled.pours[0].need.mass, 6)
    expect(kinds(bench)).toContain('wait')
  })

  it('brushes coat after coat, the first with less thickener', () => {
    const { bench, compiled } = benchOf({ kind: 'brushed sock', coats: 3 })
    const thickener = bench.tasks.filter(
      (task) => task.what === 'weigh' && task.key === 'thickener',
    )
    expect(thickener.map((task) => (task.what === 'weigh' ? task.mass : 0))).toEqual(
      compiled.thickener,
    )
    expect(kinds(bench).filter((what) => what === 'mix')).toHaveLength(3)
  })

  it('cautions stand before its steps: gloves for silicone, the blade before it is cut', () => {
    const { bench } = benchOf({ kind: 'cut block' })
    const first = (what: string, test = (_: object) => true) =>
      bench.tasks.find((task) => task.what === what && test(task))!
    expect(toRead(bench, first('weigh')).map(({ id }) => id)).toContain('silicone-hands')
    const opening = first('step', (task) => (task as { step: string }).step === 'open')
    expect(toRead(bench, opening).map(({ id }) => id)).toEqual(['cut-open'])
  })

  it('a wait is a clock from what came before it', () => {
    const { bench } = benchOf({ kind: 'cut block' })
    const at = bench.tasks.findIndex(({ what }) => what === 'wait')
    const events = bench.tasks
      .slice(0, at)
      .map(({ id }, i) => ({ what: 'done' as const, task: id, at: 100 + i }))
    const wait = clocksOf({ ...bench, events }).find(({ what }) => what === 'wait')!
    const { takes } = bench.tasks[at] as { takes: number }
    expect(wait.until).toBeCloseTo(100 + at - 1 + takes, 6)
  })
})

describe('the list of steps and its bench', () => {
  const { bench } = benchOf({ kind: 'two-part', vessel: 0.02 })
  const steps = Math.max(...bench.tasks.map(({ id }) => Number.parseInt(id, 10)))

  it('a step that is ticked is done at the bench too, with its moment, and no other is', () => {
    expect(doneMaking(bench, steps).size).toBe(0)
    const events = tickedMaking(bench, 2, true, 5000)
    const after = { ...bench, events }
    expect([...doneMaking(after, steps)]).toEqual([2])
    expect(events.every((event) => event.what === 'done' && event.at === 5000)).toBe(true)
    expect(readDocument(benchSchema, after)).toEqual(after)
    expect(doneMaking({ ...bench, events: tickedMaking(after, 2, false, 6000) }, steps).size).toBe(
      0,
    )
  })

  it('a mixing that is ticked has its batches freed of air and poured with it', () => {
    const mix = bench.tasks.find(({ what }) => what === 'mix')!
    const at = Number.parseInt(mix.id, 10) - 1
    const done = doneMaking({ ...bench, events: tickedMaking(bench, at, true, 5000) }, steps)
    expect([...done].toSorted((a, b) => a - b)).toEqual([at, at + 1, at + 2])
  })
})
