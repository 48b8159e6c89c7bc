import type { LookQuestion } from './drawLook.ts'
import { somebody } from '../ui/somebody.ts'
import { keep, kept } from '../work/kept.ts'
import { askLook } from '../work/pool.ts'

/** A picture on a card, px: twice what is shown, so that its edges are smooth. */
const size = { width: 584, height: 400 } as const

/** One after the other: the screen that is open goes first. */
let before: Promise<unknown> = Promise.resolve()

/**
 * A small picture of the finished piece for its card, drawn once for each pour; none where it
 * can't be drawn, or nobody waits for it any more.
 */
export async function cardLook(
  question: Pick<LookQuestion, 'form' | 'poured'> & { view: { turn: number; lift: number } },
  signal: AbortSignal,
): Promise<string | undefined> {
  const { form, poured } = question
  const view = { ...question.view, ...size }
  const look = { ...poured, view, setting: { table: 'white', lamp: 'behind' } as const }
  const key = `card ${JSON.stringify({ form, look })}`
  const known = await kept(key)
  if (typeof known === 'string') return known
  await somebody
  const mine = before.then(async () => {
    try {
      const picture = drawn(await askLook({ form, look }, { on: 'back', signal }))
      keep(key, picture)
      return picture
    } catch {
      return undefined
    }
  })
  before = mine
  return mine
}

function drawn(pixels: Uint8ClampedArray<ArrayBuffer>): string {
  const canvas = document.createElement('canvas')
  canvas.width = size.width
  canvas.height = size.height
  canvas.getContext('2d')!.putImageData(new ImageData(pixels, size.width, size.height), 0, 0)
  return canvas.toDataURL('image/png')
}
