import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { cardLook } from './cardLook.ts'
import type { LookQuestion } from './drawLook.ts'
import { useLook } from './useLook.ts'

const asked: { side: number; on: string; signal?: AbortSignal; answer: () => void }[] = []
vi.mock('../ui/somebody.ts', () => ({ somebody: Promise.resolve() }))
vi.mock('../work/kept.ts', () => ({ keep: vi.fn(), kept: async () => undefined }))
vi.mock('../work/pool.ts', () => ({
  askLook: (
    { look }: { look: { view: { width: number } } },
    { on, signal }: { on: string; signal?: AbortSignal },
  ) =>
    new Promise((resolve, reject) => {
      signal?.throwIfAborted()
      signal?.addEventListener('abort', () => reject(signal.reason as Error))
      const answer = () => resolve(new Uint8ClampedArray())
      asked.push({ side: look.view.width, on, signal, answer })
    }),
}))
vi.stubGlobal(
  'ImageData',
  class {
    data = { set: () => {} }
  },
)

const question = {
  form: { from: 'sizes' },
  poured: { layers: [{ top: 0.01 }], things: [] },
  view: { turn: 0, lift: 0.5, width: 800, height: 600 },
  setting: { table: 'white', lamp: 'above' },
} as unknown as LookQuestion
const answerAll = async () => {
  for (const { answer } of asked.splice(0)) answer()
  await flushPromises()
}
beforeEach(() => void asked.splice(0))

describe('the finished look', () => {
  it('is drawn coarse first, then finer; where it is left, no further', async () => {
    const scope = effectScope()
    const { drawn, problem } = scope.run(() =>
      useLook(
        ref(),
        () => question,
        () => false,
      ),
    )!
    await flushPromises()
    expect(asked.map(({ side }) => side)).toEqual([100, 100])
    await answerAll()
    expect(drawn.value).toBe(100)
    expect(asked.map(({ side }) => side)).toEqual([400, 400])
    scope.stop()
    await flushPromises()
    expect(asked.every(({ signal }) => signal?.aborted)).toBe(true)
    expect(asked).toHaveLength(2)
    expect(problem.value).toBeUndefined()
  })
})

describe('pictures on cards', () => {
  const card = (turn: number, signal: AbortSignal) =>
    cardLook({ form: question.form, poured: question.poured, view: { turn, lift: 1 } }, signal)

  it('are drawn one after the other behind the screen, and not where the cards are left', async () => {
    const left = new AbortController()
    const pictures = [card(0, left.signal), card(1, left.signal)]
    await flushPromises()
    expect(asked.map(({ on }) => on)).toEqual(['back'])
    left.abort()
    expect(await Promise.all(pictures)).toEqual([undefined, undefined])
    expect(asked).toHaveLength(1)
    // Who comes next does not wait for them.
    void card(2, new AbortController().signal)
    await flushPromises()
    expect(asked).toHaveLength(2)
  })
})
