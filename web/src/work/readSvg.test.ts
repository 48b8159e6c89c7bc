import { describe, expect, it } from 'vitest'
import { areaOfLoop, loopsOfPaths } from '@mivro/core/form/shape'
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
    const [{ loop }] = loopsOfPaths(paths, unit)
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
    const [{ loop }] = loopsOfPaths(paths, unit)
    expect(Math.abs(areaOfLoop(loop)) / (Math.PI * 0.01 ** 2)).toBeCloseTo(1, 2)
  })

  it('a path that is not closed stays open, to be refused with its gap', async () => {
    const { paths, unit } = await readSvg(drawing('<path d="M0 0L60 0L60 40"/>'))
    expect(paths[0].closed).toBe(false)
    expect(() => loopsOfPaths(paths, unit)).toThrow('outline-open')
  })

  it('how a path that meets itself is filled comes with it, each shape by its number', async () => {
    const { paths } = await readSvg(
      drawing('<path fill-rule="evenodd" d="M0 0H9V9Z"/><path d="M0 0H9V9Z M1 1H5V5Z"/>'),
    )
    expect(paths.map(({ shape, rule }) => [shape, rule])).toEqual([
      [0, 'evenodd'],
      [1, 'nonzero'],
      [1, 'nonzero'],
    ])
  })

  const uses = (levels: number) =>
    Array.from(
      { length: levels },
      (_, i) => `<g id="l${i + 1}"><use href="#l${i}"/><use href="#l${i}" x="1"/></g>`,
    ).join('')
  it.each([
    ['a part that uses itself', '<g id="a"><use href="#a"/></g>', 'drawing-broken'],
    [
      'two that use one another',
      '<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>',
      'drawing-broken',
    ],
    [
      '<use> doubled 20 times',
      `<rect id="l0" width="1" height="1"/>${uses(20)}`,
      'drawing-too-large',
    ],
    ['100,000 rectangles', '<rect width="1" height="1"/>'.repeat(100_000), 'drawing-too-large'],
  ])('%s is refused at once, in a sentence', async (_, inner, code) => {
    await expect(readSvg(drawing(inner))).rejects.toMatchObject({ code })
  })

  it.each([
    ['a bad path', '<path d="M0 0 L oops 5 Z"/>'],
    ['a point that is no number', '<polygon points="0,0 NaN,5 5,5"/>'],
    ['a radius that is none', '<circle cx="5" cy="5" r="abc"/>'],
  ])('%s is a problem of its own, never silence', async (_, inner) => {
    const read = readSvg(drawing(inner)).then(({ paths, unit }) => loopsOfPaths(paths, unit))
    await expect(read).rejects.toMatchObject({
      code: expect.stringMatching(/^(drawing-broken|outline-empty|outline-open)$/),
    })
  })

  it('130,000 points are read', async () => {
    const points = Array.from({ length: 130_000 }, (_, i) => {
      const a = (2 * Math.PI * i) / 130_000
      return `${(30 + 20 * Math.cos(a)).toFixed(6)},${(30 + 20 * Math.sin(a)).toFixed(6)}`
    })
    const { paths, unit } = await readSvg(drawing(`<polygon points="${points.join(' ')}"/>`))
    const [{ loop }] = loopsOfPaths(paths, unit)
    expect(Math.abs(areaOfLoop(loop)) / (Math.PI * 0.02 ** 2)).toBeCloseTo(1, 4)
  })

  it('what is no SVG is refused', async () => {
    const broken = { size: 9, text: async () => '<svg <oops' } as Blob
    await expect(readSvg(broken)).rejects.toMatchObject({ code: 'file-broken' })
    const huge = { size: 3e7, text: async () => '' } as Blob
    await expect(readSvg(huge)).rejects.toMatchObject({ code: 'file-too-large' })
  })
})
