import type { Batch } from '@mivro/core/matter/cure'
import { createPinia, setActivePinia } from 'pinia'
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { firmPlatinum } from '../../../core/src/matter/material/samples.ts'
import { newMould, type Mould } from '@mivro/core/mould'
import type { Form } from '@mivro/core/form/piece'
import { newPlan } from '@mivro/core/work/plan'
import { Problem } from '@mivro/core/base/problem'
import { answerAt, answered, stored } from '../api/answers.ts'
import { forgetSessions } from '../api/sessions.ts'
import { openedProject } from './opened.ts'
import { handlers, type Question } from '../work/handlers.ts'
import { cureTimes } from '../work/laws.ts'
import { jobContext, surveyHere } from '../work/onThisThread.ts'
import type { SurveyQuestion } from '@mivro/core/work/project'
import { useAir } from '../mould/air/useAir.ts'

/** Looked for once for all tests: it takes seconds. */
const geometries = new Map<string, ReturnType<typeof handlers.geometry>>()

/** The worker's jobs on this thread. */
const asked: string[] = []
let failing = false
vi.mock('../work/pool.ts', () => ({
  askTimes: async (batches: Batch[]) => cureTimes(batches),
  askSurvey: (question: SurveyQuestion) => surveyHere(question),
  askSeats: (question: Question<'seats'>) => handlers.seats(question, jobContext()),
  askAir: (question: Question<'air'>) => {
    asked.push('air')
    if (failing) return Promise.reject(new Problem('work-failed', { job: 'air', reason: 'gone' }))
    return handlers.air(question, jobContext())
  },
  askGeometry: (question: Question<'geometry'>) => {
    asked.push('geometry')
    const key = JSON.stringify(question)
    const found = geometries.get(key) ?? handlers.geometry(question, jobContext())
    geometries.set(key, found)
    return found
  },
  askTilts: (question: Question<'tilts'>, { signal }: { signal: AbortSignal }) => {
    signal.addEventListener('abort', () => asked.push('cancelled'))
    return handlers.tilts(question, jobContext())
  },
}))

const form: Form = {
  from: 'sizes',
  solid: { solid: 'cup', foot: 0.04, diameter: 0.04, height: 0.05, wall: 0.004 },
}
const mould: Mould = {
  ...newMould('Cup mould', 'p', [0, 0, 1], 0.05),
  silicone: 's',
  openings: [{ id: 'g', what: 'gate', at: [0, 0, 0], bore: 0.004, made: 'cast in' }],
}
let answers: Record<string, unknown>
let sent: { path: string; document: Mould }[]
beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  asked.length = 0
  sent = []
  answers = {
    'pieces/p': stored('p', { name: 'Cup', form, note: '' }),
    'plans?parent=p': [stored('l', newPlan('First'), 'p')],
    'plans/l': stored('l', newPlan('First'), 'p'),
    'pulls?parent=p': [],
    materials: [stored('s', firmPlatinum)],
    moulds: [stored('other', { ...mould, name: 'Other', pieces: [] }), stored('m', mould)],
    'moulds/m': stored('m', mould),
    'moulds/other': stored('other', { ...mould, name: 'Other', pieces: [] }),
  }
  vi.stubGlobal('fetch', async (url: string, { body }: { body?: string } = {}) => {
    const path = url.replace('/api/', '')
    const document = body === undefined ? undefined : JSON.parse(body).document
    if (document) sent.push({ path, document })
    const answer = document
      ? { ...stored(path.split('/')[1] ?? 'new', document), revision: 2 }
      : answerAt(path, (of) => answers[of])
    return answer === undefined ? new Response('', { status: 500 }) : answered(answer)
  })
})
afterEach(() => {
  forgetSessions()
  vi.unstubAllGlobals()
})

async function shown() {
  const store = await openedProject()
  store.lookAtMould()
  await vi.waitFor(() => expect(store.compiledMould && store.air).toBeTruthy(), {
    timeout: 15_000,
  })
  return store
}

describe('the mould of the piece that is open', () => {
  it('is found among all, and nothing is looked for while no screen shows it', async () => {
    const store = await openedProject()
    expect(store.mould?.name).toBe('Cup mould')
    expect(store.silicone?.name).toBe(firmPlatinum.name)
    expect(asked).toEqual([])
  })

  it('shown, it knows its air, its silicone and what to say', async () => {
    const store = await shown()
    expect(store.airLeft).toHaveLength(1)
    expect(store.compiledMould!.need!.mass).toBeGreaterThan(0.1)
    expect(store.judged.map(({ caution }) => caution.code)).toContain('air-stays')
    expect(store.into!.openings[0].height).toBeCloseTo(0, 9)
  })

  it('a vent at the top of the air lets it out, and is kept', async () => {
    const store = await shown()
    useAir().add('vent', store.airLeft[0].top)
    await vi.waitFor(() => expect(store.airLeft).toEqual([]))
    expect(store.mouldSession!.document.openings.map(({ what }) => what)).toEqual(['gate', 'vent'])
    await flushPromises()
    expect(sent.at(-1)?.path).toBe('moulds/m')
  })

  it('while one is dragged the air follows, and nothing is kept until it is let go', async () => {
    const store = await shown()
    const air = useAir()
    air.drag('g', [0.018, 0, 0.05])
    await vi.waitFor(() => expect(store.airLeft).toEqual([]))
    expect(store.mouldSession!.document.openings[0].at).toEqual([0, 0, 0])
    air.drop()
    expect(store.mouldSession!.document.openings[0].at).toEqual([0.018, 0, 0.05])
    expect(store.previewing).toBe(false)
  })

  it('a worker that failed is said, and the air is followed again at the next change', async () => {
    const store = await shown()
    const air = useAir()
    failing = true
    air.drag('g', [0.018, 0, 0.05])
    await vi.waitFor(() => expect(store.airProblem?.code).toBe('work-failed'))
    failing = false
    air.drag('g', [0.0181, 0, 0.05])
    await vi.waitFor(() => expect([store.airProblem, store.airLeft]).toEqual([undefined, []]))
    expect(store.airBusy).toBe(false)
  })

  it('a prefill takes it out of what stays, and out of the list of what is said', async () => {
    const store = await shown()
    useAir().prefill(store.airLeft[0].top)
    await vi.waitFor(() => expect(store.airLeft).toEqual([]))
    expect(store.air!.pockets).toHaveLength(1)
    expect(store.judged.map(({ caution }) => caution.code)).not.toContain('air-stays')
    useAir().takeOut(store.mould!.prefills[0].id)
    await vi.waitFor(() => expect(store.airLeft).toHaveLength(1))
  })

  it('what the schema refuses comes back and changes nothing', async () => {
    const store = await openedProject()
    const refused = store.changeMould({ loss: 3 })
    expect(refused).toMatchObject({ code: 'out-of-range', path: 'loss' })
    expect(store.mould!.loss).toBe(0.1)
  })

  it('a search is taken: the piece is held so, with its vents', async () => {
    const store = await shown()
    const air = useAir()
    await air.findTilts()
    expect(air.tilts!.length).toBeGreaterThan(0)
    air.take(air.tilts![0])
    expect(store.mould!.openings.map(({ what }) => what)).toEqual(['gate', 'vent'])
    await vi.waitFor(() => expect(store.airLeft).toEqual([]), { timeout: 10_000 })
    expect(Math.hypot(...store.plan!.up)).toBeCloseTo(1, 9)
    air.stop()
    expect(asked).toContain('cancelled')
  })

  it('a mould that is there can make this piece too', async () => {
    answers.moulds = [stored('other', { ...mould, name: 'Other', pieces: [] })]
    const store = await openedProject()
    expect(store.mouldSession).toBeUndefined()
    await store.adoptMould('other')
    expect(store.mould!.pieces).toEqual(['p'])
    expect(store.ownMoulds.map(({ id }) => id)).toEqual(['other'])
  })

  it('one is made for the piece, with clearances for its size', async () => {
    answers.moulds = []
    const store = await openedProject()
    answers.moulds = [stored('new', { ...mould, name: 'Mould of Cup' })]
    answers['moulds/new'] = stored('new', { ...mould, name: 'Mould of Cup' })
    await store.makeMould().catch(() => {})
    const made = sent.find(({ path }) => path === 'moulds')!.document
    expect(made.name).toBe('Mould of Cup')
    expect(made.pieces).toEqual(['p'])
    expect(made.wish.copies).toBe(1)
    // 50 mm: a small piece, 10 mm beside and 12 over.
    expect([made.box.side, made.box.over]).toEqual([0.01, 0.012])
  })
})
