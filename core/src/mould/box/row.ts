import { timesCurve } from '../../form/filling/index.ts'
import { areaOfLoop, perimeterOfLoop } from '../../form/shape/index.ts'
import type { MouldGeometry } from '../geometry.ts'
import { convexHull, enclosingCircle, type Footprint } from './footprint.ts'

/**
 * Several masters in one box: side by side along the shorter side of the piece, `gap` m apart.
 * Everything that is poured around them is that of all together; shares and places stay those of
 * one.
 *
 * @example inARow(geometryOf60x40x20, 3, 0.01).foot.depth // 0.14 (three of 40 mm and two gaps)
 */
export function inARow(geometry: MouldGeometry, count: number, gap: number): MouldGeometry {
  if (count === 1) return geometry
  const { volume, area, hull, curve, foot } = geometry
  return {
    ...geometry,
    volume: volume * count,
    area: area * count,
    hull: { volume: hull.volume * count, area: hull.area * count, bend: hull.bend * count },
    hulls: geometry.hulls * count,
    curve: timesCurve(curve, count),
    foot: footOfRow(foot, count, gap),
  }
}

function footOfRow(foot: Footprint, count: number, gap: number): Footprint {
  const along = foot.width < foot.depth ? 0 : 1
  const pitch = Math.min(foot.width, foot.depth) + gap
  const places = Array.from({ length: count }, (_, i): [number, number] => {
    const by = (i - (count - 1) / 2) * pitch
    return along === 0 ? [by, 0] : [0, by]
  })
  const points = Float64Array.from(
    places.flatMap(([dx, dy]) => foot.hull.map((x, i) => x + (i % 2 === 0 ? dx : dy))),
  )
  const hull = convexHull(points)
  const { x, y, radius } = enclosingCircle(hull)
  const longer = (count - 1) * pitch
  return {
    ...foot,
    hull,
    places,
    one: foot.one,
    area: areaOfLoop(hull),
    perimeter: perimeterOfLoop(hull),
    width: foot.width + (along === 0 ? longer : 0),
    depth: foot.depth + (along === 1 ? longer : 0),
    radius,
    middle: [x, y],
  }
}
