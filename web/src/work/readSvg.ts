import type { DrawnPath } from '@mivro/core/form/shape'
import { Problem } from '@mivro/core/base/problem'

/** Points of one curve: finer than a cutter follows. */
const curvePoints = 24

/** A drawing may be this large: text is read whole. */
const largest = 20e6

/** Shapes and points beyond these are no outline that a person cuts. */
const mostElements = 2000
const mostPoints = 400_000

/** How far into a file its first tag is looked for. */
const beginning = 4096

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

/** Whether a file is a drawing, by what it begins with. */
export async function isDrawing(file: Blob): Promise<boolean> {
  const start = await file.slice(0, beginning).text()
  return /<svg[\s>]/i.test(start) && !/<html/i.test(start)
}

/**
 * The outlines of an SVG file, curves as points. Nothing in it is run or loaded, and what its
 * parts come to is counted before any is drawn.
 *
 * Throws `Problem`: file-too-large, file-broken, drawing-broken, drawing-too-large,
 * outline-too-fine.
 */
export async function readSvg(file: Blob): Promise<Drawing> {
  if (file.size > largest) throw new Problem('file-too-large', { bytes: file.size, limit: largest })
  const text = await file.text()
  const root = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement
  if (root.nodeName !== 'svg') {
    throw new Problem('file-broken', { format: 'SVG', fault: 'not-well-formed' })
  }
  const elements = parsed(() => shapesIn(root))
  if (elements > mostElements) {
    throw new Problem('drawing-too-large', { elements, limit: mostElements })
  }
  const { SVGLoader } = await import('three/examples/jsm/loaders/SVGLoader.js')
  let points = 0
  const drawn = parsed(() => new SVGLoader().parse(text).paths)
  const paths = drawn.flatMap(({ subPaths, userData }, shape) =>
    subPaths.map((sub): DrawnPath => {
      const run = parsed(() => sub.getPoints(curvePoints))
      points += run.length
      if (points > mostPoints) throw new Problem('outline-too-fine', { points, limit: mostPoints })
      return {
        closed: sub.autoClose,
        shape,
        rule:
          (userData?.style as { fillRule?: string } | undefined)?.fillRule === 'evenodd'
            ? 'evenodd'
            : 'nonzero',
        points: run.map(({ x, y }) => [x, y] as const),
      }
    }),
  )
  return { paths, unit: unitOf(root) }
}

/** What reads it trips over what it does not expect: that is the drawing's fault, and is said. */
function parsed<T>(read: () => T): T {
  try {
    return read()
  } catch (error) {
    if (error instanceof Problem) throw error
    const found = (error as Error).message.slice(0, 120)
    throw new Problem('drawing-broken', { fault: 'reader-stopped', found })
  }
}

const drawable = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon'])

/** How many shapes are drawn, those that <use> repeats counted as often; each part counted once. */
function shapesIn(root: Element): number {
  const byId = new Map([...root.querySelectorAll('[id]')].map((part) => [part.id, part]))
  const known = new Map<Element, number | 'open'>()
  const count = (part: Element): number => {
    const found = known.get(part)
    if (found === 'open') {
      throw new Problem('drawing-broken', { fault: 'holds-itself' })
    }
    if (found !== undefined) return found
    known.set(part, 'open')
    let sum = drawable.has(part.localName) ? 1 : 0
    for (let child = part.firstElementChild; child; child = child.nextElementSibling) {
      sum += count(child)
    }
    const used = part.localName === 'use' ? byId.get(targetOf(part)) : undefined
    if (used) sum += count(used)
    known.set(part, sum)
    return sum
  }
  return count(root)
}

const targetOf = (use: Element): string =>
  (use.getAttribute('href') ?? use.getAttribute('xlink:href') ?? '').replace(/^#/, '')

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
