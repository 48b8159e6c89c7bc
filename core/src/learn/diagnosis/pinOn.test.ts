import { expect, it } from 'vitest'
import { ontoSection, section, turnThrough } from '../../form/filling/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { pinOn } from './pinOn.ts'

// 60 mm wide, 20 mm tall, its foot at height 0 of the cut.
const cut = section(
  buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 }),
  [0, 0, 1],
)

it('a pin inside is there, as deep as the nearest wall is far', () => {
  const { at, under } = pinOn(cut, 0.01, 0.005)
  expect(at[0]).toBeCloseTo(0.01, 9)
  expect(under).toBeCloseTo(0.005, 9)
})

it('a little beside the piece it is on its skin', () => {
  const { at, under } = pinOn(cut, 0.032, 0.01)
  expect(at[0]).toBeCloseTo(0.03, 9)
  expect(under).toBe(0)
})

it('beside the piece it is refused, with how far', () => {
  expect(() => pinOn(cut, 0.05, 0.01)).toThrow('pin-outside')
  try {
    pinOn(cut, 0.05, 0.01)
  } catch (error) {
    expect((error as { amounts: { miss: number } }).amounts.miss).toBeCloseTo(0.02, 9)
  }
})

it('a cut that is turned through a pin has it in its plane', () => {
  const mesh = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
  const at: [number, number, number] = [0.01, 0.012, 0.005]
  const turned = section(mesh, [0, 0, 1], turnThrough(cut, at, 0))
  expect(Math.abs(ontoSection(cut, at).behind)).toBeCloseTo(0.012, 9)
  expect(ontoSection(turned, at).behind).toBeCloseTo(0, 9)
})
