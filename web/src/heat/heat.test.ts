import { describe, expect, it, vi } from 'vitest'
import type { Picture } from '@mivro/core/matter/cure'
import { filledIn, isoLines } from './isoLines.ts'
import { paint } from './paint.ts'
import { rampOf } from '../ui/ramp.ts'

const columns = 20
const rows = 10
/** A slope that rises by one from column to column; the upper right quarter is air. */
function slope(air = false): Picture {
  const values = Float32Array.from({ length: columns * rows }, (_, i) => i % columns)
  if (air) {
    for (let row = 5; row < rows; row++) {
      for (let column = 10; column < columns; column++) values[row * columns + column] = NaN
    }
  }
  return {
    columns,
    rows,
    left: 0,
    right: 1,
    bottom: 0,
    top: 1,
    values,
    mould: new Uint8Array(columns * rows),
  }
}

const temperature = rampOf('temperature')
const alpha = rampOf('alpha')

describe('lines of equal value', () => {
  it('a slope has upright lines where it passes their values', () => {
    const [line] = isoLines(slope(), [8], 200, 100)
    const xs = [...line.path.matchAll(/[ML]([\d.]+) /g)].map((found) => Number(found[1]))
    expect(xs.length).toBeGreaterThan(4)
    for (const x of xs) expect(Math.abs(x - 85)).toBeLessThan(6)
  })

  it('none is drawn for what is never reached, nor along the edge of the picture', () => {
    expect(isoLines(slope(), [50], 200, 100)).toEqual([])
    const [line] = isoLines(slope(), [8], 200, 100)
    expect(line.path).not.toMatch(/[ML]0\.0 |[ML]200\.0 /)
  })

  it('its number keeps clear of the right edge', () => {
    for (const { label } of isoLines(slope(), [4, 8, 12], 200, 100)) {
      expect(label!.x).toBeLessThan(182)
    }
  })

  it('air takes what lies beside it, so that no line runs along a surface', () => {
    const filled = filledIn(slope(true))
    expect([...filled].some(Number.isNaN)).toBe(false)
    expect(filled[7 * columns + 15]).toBe(9)
    const lines = isoLines(slope(true), [15], 200, 100)
    const ys = [...lines[0].path.matchAll(/[ML][\d.]+ ([\d.]+)/g)].map((found) => Number(found[1]))
    expect(Math.min(...ys)).toBeGreaterThan(35)
  })
})

describe('painting', () => {
  it('lays the lowest row last, and colours by the scale', () => {
    const put = vi.fn()
    const context = {
      createImageData: (width: number, height: number) => ({
        data: new Uint8ClampedArray(width * height * 4),
      }),
      putImageData: put,
    } as unknown as CanvasRenderingContext2D
    const picture = slope()
    picture.values.fill(0, 0, columns)
    paint(context, picture, temperature, { low: 0, high: columns - 1 })
    const { data } = put.mock.calls[0][0] as { data: Uint8ClampedArray }
    const pixel = (x: number, y: number) => [
      ...data.slice((y * columns + x) * 4, (y * columns + x) * 4 + 4),
    ]
    const [r, g, b] = temperature(0)
    expect(pixel(10, rows - 1)).toEqual([Math.round(r), Math.round(g), Math.round(b), 255])
    expect(pixel(columns - 1, 0)[0]).toBeGreaterThan(240)
  })

  it('one family of colour that only grows lighter with heat', () => {
    const light = (share: number) => {
      const [r, g, b] = temperature(share)
      return 0.3 * r + 0.59 * g + 0.11 * b
    }
    for (let i = 1; i <= 20; i++) expect(light(i / 20)).toBeGreaterThan(light((i - 1) / 20))
    expect(alpha(-1)).toEqual(alpha(0))
    expect(alpha(2)).toEqual(alpha(1))
  })
})
