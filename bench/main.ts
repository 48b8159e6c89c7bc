import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js'
import { mergeVertices } from 'three/examples/jsm/utils/BufferGeometryUtils.js'
import { compile, newPlan, type Plan } from '../core/src/plan/index.ts'
import { slowEpoxy, violet } from '../core/src/material/samples.ts'
import type { Material } from '../core/src/material/index.ts'
import {
  closureOf,
  fillCurve,
  readStl,
  section,
  triangleCount,
  volumeAt,
  weld,
  writeStl,
  type FillCurve,
  type Mesh,
  type Vec3,
} from '../core/src/shape/index.ts'
import { bumpyBall } from './bumpyBall.ts'
import { compare, median, medians, within } from './timing.ts'

const up: Vec3 = [0.1, 0.2, 1]

console.log('Ours, then the reference in the same run, then the ratio.\n')
const million = writeStl(bumpyBall(1_000_000))
const count = new DataView(million.buffer).getUint32(80, true)
console.log(`Binary STL of ${count} triangles`)

const loader = new STLLoader()
const parse = () => loader.parse(million.buffer as ArrayBuffer)
// The whole volume is the curve's last value.
const toCurve = () => fillCurve(readStl(million).mesh, up).volume
const [ours, parsed] = medians(toCurve, parse, 15)
compare('read, volume and fill curve', ours, "three's STLLoader, parse alone", parsed, 2.5)

const welded = median(() => closureOf(weld(readStl(million).mesh)), 5)
const merged = median(() => mergeVertices(parse(), 1e-6), 1)
compare('read, weld, check that it is closed', welded, 'STLLoader and mergeVertices', merged, 1)

console.log('\nA welded mesh of 200 000 triangles')
const mesh = bumpyBall(200_000)
const curve = fillCurve(mesh, up)
const heights = Array.from({ length: 200 }, (_, i) => ((i + 0.5) / 200) * curve.height)
const plain = median(() => plainVolume(mesh, up, heights[77]), 15)
const query = median(() => heights.forEach((h) => volumeAt(curve, h)), 15) / heights.length
compare('V(h), one height', query, 'one pass over all triangles', plain, 0.1)
within('V(h), one height', query, 2)
within(
  'compile a plan of six layers',
  median(() => compileSix(curve), 51),
  2,
)
within(
  'cut it open',
  median(() => section(mesh, up), 9),
  200,
)
console.log(`\n${triangleCount(mesh)} triangles; Node ${process.versions.node}`)

/** The same volume without any preparation: what a query would cost. */
function plainVolume({ positions: p, triangles }: Mesh, direction: Vec3, h: number): number {
  const length = Math.hypot(...direction)
  const z = (v: number) =>
    (p[3 * v] * direction[0] + p[3 * v + 1] * direction[1] + p[3 * v + 2] * direction[2]) / length
  let base = Infinity
  for (let v = 0; v < p.length / 3; v++) base = Math.min(base, z(v))
  let volume = 0
  for (let i = 0; i < triangles.length; i += 3) {
    const zs = [
      z(triangles[i]) - base,
      z(triangles[i + 1]) - base,
      z(triangles[i + 2]) - base,
    ].sort((a, b) => a - b)
    volume += zs[0] < h ? zs[2] - zs[0] : 0
  }
  return volume
}

function compileSix(fill: FillCurve): unknown {
  const shelf = new Map<string, Material>([
    ['resin', slowEpoxy],
    ['tint', violet],
  ])
  const layers = Array.from({ length: 6 }, (_, i): Plan['layers'][number] => ({
    id: `l${i}`,
    name: `Layer ${i + 1}`,
    fill:
      i % 2
        ? { by: 'volume', volume: fill.volume / 7 }
        : { by: 'height', top: ((i + 1) / 6) * fill.height },
    resin: 'resin',
    tint: { material: 'tint', fraction: 0.002 },
    inclusions: [{ id: 's', name: 'Stars', count: 3, mass: 0.0004, density: 8500 }],
    join: 'crisp',
  }))
  return compile({ ...newPlan('bench'), layers }, fill, shelf)
}
