import type { Form } from '@mivro/core/piece'
import { token } from '../theme/token.ts'
import { keep, kept } from '../work/kept.ts'
import { askSurface } from '../work/pool.ts'

/** Side of a small picture, px. */
const side = 84

/** Somebody is at the page: drawing in 3D is fetched no sooner, the first screen is light. */
const somebody = new Promise<void>((here) => {
  for (const sign of ['pointermove', 'keydown', 'touchstart']) {
    addEventListener(sign, () => here(), { once: true, passive: true })
  }
})

/** One after the other: each takes a drawing context of its own. */
let before: Promise<unknown> = Promise.resolve()

/** A small picture of a shape in 3D, drawn once for each shape; none where there is no WebGL. */
export async function thumbnailOf(form: Form): Promise<string | undefined> {
  const key = `thumbnail ${side} ${JSON.stringify(form)}`
  const known = await kept(key)
  if (typeof known === 'string') return known
  await somebody
  const mine = before.then(async () => {
    try {
      const { pictureOf } = await import('./solidScene.ts')
      const picture = pictureOf(await askSurface(form), token('honey'), side)
      keep(key, picture)
      return picture
    } catch {
      return undefined
    }
  })
  before = mine
  return mine
}
