import { describe, expect, it } from 'vitest'
import { readDocument } from '../../base/document/index.ts'
import { slowEpoxy } from '../../matter/material/samples.ts'
import { compile, newPlan } from '../plan/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { fillCurve } from '../../form/filling/index.ts'
import { nextTimeNote, nextTimeNotes } from './nextTimeNote.ts'
import { newPull, pullSchema, type Pull } from './pull.ts'
import { ratioErrors } from './ratioCheck.ts'

const curve = fillCurve(
  buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.02 }),
  [0, 0, 1],
)
const plan = {
  ...newPlan('x'),
  copies: 4,
  layers: [
    {
      id: 'a',
      name: 'Base',
      fill: { by: 'height' as const, top: 0.02 },
      resin: 'e',
      tints: [],
      inclusions: [],
      join: 'crisp' as const,
    },
  ],
}
const from = { plan: 'p1', planRevision: 3, pouredAt: '2026-03-01T14:20:00+01:00' }
const pull = (more: Partial<Pull> = {}): Pull => ({
  ...newPull(plan, compile(plan, curve, new Map([['e', slowEpoxy]])), from),
  ...more,
})

describe('a pull', () => {
  it('opens with what the plan said to weigh, and is a document', () => {
    const opened = pull()
    expect(opened.layers[0].amounts.map((a) => a.what)).toEqual(['A', 'B'])
    expect(opened.copies).toBe(4)
    expect(readDocument(pullSchema, opened)).toEqual(opened)
  })

  it('says how far the ratio really was off', () => {
    const opened = pull()
    expect(ratioErrors(opened)).toEqual([undefined])
    const [a, b] = opened.layers[0].amounts
    a.weighed = a.planned * 1.02
    b.weighed = b.planned
    expect(ratioErrors(opened)[0]).toBeCloseTo(0.02, 9)
  })

  it('hands its last word to the next plan: the newest that left one', () => {
    const pulls = [
      pull({ pouredAt: '2026-03-01T10:00:00Z', nextTime: 'Tilt more' }),
      pull({ pouredAt: '2026-03-09T10:00:00Z', nextTime: ' Warm the mould ' }),
      pull({ pouredAt: '2026-03-20T10:00:00Z', nextTime: '' }),
    ]
    expect(nextTimeNote(pulls)).toEqual({
      nextTime: 'Warm the mould',
      faults: [],
      pouredAt: '2026-03-09T10:00:00Z',
    })
    expect(nextTimeNote([])).toBeUndefined()
  })

  it('what earlier pulls said and ran into stays too, the newest first', () => {
    const pulls = [
      pull({ pouredAt: '2026-03-01T10:00:00Z', nextTime: 'Tilt more', faults: ['void at a tip'] }),
      pull({ pouredAt: '2026-03-09T10:00:00Z', nextTime: '' }),
      pull({ pouredAt: '2026-03-20T10:00:00Z', nextTime: '', faults: ['foam'] }),
    ]
    expect(nextTimeNotes(pulls).map(({ nextTime, faults }) => [nextTime, faults])).toEqual([
      ['', ['foam']],
      ['Tilt more', ['void at a tip']],
    ])
  })
})
