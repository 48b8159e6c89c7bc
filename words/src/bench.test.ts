import { describe, expect, it } from 'vitest'
import {
  cuesDue,
  cuesOf,
  layOutItems,
  startOf,
  touchMarks,
  weighedNow,
  type BenchEvent,
  type Task,
  type TaskOf,
} from '@mivro/core/work/bench'
import { effectOf } from '@mivro/core/learn/diagnosis'
import { layOutWords, sayCue, touchWords, troubleWords } from './bench.ts'
import { sayShort, sayWeighed } from './weighed.ts'
import { sayEffect } from './diagnosis.ts'

const common = { load: 0, hazards: [], mix: 0, layer: 0 }
const tasks: Task[] = [
  {
    ...common,
    id: 'm',
    what: 'mix',
    at: 0,
    takes: 90,
    pours: 170,
    gel: 400,
    hard: 1500,
    secondCup: 'no',
  },
  {
    ...common,
    id: 'f',
    what: 'fill',
    mould: { key: 'a', pour: 'p', name: 'Keycap', number: 1, casts: 1 },
    volume: 1e-6,
    mass: 1e-3,
    vents: 0,
  },
  { id: 'l', load: 0, hazards: [], what: 'lid', gauge: 2.8e5, marked: 4e5, by: 320 },
  { id: 'h', load: 0, hazards: [], what: 'hold', gauge: 2.8e5, at: 1500 },
]
const events: BenchEvent[] = [{ what: 'done', task: startOf('m'), at: 1000 }]

describe('what is spoken', () => {
  it('and when: half a minute ahead, at four fifths, and at the end, in words heard over a compressor', () => {
    const cues = cuesOf({ tasks, events })
    const said = cues.map((cue) => [Math.round(cue.at - 1000), sayCue(cue)])
    expect(said).toEqual([
      [60, 'In 30 seconds cup 1 is stirred.'],
      [90, 'It is mixed. Pour.'],
      // Four fifths of 170 s lie within seconds of half a minute ahead: one warning is enough.
      [140, 'In 30 seconds cup 1 no longer pours.'],
      [170, 'It no longer pours. Stop filling: go on with what is full.'],
      [256, 'In 64 seconds the pot has to be at pressure.'],
      [290, 'In 30 seconds the pot has to be at pressure.'],
      [320, 'Too late for the pot to help much. Shut it all the same.'],
    ])
  })

  it('the hold is counted once the lid is on', () => {
    const shut: BenchEvent[] = [
      ...events,
      { what: 'done', task: 'm', at: 1090 },
      { what: 'done', task: 'f', at: 1100 },
      { what: 'done', task: 'l', at: 1200 },
    ]
    expect(cuesOf({ tasks, events: shut }).map((cue) => [cue.at - 1000, sayCue(cue)])).toEqual([
      [1470, 'In 30 seconds the pressure may go.'],
      [1500, 'It is hard. The pressure may go, slowly.'],
    ])
  })

  it('each once, looked at five times a second', () => {
    const cues = cuesOf({ tasks, events })
    let heard: string[] = []
    for (let at = 1000; at < 2600; at += 0.2)
      heard = [...heard, ...cuesDue(cues, at, at + 0.2).map(sayCue)]
    expect(heard).toEqual(cues.map(sayCue))
  })

  it('once a mould is full nothing is said of its pouring any more', () => {
    const filled: BenchEvent[] = [
      ...events,
      { what: 'done', task: 'm', at: 1090 },
      { what: 'done', task: 'f', at: 1100 },
    ]
    const said = cuesOf({ tasks, events: filled }).map(sayCue).join(' ')
    expect(said).not.toMatch(/pours|stirred/)
    expect(said).toMatch(/has to be at pressure/)
  })
})

it('every item, mark and trouble has its words', () => {
  for (const item of layOutItems) expect(layOutWords[item](2)).toMatch(/^[A-Z2]/)
  for (const mark of touchMarks) expect(touchWords[mark].hint).toMatch(/^[A-Z]/)
  for (const say of Object.values(troubleWords)) expect(say('scale')).toMatch(/^[A-Z].*[.?]/)
})

it('an effect is told with its width, and nothing is claimed from one pull', () => {
  expect(sayEffect('void at a tip', effectOf({ seen: 3, of: 3 }, { seen: 0, of: 1 }))).toContain(
    'From so few nothing can be said yet.',
  )
  expect(sayEffect('void at a tip', effectOf({ seen: 3, of: 3 }, { seen: 0, of: 0 }))).toBe(
    'void at a tip: 3 of 3 before, nothing poured since.',
  )
})

describe('what is good of a weighing', () => {
  const task: TaskOf<'weigh'> = {
    ...common,
    id: 'a',
    what: 'weigh',
    part: 'A',
    key: 'A',
    name: 'Part A',
    mass: 5.9e-3,
    density: 1000,
    step: 1e-4,
    cup: 1e-4,
    apart: 'mixing cup',
    moulds: 1,
  }
  const saidOf = (mass: number) => {
    const one = { ...task, mass }
    return sayWeighed(
      weighedNow({ tasks: [one, { ...one, id: 'b', part: 'B', key: 'B' }], events: [] }, one, 0),
      one,
    )
  }

  it('too little of the first part: how many it makes, and how all are made', () => {
    const short = { moulds: 3, mass: 20e-3, more: [{ name: 'Part B', mass: 4e-3 }] }
    expect(sayShort(short, { ...task, moulds: 5 })).toBe(
      'That makes 3 of 5 moulds. For all of them pour on to 20.0 g; 4.0 g more Part B then goes in.',
    )
  })

  it('is said by what the scale can show, never rounded beyond it', () => {
    // Half of what the ratio bears of 5.9 g is 0.059 g: 5.8 and 6.0 g are not good.
    expect(saidOf(5.9e-3)).toMatch(/ 5\.9 g is good\.$/)
    expect(saidOf(5.9e-3)).not.toContain('Anything')
    expect(saidOf(30e-3)).toContain('Anything from 29.7 to 30.3 g is good.')
  })
})
