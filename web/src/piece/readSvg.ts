import type { DrawnPath } from '@mivro/core/shape'
import { Problem } from '@mivro/core/problem'

/** Points of one curve: finer than a cutter follows. */
const curvePoints = 24

/** A drawing may be this large: text is read whole. */
const largest = 20e6

export interface Drawing {
  paths: DrawnPath[]
  /** Metres of one unit of the drawing. */
  unit: number
}

/** CSS: 96 px to the inch. */
const pixel = 0.0254 / 96

const lengths: Record<string, number> = {
  mm: 1e-3,
  cm: 1e-2,
  in: 0.0254,
  pt: 0.0254 / 72,
  pc: 0.0254 / 6,
  px: pixel,
  '': pixel,
}

/** The outlines of an SVG file, curves as points. Nothing in it is run or loaded. */
export async function readSvg(file: Blob): Promise<Drawing> {
  if (file.size > largest) throw new Problem('file-too-large', { bytes: file.size, limit: largest })
  const text = await file.text()
  const root = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement
  if (root.nodeName !== 'svg') {
    throw new Problem('file-broken', { format: 'SVG', reason: 'it is not well-formed XML' })
  }
  const { SVGLoader } = await import('three/examples/jsm/loaders/SVGLoader.js')
  const paths = new SVGLoader().parse(text).paths.flatMap(({ subPaths }) =>
    subPaths.map((sub): DrawnPath => ({
      closed: sub.autoClose,
      points: sub.getPoints(curvePoints).map(({ x, y }) => [x, y] as const),
    })),
  )
  return { paths, unit: unitOf(root) }
}

/** Where width and viewBox both stand, one unit is their quotient; else it is a pixel. */
function unitOf(root: Element): number {
  const [, number, name] = /^([\d.]+)\s*([a-z]*)$/.exec(root.getAttribute('width') ?? '') ?? []
  const width = Number(number) * (lengths[name] ?? NaN)
  const box = root
    .getAttribute('viewBox')
    ?.trim()
    .split(/[\s,]+/)
    .map(Number)
  if (!box || !(box[2] > 0)) return pixel
  return Number.isFinite(width) && width > 0 ? width / box[2] : pixel
}
