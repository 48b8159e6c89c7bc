import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { drawLook, type LookQuestion } from './drawLook.ts'

/** Sides of the pictures while a piece is turned, when it is let go, and when it stays, px. */
const sides = [100, 400, 800] as const

/**
 * Draws a look on a canvas, coarse at first, then finer; while `moving` no finer than a hand can
 * wait for. What has changed meanwhile is drawn next: nothing stale stays.
 */
export function useLook(
  canvas: Ref<HTMLCanvasElement | undefined>,
  question: () => LookQuestion | undefined,
  moving: () => boolean,
) {
  const problem = shallowRef<Problem>()
  const busy = ref(false)
  /** Side of the picture that is shown, px; 0 before the first. */
  const drawn = ref(0)
  /** Where the piece is left, nothing more is drawn of it. */
  const left = new AbortController()
  onScopeDispose(() => left.abort())
  let seen = ''

  async function follow(): Promise<void> {
    if (busy.value) return
    busy.value = true
    try {
      for (let asked = question(); asked;) {
        try {
          await refine(asked)
          problem.value = undefined
        } catch (error) {
          if (left.signal.aborted) return
          problem.value = problemsOf(error)[0]
        }
        const newest = question()
        if (newest === asked) break
        asked = newest
      }
    } finally {
      busy.value = false
    }
  }

  async function refine(asked: LookQuestion): Promise<void> {
    // From where it was seen before, a change of colour is shown as fine as it stands.
    const view = JSON.stringify([asked.form, asked.view, asked.poured.layers.map(({ top }) => top)])
    const first = view === seen ? 1 : 0
    seen = view
    for (const side of sides.slice(first)) {
      if (question() !== asked || (moving() && side > sides[first])) return
      const { width, height } = asked.view
      const scale = side / Math.max(width, height)
      const view = {
        ...asked.view,
        width: Math.max(1, Math.round(width * scale)),
        height: Math.max(1, Math.round(height * scale)),
      }
      paint(await drawLook({ ...asked, view }, left.signal))
      drawn.value = side
    }
  }

  function paint(picture: ImageData): void {
    const { value: element } = canvas
    if (!element) return
    element.width = picture.width
    element.height = picture.height
    element.getContext('2d')!.putImageData(picture, 0, 0)
  }

  watch([question, () => moving()], follow, { immediate: true, flush: 'post' })

  return { problem, busy, drawn }
}
