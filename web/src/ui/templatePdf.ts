import { paperSize } from '@mivro/core/base/paper'
import { makePdf } from './pdf.ts'

/** Points of one millimetre. */
const point = 72 / 25.4

/** A4 less its margins, mm; a larger template is said to need larger paper. */
const page = { width: 210, height: 297, margin: 8 }

const papers: [name: string, width: number, height: number][] = [
  ['A4', 210, 297],
  ['A3', 297, 420],
  ['A2', 420, 594],
  ['A1', 594, 841],
]

/** SVGs in millimetres as a PDF at true size, a page each, on the smallest paper that holds all. */
export async function templatePdf(drawings: readonly string[], title: string): Promise<Blob> {
  const sizes = drawings.map(paperSize)
  const w = Math.max(...sizes.map(({ width }) => width))
  const h = Math.max(...sizes.map(({ height }) => height))
  const title_ = 12
  const holds = ([, x, y]: (typeof papers)[number]) =>
    x >= w + 2 * page.margin && y >= h + 2 * page.margin + title_
  const paper = papers.find(holds) ?? papers[papers.length - 1]
  return makePdf({
    pageSize: { width: paper[1] * point, height: paper[2] * point },
    pageMargins: page.margin * point,
    defaultStyle: { font: 'Hanken', fontSize: 9 },
    info: { title },
    content: drawings.flatMap((svg, i) => [
      {
        text: `${title}, at true size on ${paper[0]}. Print at 100 %.`,
        bold: true,
        margin: [0, 0, 0, 8],
        pageBreak: i > 0 ? 'before' : undefined,
      },
      { svg, width: sizes[i].width * point, height: sizes[i].height * point },
    ]),
  })
}
