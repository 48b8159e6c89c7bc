import { unzlibSync } from 'fflate'

/** A straight line as it is printed, points. */
export interface PrintedLine {
  length: number
}

type Matrix = [number, number, number, number, number, number]

/** Straight lines of a PDF as they come out of a printer, by its drawing commands. */
export function linesOf(pdf: Buffer): PrintedLine[] {
  const lines: PrintedLine[] = []
  for (const content of contentsOf(pdf)) {
    let matrix: Matrix = [1, 0, 0, 1, 0, 0]
    const stack: Matrix[] = []
    let numbers: number[] = []
    let at: [number, number] = [0, 0]
    const place = ([x, y]: [number, number]): [number, number] => [
      matrix[0] * x + matrix[2] * y + matrix[4],
      matrix[1] * x + matrix[3] * y + matrix[5],
    ]
    for (const word of content.split(/\s+/)) {
      if (/^[-+.\d]/.test(word)) {
        numbers.push(Number(word))
        continue
      }
      if (word === 'q') stack.push(matrix)
      if (word === 'Q') matrix = stack.pop() ?? matrix
      if (word === 'cm') matrix = multiplied(numbers.slice(-6) as Matrix, matrix)
      if (word === 'm') at = place(numbers.slice(-2) as [number, number])
      if (word === 'l') {
        const to = place(numbers.slice(-2) as [number, number])
        lines.push({ length: Math.hypot(to[0] - at[0], to[1] - at[1]) })
        at = to
      }
      numbers = []
    }
  }
  return lines
}

function contentsOf(pdf: Buffer): string[] {
  const text = pdf.toString('latin1')
  return [...text.matchAll(/stream\r?\n/g)].flatMap(({ index, 0: mark }) => {
    const from = index + mark.length
    const to = text.indexOf('endstream', from)
    try {
      return Buffer.from(unzlibSync(pdf.subarray(from, to))).toString('latin1')
    } catch {
      return []
    }
  })
}

const multiplied = (one: Matrix, [a, b, c, d, e, f]: Matrix): Matrix => [
  one[0] * a + one[1] * c,
  one[0] * b + one[1] * d,
  one[2] * a + one[3] * c,
  one[2] * b + one[3] * d,
  one[4] * a + one[5] * c + e,
  one[4] * b + one[5] * d + f,
]
