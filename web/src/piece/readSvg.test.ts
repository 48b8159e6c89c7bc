import { describe, expect, it } from 'vitest'
import { areaOfLoop, loopsOfPaths } from '@mivro/core/shape'
import { readSvg } from './readSvg.ts'

/** jsdom's files hold no text(); a browser's do. */
const drawing = (inner: string, attributes = 'width="60mm" viewBox="0 0 60 40"') => {
  const text = `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inner}</svg>`
  return { size: text.length, text: async () => text } as Blob
}

describe('the outlines of a drawing', () => {
  it('come in its own units, whose size it says by width and viewBox', async () => {
    const { paths, unit } = await readSvg(drawing('<path d="M0 0H60V40H0Z"/>'))
    expect(unit).toBeCloseTo(1e-3, 12)
    expect(paths).toHaveLength(1)
    expect(paths[0].closed).toBe(true)
    const [loop] = loopsOfPaths(paths, unit)
    expect(Math.abs(areaOfLoop(loop))).toBeCloseTo(0.06 * 0.04, 9)
  })

  it.each([
    ['inches', 'width="2in" viewBox="0 0 100 50"', 0.0508 / 100],
    // CSS: 96 pixels to the inch.
    ['pixels', 'width="96" viewBox="0 0 96 96"', 0.0254 / 96],
    ['no width', 'viewBox="0 0 10 10"', 0.0254 / 96],
    ['a share of the page', 'width="100%" viewBox="0 0 10 10"', 0.0254 / 96],
  ])('%s', async (_, attributes, metres) => {
    const { unit } = await readSvg(drawing('<path d="M0 0H5V5Z"/>', attributes))
    expect(unit).toBeCloseTo(metres, 12)
  })

  it('curves become points: a circle of 20 mm', async () => {
    const { paths, unit } = await readSvg(drawing('<circle cx="20" cy="20" r="10"/>'))
    const [loop] = loopsOfPaths(paths, unit)
    expect(Math.abs(areaOfLoop(loop)) / (Math.PI * 0.01 ** 2)).toBeCloseTo(1, 2)
  })

  it('a path that is not closed stays open, to be refused with its gap', async () => {
    const { paths, unit } = await readSvg(drawing('<path d="M0 0L60 0L60 40"/>'))
    expect(paths[0].closed).toBe(false)
    expect(() => loopsOfPaths(paths, unit)).toThrow('outline-open')
  })

  it('what is no SVG is refused', async () => {
    const broken = { size: 9, text: async () => '<svg <oops' } as Blob
    await expect(readSvg(broken)).rejects.toMatchObject({ code: 'file-broken' })
    const huge = { size: 3e7, text: async () => '' } as Blob
    await expect(readSvg(huge)).rejects.toMatchObject({ code: 'file-too-large' })
  })
})
