import { drawLook, type LookQuestion } from './drawLook.ts'

/** Pictures once around a piece, and how they stand on their sheet. */
const count = 24
const columns = 6

/** Side of one picture, px. */
const side = 320

/** All around a piece in one PNG, as a contact sheet; told how many are drawn. */
export async function turntable(
  question: LookQuestion,
  tell: (drawn: number) => void,
): Promise<Blob> {
  const canvas = document.createElement('canvas')
  canvas.width = columns * side
  canvas.height = (count / columns) * side
  const context = canvas.getContext('2d')!
  for (let i = 0; i < count; i++) {
    const turn = question.view.turn + (2 * Math.PI * i) / count
    const view = { ...question.view, turn, width: side, height: side }
    const picture = await drawLook({ ...question, view })
    context.putImageData(picture, (i % columns) * side, Math.floor(i / columns) * side)
    tell(i + 1)
  }
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png'),
  )
}
