import type { Change, CopyResult, Method, Pin, PullTimes } from '@mivro/core/work/pull'
import type { DemoPull } from './demoPull.ts'

const mm = 1e-3
const celsius = (degrees: number) => degrees + 273.15
const minute = 60

/** The coat's hem of the astronomer, foot up: air was shut in under it until it was vented. */
const hem: [number, number, number] = [25.2 * mm, -8.6 * mm, 20.4 * mm]

const pressed: Method = {
  way: 'pressure',
  pressure: 2.8e5,
  prefilled: 1,
  prefills: 1,
  vents: 1,
  bands: 8,
  dust: 'none',
  release: 'none',
  tilt: 0,
  secondCup: 'no',
}
const quick: PullTimes = {
  stirred: 31,
  full: 78,
  pours: 170,
  gels: 8 * minute,
  atPressure: 4 * minute,
  letGo: 27 * minute,
  out: 29 * minute,
  hard: 25 * minute,
}

const emptyHem = (pull: number): Pin => ({
  id: `hem-${pull}`,
  fault: 'void at a tip',
  at: hem,
  size: 3 * mm,
  note: '',
})

const vented: Change = {
  id: 'vent-hem',
  what: 'vent here',
  fault: 'void at a tip',
  cause: 'no way out for air',
  at: hem,
  takenAt: '2026-09-19T11:00:00+02:00',
}

const solid = (day: string, more: Partial<DemoPull> = {}): DemoPull => ({
  pouredAt: `2026-${day}:00+02:00`,
  room: celsius(21),
  humidity: 0.46,
  off: 1.003,
  outcome: 'good',
  faults: [],
  note: '',
  nextTime: '',
  mould: 'demo-astronomer-solid-mould',
  method: pressed,
  times: quick,
  ...more,
})

/**
 * A season of one mould: a hem that stayed empty three times and, since its vent, no more; towards
 * its end the cut begins to show.
 */
export const seasonOfAstronomer: DemoPull[] = [
  solid('09-05T10:10', { pins: [emptyHem(1)], outcome: 'fixable', note: 'The hem is hollow.' }),
  solid('09-09T17:30', { pins: [emptyHem(2)], outcome: 'fixable', note: 'The hem again.' }),
  solid('09-16T18:05', {
    pins: [emptyHem(3)],
    outcome: 'lost',
    note: 'The hem again, larger: the telescope broke off while it was filled.',
    changes: [vented],
  }),
  solid('09-23T10:00', { method: { ...pressed, vents: 2 } }),
  solid('09-26T16:40', { method: { ...pressed, vents: 2 } }),
  solid('09-30T18:20', {
    method: { ...pressed, vents: 2, prefilled: 0 },
    outcome: 'fixable',
    pins: [
      {
        id: 'telescope',
        fault: 'void at a tip',
        at: [-14.5 * mm, 4.2 * mm, 51.1 * mm],
        size: 2 * mm,
        note: '',
      },
    ],
    note: 'Nobody prefilled the telescope.',
  }),
  solid('10-07T10:20', { method: { ...pressed, vents: 2 } }),
  solid('10-11T15:00', { method: { ...pressed, vents: 2 } }),
  solid('10-14T18:10', { method: { ...pressed, vents: 2 } }),
  solid('10-21T17:50', { method: { ...pressed, vents: 2 } }),
  solid('11-04T18:30', {
    method: { ...pressed, vents: 2 },
    outcome: 'fixable',
    faults: ['seam step or flash'],
    note: 'Flash along the cut, thin.',
  }),
  solid('11-11T18:15', { method: { ...pressed, vents: 2 } }),
  solid('11-18T18:00', {
    method: { ...pressed, vents: 2 },
    outcome: 'fixable',
    faults: ['seam step or flash'],
    note: 'Flash again, thicker: the block does not close as it did.',
    nextTime: 'Order silicone for the next block.',
  }),
]

const six = (spoilt: readonly number[]): CopyResult[] =>
  Array.from({ length: 6 }, (_, i) => ({
    copy: i + 1,
    mould: Math.floor(i / 2) + 1,
    result: spoilt.includes(i + 1) ? 'lost' : 'good',
  }))

const trial = (with_: 'yes' | 'no', more: Partial<DemoPull>): DemoPull => ({
  pouredAt: with_ === 'no' ? '2026-10-24T10:05:00+02:00' : '2026-10-24T10:06:00+02:00',
  room: celsius(20.5),
  humidity: 0.43,
  off: 1.001,
  outcome: 'good',
  faults: [],
  note: '',
  nextTime: '',
  copies: 6,
  mould: 'demo-crater-mould',
  trial: { id: 'pressure', difference: 'pressure, 2.8 bar', with: with_ },
  ...more,
})

/** One cup, twelve keycaps: six on the bench, six in the pot. */
export const trialOfKeycaps: DemoPull[] = [
  trial('no', {
    results: six([1, 2, 4, 5, 6]),
    faults: ['fine bubbles'],
    method: { ...pressed, way: 'none', pressure: 0, bands: 3, dust: 'talc', prefills: 0 },
    times: { ...quick, atPressure: undefined, letGo: undefined },
    note: 'Pinholes under every edge.',
  }),
  trial('yes', {
    results: six([]),
    method: { ...pressed, bands: 3, dust: 'talc', prefills: 0 },
    times: quick,
    note: 'Clean, all six.',
  }),
]
