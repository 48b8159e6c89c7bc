import { describe, expect, it } from 'vitest'
import { sayProblem } from '@mivro/words/problem'
import { Problem } from '../../../base/problem/index.ts'
import { closureOf, isClosed } from '../closure.ts'
import { measure } from '../measure.ts'
import { triangleCount } from '../mesh.ts'
import { buildSolid } from '../../shape/solids/solid.ts'
import { weld } from '../weld.ts'
import { inspectStl } from './inspect.ts'
import { readStl } from './readStl.ts'
import { writeStl } from './writeStl.ts'

const cube = () => writeStl(buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 }))
const text = (words: string) => new TextEncoder().encode(words)

/** The form of text STL that every program writes (format as published by its inventor in 1989, from memory). */
const tetrahedron = `solid tetra
${[
  [
    [0, 0, 0],
    [0, 10, 0],
    [10, 0, 0],
  ],
  [
    [0, 0, 0],
    [10, 0, 0],
    [0, 0, 10],
  ],
  [
    [0, 0, 0],
    [0, 0, 10],
    [0, 10, 0],
  ],
  [
    [10, 0, 0],
    [0, 10, 0],
    [0, 0, 10],
  ],
]
  .map(
    (corners) => `facet normal 0 0 0
  outer loop
${corners.map((c) => `    vertex ${c.map((x) => x.toExponential(6)).join(' ')}`).join('\n')}
  endloop
endfacet`,
  )
  .join('\n')}
endsolid tetra
`

describe('reading STL', () => {
  it('binary: 12 triangles, welded to 8 corners, closed, 8000 mm³', () => {
    const { mesh, dropped } = readStl(cube())
    expect([triangleCount(mesh), dropped]).toEqual([12, 0])
    const welded = weld(mesh)
    expect(welded.positions.length / 3).toBe(8)
    expect(isClosed(closureOf(welded))).toBe(true)
    expect(measure(welded).volume).toBeCloseTo(8000, 6)
  })

  it('text: a corner of a cube, a sixth of 1000 mm³', () => {
    const { mesh } = readStl(text(tetrahedron))
    expect(measure(mesh).volume).toBeCloseTo(1000 / 6, 6)
    expect(isClosed(closureOf(weld(mesh)))).toBe(true)
  })

  it('text with capitals, carriage returns and no final newline', () => {
    const { mesh } = readStl(text(tetrahedron.toUpperCase().replace(/\n/g, '\r\n').trim()))
    expect(triangleCount(mesh)).toBe(4)
  })

  it('a binary file that begins with "solid" is still binary', () => {
    const bytes = cube()
    bytes.set(text('solid from some program'))
    expect(inspectStl(bytes).form).toBe('binary')
  })

  it('bytes that lie at an odd address read the same', () => {
    const shifted = new Uint8Array(cube().length + 1)
    shifted.set(cube(), 1)
    expect(measure(readStl(shifted.subarray(1)).mesh).volume).toBeCloseTo(8000, 6)
  })

  it('−0 and +0 are one corner', () => {
    const bytes = cube()
    const view = new DataView(bytes.buffer)
    for (let i = 0; i < 12 * 12; i++) {
      const at = 84 + 50 * Math.floor(i / 12) + 4 * (i % 12)
      if (view.getFloat32(at, true) === 0 && i % 2) view.setFloat32(at, -0, true)
    }
    expect(weld(readStl(bytes).mesh).positions.length / 3).toBe(8)
  })
})

describe('files that are hostile or broken are refused with a reason', () => {
  const claiming = (count: number, bytes = cube()) => {
    new DataView(bytes.buffer).setUint32(80, count, true)
    return bytes
  }
  const refusals: [string, () => Uint8Array, RegExp][] = [
    [
      'cut off',
      () => cube().slice(0, 400),
      /announces 12 triangles and ends after 6: it was cut off/,
    ],
    [
      'a count too high',
      () => claiming(13),
      /announces 13 triangles and holds 12, so its count is wrong/,
    ],
    ['a count too low', () => claiming(3), /announces 3 triangles and holds 12/],
    [
      'a count of four billion',
      () => claiming(0xffffffff),
      /announces 4 294 967 295 triangles and holds 12/,
    ],
    [
      'a picture',
      () => Uint8Array.from({ length: 900 }, (_, i) => (i * 7) % 256),
      /not an STL file \(900 bytes/,
    ],
    ['nothing', () => new Uint8Array(0), /The file is empty/],
    ['too large', () => ({ byteLength: 200_000_001 }) as Uint8Array, /200 MB is the most/],
    ['only NaN', () => withAllCorners(NaN), /None of the 12 triangles holds usable numbers/],
    ['text cut off inside a facet', () => text(tetrahedron.slice(0, 380)), /can't be read/],
    [
      'text with a word for a number',
      () => text(tetrahedron.replace('1.000000e+1', 'ten')),
      /Line 5 of the text STL/,
    ],
  ]
  it.each(refusals)('%s', (_, bytes, says) => {
    expect(sayProblem(refused(bytes()))).toMatch(says)
  })

  it('triangles with NaN or infinity are left out and counted', () => {
    const bytes = cube()
    const view = new DataView(bytes.buffer)
    view.setFloat32(84 + 12, NaN, true)
    view.setFloat32(84 + 50 * 5 + 20, Infinity, true)
    const { mesh, dropped } = readStl(bytes)
    expect([triangleCount(mesh), dropped]).toEqual([10, 2])
  })

  function withAllCorners(value: number): Uint8Array {
    const bytes = cube()
    const view = new DataView(bytes.buffer)
    for (let t = 0; t < 12; t++) view.setFloat32(84 + 50 * t + 12, value, true)
    return bytes
  }
})

function refused(bytes: Uint8Array): Problem {
  try {
    readStl(bytes)
  } catch (error) {
    if (error instanceof Problem) return error
    throw error
  }
  throw new Error('nothing was refused')
}
