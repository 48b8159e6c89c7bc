import { describe, expect, it } from 'vitest'
import { buildSolid } from '@mivro/core/form/shape'
import { section } from '@mivro/core/form/filling'
import { frameFor } from './frame.ts'
import { marksOn } from './marks.ts'

const slab = buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 })
const cut = section(slab, [0, 0, 1])
const frame = frameFor(cut, 784, 440, 'closed')
const disc = {
  size: { shape: 'disc', across: 0.006, thickness: 0.001 } as const,
  floor: 0.01,
  places: [{ x: 0.008, y: 0.004, turn: 0 }],
  colour: '#c99a3a',
}

describe('things on a section', () => {
  it('stand where they lie across, on the height where they rest, as large as they are', () => {
    const [mark] = marksOn(frame, 0, [disc])
    expect(mark.x + mark.wide / 2).toBeCloseTo(frame.x(0.008), 9)
    expect(mark.y + mark.tall).toBeCloseTo(frame.y(0.01), 9)
    expect(mark.wide).toBeCloseTo(frame.x(0.006) - frame.x(0), 9)
  })

  it('turn with the cut: by a quarter what lay away lies across', () => {
    const [mark] = marksOn(frame, Math.PI / 2, [disc])
    expect(mark.x + mark.wide / 2).toBeCloseTo(frame.x(0.004), 9)
  })

  it('leaf is drawn, however thin', () => {
    const leaf = { ...disc, size: { ...disc.size, thickness: 1e-7 } }
    expect(marksOn(frame, 0, [leaf])[0].tall).toBeGreaterThan(1)
  })
})
