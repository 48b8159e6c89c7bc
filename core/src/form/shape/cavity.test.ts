import { describe, expect, it } from 'vitest'
import { sayCaution } from '@mivro/words/caution'
import { sayProblem } from '@mivro/words/problem'
import { problemsOf } from '../../base/problem/index.ts'
import { cavityOf } from '../mesh/cavity.ts'
import { closureOf } from '../mesh/closure.ts'
import { suggestUnit } from '../mesh/fileUnit.ts'
import { measure } from '../mesh/measure.ts'
import { scaleInPlace, type Mesh } from '../mesh/mesh.ts'
import { section } from '../filling/section.ts'
import { lathe } from './solids/lathe.ts'
import { buildSolid } from './solids/solid.ts'

const cube = (side = 0.02) => buildSolid({ solid: 'block', width: side, depth: side, height: side })
const without = (mesh: Mesh, faces: number[]): Mesh => ({
  positions: mesh.positions,
  triangles: mesh.triangles.filter((_, i) => !faces.includes(Math.floor(i / 3))),
})
const says = (mesh: Mesh) => cavityOf(mesh).cautions.map((c) => sayCaution(c))
const refusal = (mesh: Mesh) => {
  try {
    cavityOf(mesh)
  } catch (error) {
    return sayProblem(problemsOf(error)[0])
  }
  return 'taken'
}

describe('how a surface closes', () => {
  it('a missing face is one hole with three open edges', () => {
    expect(closureOf(without(cube(), [2]))).toEqual({
      openEdges: 3,
      holes: 1,
      tangledEdges: 0,
      flippedEdges: 0,
    })
  })

  it('two missing sides that do not touch are two holes', () => {
    expect(closureOf(without(cube(), [0, 1, 2, 3]))).toMatchObject({ openEdges: 8, holes: 2 })
  })

  it('a face that looks inward is found by its edges', () => {
    const mesh = cube()
    const [a, b] = [mesh.triangles[1], mesh.triangles[2]]
    mesh.triangles[1] = b
    mesh.triangles[2] = a
    expect(closureOf(mesh)).toMatchObject({ openEdges: 0, flippedEdges: 3 })
  })

  it('the hub of a large fan is sorted like any other', () => {
    expect(
      closureOf(
        lathe(
          [
            [1, 0],
            [0, 1],
          ],
          5000,
        ),
      ),
    ).toMatchObject({ openEdges: 0, tangledEdges: 0 })
  })
})

describe('a cavity', () => {
  it('an open mesh is allowed, its holes counted, with a band that holds the true volume', () => {
    const open = cavityOf(without(cube(), [0, 1]))
    expect(says(without(cube(), [0, 1]))[0]).toMatch(
      /has 1 hole \(4 open edges\), so the volume is only known to ±/,
    )
    expect(Math.abs(open.measures.volume - 8e-6)).toBeLessThanOrEqual(open.measures.volumeBand)
  })

  it('parts that touch and faces that look inward are each said', () => {
    const tangled = cube()
    tangled.triangles = Uint32Array.from([...tangled.triangles, 0, 1, 6, 1, 0, 6])
    expect(says(tangled)[0]).toMatch(
      /2 edges belong to more than two faces, so parts touch or cross/,
    )
    const flipped = cube()
    ;[flipped.triangles[1], flipped.triangles[2]] = [flipped.triangles[2], flipped.triangles[1]]
    expect(says(flipped)[0]).toMatch(/3 edges join faces that look to opposite sides/)
  })

  it('a flat sheet has no volume, and is refused', () => {
    const sheet: Mesh = {
      positions: Float64Array.from([0, 0, 0, 0.05, 0, 0, 0, 0.05, 0]),
      triangles: Uint32Array.from([0, 1, 2, 0, 2, 1]),
    }
    expect(refusal(sheet)).toMatch(/surface of 2 triangles encloses no volume/)
  })

  it('a size no bench holds is refused at the unit', () => {
    expect(refusal(cube(20))).toMatch(
      /would be 20000 mm at its longest, too large for the bench. Choose a smaller unit/,
    )
    expect(refusal(scaleInPlace(cube(), 0.01))).toMatch(/too small to cast. Choose a larger unit/)
  })
})

describe('the unit of a file', () => {
  it.each([
    [40, 'mm', false],
    [2, 'cm', true],
    [0.4, 'in', true],
    [0.05, 'm', true],
  ])('a part %d units long is probably in %s', (side, unit, doubtful) => {
    expect(suggestUnit(cube(side))).toMatchObject({ unit, doubtful })
  })

  it('four inches, written as 4, may be centimetres as well: both are named', () => {
    expect(suggestUnit(cube(4)).likely).toEqual(['cm', 'in'])
  })
})

describe('the section', () => {
  const areaOf = (points: Float64Array) => {
    let twice = 0
    for (let i = 0; i < points.length; i += 2) {
      const j = (i + 2) % points.length
      twice += points[i] * points[j + 1] - points[j] * points[i + 1]
    }
    return Math.abs(twice / 2)
  }

  it('a cylinder is cut to its rectangle, whichever way it is turned', () => {
    const cylinder = lathe(
      [
        [0.02, 0],
        [0.02, 0.03],
      ],
      256,
    )
    for (const turn of [0, 0.4, 1.3]) {
      const cut = section(cylinder, [0, 0, 1], turn)
      expect(cut.outlines).toHaveLength(1)
      expect(cut.outlines[0].closed).toBe(true)
      expect(areaOf(cut.outlines[0].points) / (0.04 * 0.03)).toBeCloseTo(1, 3)
    }
  })

  it('lying on its side a cylinder is cut to its circle or its rectangle', () => {
    const cylinder = lathe(
      [
        [0.02, 0],
        [0.02, 0.03],
      ],
      256,
    )
    const areas = [0, Math.PI / 2].map((turn) =>
      areaOf(section(cylinder, [1, 0, 0], turn).outlines[0].points),
    )
    areas.sort((a, b) => a - b)
    expect(areas[0] / (0.04 * 0.03)).toBeCloseTo(1, 3)
    expect(areas[1] / (Math.PI * 0.02 ** 2)).toBeCloseTo(1, 3)
  })

  it('heights begin at the lowest point', () => {
    const mesh = cube()
    for (let i = 2; i < mesh.positions.length; i += 3) mesh.positions[i] += 7
    const { points } = section(mesh, [0, 0, 1]).outlines[0]
    const heights = [...points].filter((_, i) => i % 2)
    expect(Math.min(...heights)).toBeCloseTo(0, 9)
    expect(Math.max(...heights)).toBeCloseTo(0.02, 9)
    expect(measure(mesh).low[2]).toBeCloseTo(7, 9)
  })

  it('an open mesh gives open runs', () => {
    const cut = section(without(cube(), [2, 3]), [0, 0, 1], 0.3)
    expect(cut.outlines.some((outline) => !outline.closed) || cut.outlines.length === 1).toBe(true)
  })
})
