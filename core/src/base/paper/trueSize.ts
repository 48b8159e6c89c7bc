/** The line that shows whether a printer kept the size, m. */
export const checkLine = 0.05

/** Around what is drawn, mm. */
export const margin = 8

/** The sentence under the check line is this wide in print, mm. */
const sentenceWidth = 76

/**
 * Drawn lines as an SVG at true size, in millimetres, with a 50 mm line to check the print and
 * what is said about it over that.
 */
export function trueSize(
  left: number,
  top: number,
  drawn: number,
  height: number,
  lines: string[],
  checkAt: number,
  check: string,
): string {
  const width = Math.max(drawn, sentenceWidth + 2 * margin)
  const start = left + margin
  const length = checkLine * 1000
  const line = [
    `<path d="M${start} ${checkAt}h${length}m0 -2v4m${-length} 0v-4" fill="none" stroke="#14312f" stroke-width="0.3"/>`,
    `<text x="${start}" y="${checkAt - 2.6}" font-size="3" fill="#14312f">${check}</text>`,
  ]
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(2)}mm" height="${height.toFixed(2)}mm" viewBox="${left.toFixed(2)} ${top.toFixed(2)} ${width.toFixed(2)} ${height.toFixed(2)}" font-family="sans-serif">${[...lines, ...line].join('')}</svg>`
}

/** Sizes of an SVG of `trueSize`, mm. @example paperSize(trueSize(0, 0, 100, 40, [], 30, '')) // { width: 100, height: 40 } */
export function paperSize(svg: string): { width: number; height: number } {
  const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!
  return { width: Number(width), height: Number(height) }
}

/**
 * Several such drawings as one, below each other.
 *
 * @example paperSize(onOneSheet([1, 2].map(() => trueSize(0, 0, 100, 40, [], 30, '')))).height // 80
 */
export function onOneSheet(drawings: readonly string[]): string {
  const sizes = drawings.map(paperSize)
  const width = Math.max(...sizes.map((size) => size.width))
  let top = 0
  const placed = drawings.map((svg, i) => {
    const at = svg.replace('<svg ', `<svg y="${top.toFixed(2)}" `).replaceAll('mm"', '"')
    top += sizes[i].height
    return at
  })
  const box = `width="${width.toFixed(2)}mm" height="${top.toFixed(2)}mm" viewBox="0 0 ${width.toFixed(2)} ${top.toFixed(2)}"`
  return `<svg xmlns="http://www.w3.org/2000/svg" ${box}>${placed.join('')}</svg>`
}
