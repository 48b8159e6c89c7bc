import { createPinia, setActivePinia } from 'pinia'
import { flushPromises } from '@vue/test-utils'
import fc from 'fast-check'
import { effectScope, type EffectScope } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { sheets } from '../../../core/src/matter/cure/samples.ts'
import type { Batch } from '@mivro/core/matter/cure'
import type { Resin } from '@mivro/core/matter/material'
import { newMould, type Mould } from '@mivro/core/mould'
import type { Form } from '@mivro/core/form/piece'
import { newPlan, type CompiledPlan, type Plan } from '@mivro/core/work/plan'
import type { SeatsQuestion, SurveyQuestion } from '@mivro/core/work/project'
import { newRun, type Run } from '@mivro/core/work/run'
import { metric } from '@mivro/core/base/units'
import { answerAt, answered, stored } from '../api/answers.ts'
import { forgetSessions } from '../api/sessions.ts'
import { handlers } from '../work/handlers.ts'
import { cureTimes, lawOf } from '../work/laws.ts'
import { jobContext, surveyHere } from '../work/onThisThread.ts'
import { useUses } from '../shelf/useUses.ts'
import { openedProject } from './opened.ts'
import { useRunPours } from './useRunPours.ts'
import { useDerived } from './useDerived.ts'
import { useShelf } from './shelfStore.ts'

vi.mock('../work/pool.ts', () => ({
  askTimes: async (batches: Batch[]) => cureTimes(batches),
  askSurvey: (question: SurveyQuestion) => surveyHere(question),
  askSeats: (question: SeatsQuestion) => handlers.seats(question, jobContext()),
  askAir: () => Promise.reject(new Error('nobody looks at the mould')),
  askGeometry: () => Promise.reject(new Error('nobody looks at the mould')),
  askLaw: async (resin: Resin) => lawOf(resin),
}))

const scopes: EffectScope[] = []
beforeEach(() => setActivePinia(createPinia()))
afterEach(() => {
  scopes.splice(0).forEach((scope) => scope.stop())
  forgetSessions()
  vi.unstubAllGlobals()
})

const within = <T>(make: () => T): T => {
  const scope = effectScope(true)
  scopes.push(scope)
  return scope.run(make)!
}

/** What a screen says of a pour: weights, times and cautions, without what is only of its own object. */
const said = ({ layers, cautions }: CompiledPlan) => ({
  weights: layers.map(({ weighing }) => weighing?.steps.map(({ key, mass }) => [key, mass])),
  times: layers.map(({ clock }) => clock),
  cautions: cautions.map(({ code, severity, place }) => [code, severity, place]),
})

const projects = fc.record({
  form: fc.constantFrom<Form>(
    { from: 'sizes', solid: { solid: 'slab', diameter: 0.08, thickness: 0.02, bevel: 0 } },
    { from: 'sizes', solid: { solid: 'drop', width: 0.038, height: 0.052, facets: 8 } },
  ),
  resin: fc.constantFrom('clear', 'deep', 'fast'),
  tops: fc.uniqueArray(fc.integer({ min: 4, max: 19 }), { minLength: 1, maxLength: 3 }),
  copies: fc.integer({ min: 1, max: 8 }),
  room: fc.integer({ min: 288, max: 302 }),
  mould: fc.constantFrom<'none' | 'two-part' | 'open block'>('none', 'two-part', 'open block'),
  bore: fc.integer({ min: 2, max: 8 }),
})

it('stage, run, card and shelf say the same of a pour, whatever it is', async () => {
  await fc.assert(
    fc.asyncProperty(projects, async ({ form, resin, tops, copies, room, mould: kind, bore }) => {
      setActivePinia(createPinia())
      forgetSessions()
      const plan: Plan = {
        ...newPlan('Pour'),
        copies,
        room,
        layers: tops
          .toSorted((a, b) => a - b)
          .map((top, i) => ({
            id: `l${i}`,
            name: `Layer ${i + 1}`,
            fill: { by: 'height', top: top / 1000 },
            resin: 'r',
            tints: [],
            inclusions: [],
            join: 'crisp',
          })),
      }
      const mould: Mould = {
        ...newMould('Mould', 'p', [0, 0, 1], 0.05),
        kind: kind === 'none' ? 'two-part' : kind,
        openings: [{ id: 'g', what: 'gate', at: [0, 0, 0.02], bore: bore / 1000, made: 'cast in' }],
      }
      const moulds = kind === 'none' ? [] : [stored('m', mould)]
      const material = sheets[resin as 'clear']
      const lists: [RegExp, unknown][] = [
        [/^plans\?/, [stored('l', plan, 'p')]],
        [/^plans\/l/, stored('l', plan, 'p')],
        [/^pieces\?|^pieces$/, [stored('p', { name: 'Piece', form, note: '' })]],
        [/^pieces\/p/, stored('p', { name: 'Piece', form, note: '' })],
        [/^pulls/, []],
        [/^materials/, [stored('r', material)]],
        [/^moulds\/m/, stored('m', mould)],
        [/^moulds/, moulds],
      ]
      vi.stubGlobal('fetch', async (url: string) => {
        const path = url.replace('/api/', '')
        const answer = answerAt(path, (of) => lists.find(([known]) => known.test(of))?.[1])
        return answer === undefined ? new Response('', { status: 500 }) : answered(answer)
      })

      const store = await openedProject()
      const run: Run = {
        ...newRun('Run'),
        pours: [{ id: 'one', piece: 'p', plan: 'l', casts: 1 } as Run['pours'][number]],
      }
      const ofRun = within(() => useRunPours(() => run))
      await ofRun.load()
      const documents = {
        form,
        plan,
        mould: kind === 'none' ? undefined : mould,
        shelf: useShelf().materials,
        units: metric,
      }
      const card = within(() => useDerived(() => documents, { on: 'back' }))
      const uses = within(() => useUses(() => ({ id: 'r', document: material })))
      await vi.waitFor(
        async () => {
          await flushPromises()
          expect(store.known.waiting).toBe(false)
          expect(ofRun.waiting.value).toBe(false)
          expect(card.known.waiting.value).toBe(false)
          expect(uses.value.length).toBeGreaterThan(1)
        },
        { timeout: 20_000 },
      )
      const stage = said(store.compiled!)
      expect(said(card.shown.value!.pour!.compiled)).toEqual(stage)
      expect(said(ofRun.pictures.value.get('one')!.compiled)).toEqual(stage)
      const batches = store.compiled!.layers.flatMap(({ batch }) => (batch ? [batch] : []))
      expect(uses.value.slice(0, -1).map(({ batch }) => batch)).toEqual(
        batches.map((batch) => ({ ...batch, of: undefined })),
      )
    }),
    { numRuns: 8, seed: 4 },
  )
})
