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

/** An SVG in millimetres as a PDF at true size, on the smallest paper that holds it. */
export async function templatePdf(svg: string, title: string): Promise<Blob> {
  const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!
  const [w, h] = [Number(width), Number(height)]
  const title_ = 12
  const holds = ([, x, y]: (typeof papers)[number]) =>
    x >= w + 2 * page.margin && y >= h + 2 * page.margin + title_
  const paper = papers.find(holds) ?? papers[papers.length - 1]
  return makePdf({
    pageSize: { width: paper[1] * point, height: paper[2] * point },
    pageMargins: page.margin * point,
    defaultStyle: { font: 'Hanken', fontSize: 9 },
    info: { title },
    content: [
      {
        text: `${title}, at true size on ${paper[0]}. Print at 100 %.`,
        bold: true,
        margin: [0, 0, 0, 8],
      },
      { svg, width: w * point, height: h * point },
    ],
  })
}
