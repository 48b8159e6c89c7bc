import fc from 'fast-check'
import { problemCodes } from '@mivro/words/problem'
import { describe, expect, it } from 'vitest'
import { Problem } from '../../../base/problem/index.ts'
import { cavityOf } from '../cavity.ts'
import { triangleCount } from '../mesh.ts'
import { buildSolid } from '../../shape/solids/solid.ts'
import { weld } from '../weld.ts'
import { readStl } from './readStl.ts'
import { writeStl } from './writeStl.ts'

/** Reads bytes as far as they go: a shape, or one of our own problems, never another error. */
function outcome(bytes: Uint8Array): string {
  try {
    const { mesh } = readStl(bytes)
    cavityOf(weld(mesh))
    return 'read'
  } catch (error) {
    if (error instanceof Problem) return error.code
    throw error
  }
}

describe('whatever bytes come, they are read or refused by name', () => {
  const known = ['read', ...problemCodes]

  it('random bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 600 }), (bytes) => {
        expect(known).toContain(outcome(bytes))
      }),
      { numRuns: 300 },
    )
  })

  it('a good file with some bytes changed', () => {
    const good = writeStl(buildSolid({ solid: 'drop', width: 0.03, height: 0.04, facets: 6 }))
    const change = fc.tuple(fc.nat(good.length - 1), fc.nat(255))
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 12 }), (changes) => {
        const bytes = good.slice()
        for (const [at, value] of changes) bytes[at] = value
        expect(known).toContain(outcome(bytes))
      }),
      { numRuns: 300 },
    )
  })

  it('a good file cut anywhere', () => {
    const good = writeStl(buildSolid({ solid: 'block', width: 0.03, depth: 0.02, height: 0.04 }))
    for (let length = 0; length < good.length; length += 7) {
      expect(outcome(good.subarray(0, length))).toMatch(
        /^(file-empty|stl-(not-stl|truncated|count))$/,
      )
    }
  })

  it('random lines that begin like a text file', () => {
    const word = fc.constantFrom(
      'facet',
      'outer loop',
      'vertex 1 2 3',
      'vertex',
      'endloop',
      'endfacet',
      'vertex a b c',
      '',
    )
    fc.assert(
      fc.property(fc.array(word, { maxLength: 30 }), (lines) => {
        const text = ['solid x facet', ...lines, 'endsolid'].join('\n')
        expect(known).toContain(outcome(new TextEncoder().encode(text)))
      }),
      { numRuns: 300 },
    )
  })
})

describe('writing', () => {
  it('what is written is read back with as many faces, for any solid', () => {
    const size = fc.double({ min: 0.002, max: 0.3, noNaN: true })
    fc.assert(
      fc.property(size, size, size, (width, depth, height) => {
        const mesh = buildSolid({ solid: 'block', width, depth, height })
        expect(triangleCount(readStl(writeStl(mesh)).mesh)).toBe(12)
      }),
      { numRuns: 50 },
    )
  })

  it('normals are of length one and point outward (the published layout: 12 floats and 2 bytes)', () => {
    const bytes = writeStl(buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 }))
    const view = new DataView(bytes.buffer)
    for (let t = 0; t < 12; t++) {
      const at = (k: number) => view.getFloat32(84 + 50 * t + 4 * k, true)
      const normal = [at(0), at(1), at(2)]
      expect(Math.hypot(...normal)).toBeCloseTo(1, 6)
      // The cube stands on the ground: its middle is at 10 mm.
      const outward = normal[0] * at(3) + normal[1] * at(4) + normal[2] * (at(5) - 10)
      expect(outward).toBeCloseTo(10, 4)
      expect(view.getUint16(84 + 50 * t + 48, true)).toBe(0)
    }
  })
})
