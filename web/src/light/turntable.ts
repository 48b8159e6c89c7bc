import { drawLook, type LookQuestion } from './drawLook.ts'

/** Pictures once around a piece. */
export const turns = 24
/** In so many columns on a contact sheet. */
const columns = 6
/** Side of one picture, px. */
const side = 320
/** How long each picture of an animation stays, ms. */
const stays = 90

type Make = (question: LookQuestion, tell: (drawn: number) => void) => Promise<Blob>

/** What was drawn last: saved in another form it is not drawn anew. */
let last: { key: string; pictures: ImageData[] } | undefined

/** Every picture around a piece, told how many are drawn. */
async function around(question: LookQuestion, tell: (drawn: number) => void): Promise<ImageData[]> {
  const key = JSON.stringify(question)
  if (last?.key === key) return last.pictures
  const pictures: ImageData[] = []
  for (let i = 0; i < turns; i++) {
    const turn = question.view.turn + (2 * Math.PI * i) / turns
    const view = { ...question.view, turn, width: side, height: side }
    pictures.push(await drawLook({ ...question, view }))
    tell(i + 1)
  }
  last = { key, pictures }
  return pictures
}

/** All around a piece in one PNG, side by side. */
const contactSheet: Make = async (question, tell) => {
  const canvas = document.createElement('canvas')
  canvas.width = columns * side
  canvas.height = (turns / columns) * side
  const context = canvas.getContext('2d')!
  for (const [i, picture] of (await around(question, tell)).entries()) {
    context.putImageData(picture, (i % columns) * side, Math.floor(i / columns) * side)
  }
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png'),
  )
}

/** All around a piece in one PNG that turns. */
const animated: Make = async (question, tell) => {
  const pictures = await around(question, tell)
  const { default: png } = await import('upng-js')
  const frames = pictures.map(({ data }) => data.buffer as ArrayBuffer)
  const bytes = png.encode(frames, side, side, 0, Array<number>(turns).fill(stays))
  return new Blob([bytes], { type: 'image/png' })
}

export const turntables = { turntable: animated, 'contact-sheet': contactSheet }
export type Turntable = keyof typeof turntables
