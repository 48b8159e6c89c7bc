import type { Look } from '@mivro/core/matter/light'
import type { PouredLook } from '@mivro/core/work/plan'
import type { Form } from '@mivro/core/form/piece'
import { askLook } from '../work/pool.ts'

/** A picture that is asked for: which piece, how it was poured, from where it is seen. */
export interface LookQuestion {
  form: Form
  poured: PouredLook
  view: Look['view']
  setting: Look['setting']
}

/** Bands of rows are asked of workers side by side. */
const hands = ['light', 'light too'] as const

/** The pixels of a look. */
export async function drawLook(
  { form, poured, view, setting }: LookQuestion,
  signal?: AbortSignal,
): Promise<ImageData> {
  const { width, height } = view
  const bounds = hands.map((_, i) => Math.round((i * height) / hands.length))
  const bands = await Promise.all(
    hands.map((on, i) => {
      const rows = [bounds[i], bounds[i + 1] ?? height] as const
      return askLook({ form, look: { ...poured, view, setting, rows } }, { on, signal })
    }),
  )
  const picture = new ImageData(width, height)
  bands.forEach((band, i) => picture.data.set(band, 4 * width * bounds[i]))
  return picture
}
