import { Problem } from '../../../base/problem/index.ts'
import { GrowingFloats } from '../file/growing.ts'
import { decodeText } from '../file/text.ts'

const number = /^[+-]?(\d+\.?\d*([e][+-]?\d+)?|\.\d+([e][+-]?\d+)?|nan(\([^)]*\))?|inf(inity)?)$/

/**
 * The corners of a text STL, 9 numbers a triangle, in the file's own unit; numbers that are none
 * are still among them.
 * Throws `Problem('stl-text-broken')` with the line that can't be read.
 */
export function readText(bytes: Uint8Array): Float64Array {
  const text = decodeText(bytes)
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
  return corners.take()
}

const keywords = new Set(['', 'solid', 'facet', 'outer', 'endloop', 'endsolid'])

function readNumber(word: string, line: number, words: string[]): number {
  if (!number.test(word)) broken(line, words)
  return Number(word)
}

function broken(line: number, words: string[]): never {
  throw new Problem('stl-text-broken', { line, text: words.join(' ').slice(0, 60) })
}
