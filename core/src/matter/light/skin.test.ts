import { describe, expect, it } from 'vitest'
import { buildSolid } from '../../form/shape/index.ts'
import type { Mesh, Vec3 } from '../../form/mesh/index.ts'
import { burnishOf } from './burnish.ts'
import { LookMaker, type Look } from './look.ts'
import { ends } from './paths.ts'
import { slab, up } from './samples.ts'
import { standOnTable } from './standing.ts'
import { skinMirrors } from './traceRay.ts'
import { traceView } from './view.ts'

const mm = 1e-3
const ball = buildSolid({ solid: 'ball', diameter: 40 * mm })

/** A gutter of a radius along x, its hollow upwards, among level ground. */
function gutter(radius: number): Mesh {
  const [across, along] = [40, 12]
  const positions: number[] = []
  const triangles: number[] = []
  for (let j = 0; j <= along; j++) {
    for (let i = 0; i <= across; i++) {
      const y = (i / across - 0.5) * 6 * radius
      const z = Math.abs(y) < radius ? -Math.sqrt(radius ** 2 - y ** 2) : 0
      positions.push((j * 6 * radius) / across, y, z)
      if (i === across || j === along) continue
      const [a, b] = [j * (across + 1) + i, (j + 1) * (across + 1) + i]
      triangles.push(a, b, a + 1, b, b + 1, a + 1)
    }
  }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}

describe('what a pad burnishes', () => {
  it('all of a ball and of level faces', () => {
    expect(Math.min(...burnishOf(ball))).toBeGreaterThan(0.99)
    expect(Math.min(...burnishOf(slab))).toBeGreaterThan(0.99)
  })

  it('less of a hollow, the tighter it is', () => {
    const floor = (radius: number) => {
      const mesh = gutter(radius)
      const burnish = burnishOf(mesh)
      return burnish[6 * 41 + 20]
    }
    expect(floor(1.5 * mm)).toBeLessThan(0.3)
    expect(floor(6 * mm)).toBeGreaterThan(0.5)
    expect(floor(60 * mm)).toBeGreaterThan(0.95)
  })
})

it('a hollow cast is seen through its walls alone', () => {
  const dark = { k: new Float64Array(8).fill(60), s: new Float64Array(8) } as never
  const look = (wall?: number): Look => ({
    hollow: wall === undefined ? undefined : { wall, bottom: 0 },
    ...{ up, stands: up, things: [], view: { turn: 0, lift: 0.5, width: 25, height: 25 } },
    setting: { table: 'white', lamp: 'above' },
    layers: [{ top: 0.04, join: 'crisp', matter: dark }],
  })
  const middle = (of: Look) => new LookMaker(ball).linear(of)[3 * (12 * 25 + 12)]
  // 40 mm of it let a tenth through, twice 3 mm two thirds (Beer and Lambert).
  expect(middle(look())).toBeLessThan(0.25)
  expect(middle(look(0.003))).toBeGreaterThan(2 * middle(look()))
})

describe('a metal skin', () => {
  const view = { turn: 0.4, lift: 0.5, width: 24, height: 24 }
  const look: Look = {
    ...{ up, stands: up as Vec3, layers: [], things: [], view },
    setting: { table: 'white', lamp: 'front' },
    skin: '#b06a3a',
  }

  it('lets no light in, mirrors half where it is bright, and no more than all comes back', () => {
    const piece = standOnTable(ball, up, { skin: true })
    const paths = traceView({ piece, levels: new Float64Array(), index: 1.53 }, view)
    let seen = 0
    for (let i = 0; i < paths.count; i++) {
      expect(paths.starts[i + 1]).toBe(paths.starts[i])
      expect(paths.weight[i] + paths.sheen[i]).toBeLessThanOrEqual(1 + 1e-6)
      if (paths.end[i] !== ends.skin) continue
      seen++
      expect(paths.sheen[i]).toBeCloseTo(skinMirrors, 2)
    }
    expect(seen).toBeGreaterThan(100)
  })

  it('has the colour of its metal, whatever resin is behind it', () => {
    const middle = (of: Look) => {
      const light = new LookMaker(ball).linear(of)
      const at = 3 * (12 * 24 + 12)
      return [...light.subarray(at, at + 3)]
    }
    const [red, green, blue] = middle(look)
    expect(red).toBeGreaterThan(1.5 * green)
    expect(green).toBeGreaterThan(1.2 * blue)
    const resin = { k: new Float64Array(8).fill(400), s: new Float64Array(8) }
    const over = middle({ ...look, layers: [{ top: 0.04, join: 'crisp', matter: resin as never }] })
    expect(over).toEqual([red, green, blue])
    const bare = middle({ ...look, skin: undefined })
    expect(Math.abs(bare[0] / bare[2] - 1)).toBeLessThan(0.3)
  })
})
