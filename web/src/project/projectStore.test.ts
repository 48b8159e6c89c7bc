import type { Batch } from '@mivro/core/matter/cure'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { flushPromises } from '@vue/test-utils'
import { slowEpoxy } from '../../../core/src/matter/material/samples.ts'
import type { Form } from '@mivro/core/form/piece'
import { moveSurface, newPlan, type Plan } from '@mivro/core/work/plan'
import { Problem } from '@mivro/core/base/problem'
import type { Pull } from '@mivro/core/work/pull'
import { surveyHere } from '../work/onThisThread.ts'
import type { SurveyQuestion } from '@mivro/core/work/project'
import { cureTimes } from '../work/laws.ts'
import { answerAt, answered, stored } from '../api/answers.ts'
import { forgetSessions } from '../api/sessions.ts'
import { openedProject } from './opened.ts'
import { useProject } from './projectStore.ts'

/** The worker's job on this thread: the same function, without the thread. */
const asked: SurveyQuestion[] = []
vi.mock('../work/pool.ts', () => ({
  askSeats: async () => [],
  askAir: async () => undefined,
  askGeometry: async () => undefined,
  askTimes: async (batches: Batch[]) => cureTimes(batches),
  askSurvey: (question: SurveyQuestion) => {
    asked.push(question)
    if (question.up[0] === 7) return Promise.reject(new Problem('not-a-direction', {}))
    return surveyHere(question)
  },
}))

const form: Form = {
  from: 'sizes',
  solid: { solid: 'block', width: 0.04, depth: 0.05, height: 0.03 },
}
const plan: Plan = {
  ...newPlan('First'),
  layers: [
    {
      id: 'a',
      name: 'A',
      fill: { by: 'height', top: 0.01 },
      resin: 'e',
      tints: [],
      inclusions: [],
      join: 'crisp',
    },
    {
      id: 'b',
      name: 'B',
      fill: { by: 'height', top: 0.03 },
      resin: 'e',
      tints: [],
      inclusions: [],
      join: 'crisp',
    },
  ],
}
const pull: Pull = {
  plan: 'l',
  planRevision: 1,
  pouredAt: '2026-03-01T10:00:00Z',
  copies: 1,
  room: 294.15,
  layers: [],
  outcome: 'good',
  faults: [],
  note: '',
  nextTime: 'Warm the mould',
}
let answers: Record<string, unknown>
let sent: { method: string; path: string; body: { document: Plan } }[]

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  asked.length = 0
  sent = []
  answers = {
    'pieces/p': stored('p', { name: 'Block', form, note: '' }),
    'plans?parent=p': [stored('l', plan, 'p')],
    'plans/l': stored('l', plan, 'p'),
    'pulls?parent=p': [stored('u', pull, 'p')],
    materials: [stored('e', slowEpoxy)],
    moulds: [],
  }
  vi.stubGlobal(
    'fetch',
    async (url: string, { method, body }: { method: string; body?: string }) => {
      const path = url.replace('/api/', '')
      if (body !== undefined) sent.push({ method, path, body: JSON.parse(body) })
      const document = body === undefined ? undefined : JSON.parse(body).document
      const made = stored(body === undefined ? '' : (JSON.parse(body).id ?? 'l'), document, 'p')
      const value =
        body === undefined ? answerAt(path, (of) => answers[of]) : { ...made, revision: 2 }
      if (value === undefined && !path.startsWith('plans/')) {
        const problem = { code: 'not-found', amounts: { kind: 'piece', id: 'x' }, path: '' }
        return answered({ problems: [problem] }, 404)
      }
      return answered(value ?? stored('n', plan, 'p'))
    },
  )
})
afterEach(() => {
  forgetSessions()
  vi.unstubAllGlobals()
})

describe('the open piece', () => {
  it('is surveyed as its plan lies, and compiled with the shelf', async () => {
    const piece = await openedProject()
    expect(asked).toEqual([{ form, up: [0, 0, 1], turn: 0 }])
    // 2 ml for each millimetre: 20 and 40 ml.
    expect(piece.compiled!.layers.map((layer) => layer.resin * 1e6)).toEqual([
      expect.closeTo(20, 6),
      expect.closeTo(40, 6),
    ])
    expect(piece.compiled!.layers[1].clock!.pourAt).toBeGreaterThan(0)
  })

  it('opens with the word of the last pull', async () => {
    expect((await openedProject()).word!.nextTime).toBe('Warm the mould')
  })

  it('a preview shows and is not sent; what is kept is', async () => {
    const piece = await openedProject()
    piece.preview(moveSurface(piece.plan!, piece.compiled!, 0, 0.012))
    expect(piece.compiled!.layers[0].top).toBeCloseTo(0.012, 9)
    await flushPromises()
    expect(sent).toEqual([])
    expect(piece.keepPreview()).toBeUndefined()
    await flushPromises()
    expect(sent.map(({ method, path }) => [method, path])).toEqual([['PUT', 'plans/l']])
    expect(piece.previewing).toBe(false)
  })

  it('what the document refuses comes back with its place, and nothing is sent', async () => {
    const piece = await openedProject()
    const refused = piece.changePlan({ ...piece.plan!, copies: 0 })
    expect([refused!.code, refused!.path]).toEqual(['not-whole', 'copies'])
    expect(piece.plan!.copies).toBe(1)
    await flushPromises()
    expect(sent).toEqual([])
  })

  it('turned to lie on another side it is surveyed anew', async () => {
    const piece = await openedProject()
    piece.changePlan({ ...piece.plan!, up: [1, 0, 0] })
    await flushPromises()
    expect(asked.map((question) => question.up)).toEqual([
      [0, 0, 1],
      [1, 0, 0],
    ])
    expect(piece.compiled!.height).toBeCloseTo(0.04, 9)
  })

  it('a shape that cannot be read says why, and the last good one stays', async () => {
    const piece = await openedProject()
    piece.changePlan({ ...piece.plan!, up: [7, 0, 0] })
    await flushPromises()
    expect(piece.shapeProblems.map((problem) => problem.code)).toEqual(['not-a-direction'])
    expect(piece.survey).toBeDefined()
  })

  it('the next pour begins as this one', async () => {
    const piece = await openedProject()
    await piece.nextPour('Pour 2')
    expect(sent[0]).toMatchObject({
      method: 'POST',
      path: 'plans',
      body: { parent: 'p', document: { name: 'Pour 2' } },
    })
    expect(sent[0].body.document.layers).toEqual(plan.layers)
    expect(piece.pours).toHaveLength(2)
  })

  it('one that is not there says so', async () => {
    const piece = useProject()
    await piece.open('gone')
    expect(piece.problems.map((problem) => problem.code)).toEqual(['not-found'])
  })
})
