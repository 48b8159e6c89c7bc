import { expect, it } from 'vitest'
import { arrowStep } from './arrowStep.ts'

const key = (name: string, shiftKey = false) =>
  new KeyboardEvent('keydown', { key: name, shiftKey, cancelable: true })

it('arrows move right and up by a step, ten of them with Shift, and scroll nothing', () => {
  const left = key('ArrowLeft')
  expect(arrowStep(left, 0.5)).toEqual([-0.5, 0])
  expect(left.defaultPrevented).toBe(true)
  expect(arrowStep(key('ArrowUp', true), 0.5)).toEqual([0, 5])
  expect(arrowStep(key('ArrowDown', true), 0.5, 1)).toEqual([0, -0.5])
  const other = key('Enter')
  expect(arrowStep(other, 0.5)).toBeUndefined()
  expect(other.defaultPrevented).toBe(false)
})
