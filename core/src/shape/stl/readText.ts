import { Problem } from '../../problem/index.ts'

const number = /^[+-]?(\d+\.?\d*([e][+-]?\d+)?|\.\d+([e][+-]?\d+)?|nan(\([^)]*\))?|inf(inity)?)$/

/**
 * The corners of a text STL, 9 numbers a triangle, in the file's own unit.
 * Throws `Problem('stl-text-broken')` with the line that can't be read.
 */
export function readText(bytes: Uint8Array): { corners: Float32Array; dropped: number } {
  const text = new TextDecoder('latin1').decode(bytes)
  const corners = new GrowingFloats()
  let line = 0
  let inFacet = 0
  for (let start = 0; start < text.length;) {
    let end = text.indexOf('\n', start)
    if (end < 0) end = text.length
    line++
    const words = text.slice(start, end).trim().toLowerCase().split(/\s+/)
    start = end + 1
    if (words[0] === 'vertex') {
      if (words.length !== 4 || inFacet === 3) broken(line, words)
      for (let k = 1; k < 4; k++) corners.push(readNumber(words[k], line, words))
      inFacet++
    } else if (words[0] === 'endfacet') {
      if (inFacet !== 3) broken(line, words)
      inFacet = 0
    } else if (!keywords.has(words[0])) broken(line, words)
  }
  if (inFacet !== 0) broken(line, ['the file ends inside a facet'])
  return dropUnusable(corners.take())
}

const keywords = new Set(['', 'solid', 'facet', 'outer', 'endloop', 'endsolid'])

function readNumber(word: string, line: number, words: string[]): number {
  if (!number.test(word)) broken(line, words)
  return Number(word)
}

function broken(line: number, words: string[]): never {
  throw new Problem('stl-text-broken', { line, text: words.join(' ').slice(0, 60) })
}

/** Floats of unknown number: doubles when full, never sized by what a file claims. */
class GrowingFloats {
  private values = new Float32Array(9 * 1024)
  private length = 0

  push(value: number): void {
    if (this.length === this.values.length) {
      const larger = new Float32Array(this.values.length * 2)
      larger.set(this.values)
      this.values = larger
    }
    this.values[this.length++] = value
  }

  take(): Float32Array {
    return this.values.slice(0, this.length)
  }
}

/** Closes the gaps that triangles with NaN or infinity leave. */
function dropUnusable(corners: Float32Array): { corners: Float32Array; dropped: number } {
  let kept = 0
  for (let i = 0; i < corners.length; i += 9) {
    if (!corners.subarray(i, i + 9).every(Number.isFinite)) continue
    corners.copyWithin(kept, i, i + 9)
    kept += 9
  }
  return { corners: corners.slice(0, kept), dropped: (corners.length - kept) / 9 }
}
