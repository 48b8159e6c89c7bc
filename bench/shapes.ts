import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js'
import { Box3, DoubleSide, Ray, Vector3 } from 'three'
import type { MeshBVH } from 'three-mesh-bvh'
import { mergeVertices } from 'three/examples/jsm/utils/BufferGeometryUtils.js'
import { compile, newPlan, type Plan } from '../core/src/work/plan/index.ts'
import { slowEpoxy, violet } from '../core/src/matter/material/samples.ts'
import type { Material } from '../core/src/matter/material/index.ts'
import { findClimbing, findSeam, mouldGeometry } from '../core/src/mould/index.ts'
import {
  basinsOf,
  cellsInside,
  deepCells,
  fibonacciCap,
  openingCells,
  voxelise,
} from '../core/src/form/cells/index.ts'
import {
  depthLines,
  depthsOnSection,
  treeOf,
  wallDepths,
  wallMap,
} from '../core/src/form/wall/index.ts'
import { buildSolid } from '../core/src/form/shape/index.ts'
import { cavityOf } from '../core/src/form/mesh/index.ts'
import {
  closureOf,
  readStl,
  weld,
  writeStl,
  type Mesh,
  type Vec3,
} from '../core/src/form/mesh/index.ts'
import { fillCurve, section, volumeAt, type FillCurve } from '../core/src/form/filling/index.ts'
import { bumpyBall } from './bumpyBall.ts'
import { compare, median, medians, within } from './timing.ts'

const up: Vec3 = [0.1, 0.2, 1]

/** Reading, volume, cells, air and moulds. */
export function benchShapes(): void {
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
  let turn = 0
  within(
    'compile a plan of six layers while a surface is dragged',
    median(() => compileSix(curve, 0.9 + 0.002 * turn++), 51),
    1,
  )
  within(
    'cut it open',
    median(() => section(mesh, up), 9),
    200,
  )
  console.log('\nThe same million triangles in cells')
  const fine = bumpyBall(1_000_000)
  const cells = median(() => voxelise(fine, up), 7)
  const tree = treeOf(fine)
  const rays = median(() => columnRays(tree, 64), 3)
  const planting = median(() => treeOf(fine), 1)
  compare(
    'cells, 128 along the longest side',
    cells,
    'three-mesh-bvh, tree and rays at 64',
    planting + rays,
    0.2,
  )
  console.log(`  (its tree ${planting.toFixed(0)} ms, its ${64 * 64} rays ${rays.toFixed(0)} ms)`)
  within('cells, 128 along the longest side', cells, 150)
  const grid = voxelise(fine, up)
  const gate = openingCells(grid, { at: [0, 0, 0.03], bore: 0.004 }).cells
  console.log(`${cellsInside(grid)} cells inside`)
  within(
    'air pockets in one direction',
    median(() => basinsOf(grid, [0, 0, 1], gate), 7),
    250,
  )
  within(
    'air pockets aslant',
    median(() => basinsOf(grid, [0.2, 0.3, 1], gate), 7),
    250,
  )
  const coarse = voxelise(fine, up, { longest: 64 })
  const deep = deepCells(coarse)
  const over = fibonacciCap(46, Math.PI / 4).map(([x, y, z]) => [x, y, -z] as const)
  const ways = [...fibonacciCap(154, Math.PI / 4), ...over]
  within(
    '200 tilts at 64, the other way up among them',
    median(() => ways.forEach((way) => basinsOf(coarse, way, 'highest', { deep })), 3),
    2500,
  )
  const small = buildSolid({ solid: 'egg', width: 0.04, height: 0.055 })
  within(
    'undercuts, thin silicone, walls, pulls of an egg',
    median(() => mouldGeometry(cavityOf(small), up), 1),
    6000,
  )
  const figure = cavityOf(bumpyBall(200_000))
  within(
    'a parting that climbs, 128 cells',
    median(() => findClimbing(figure, up, { longest: 128 }), 3),
    2000,
  )
  within(
    'the same at 48, as while it is turned',
    median(() => findClimbing(figure, up, { longest: 48 }), 3),
    150,
  )
  within(
    'where a block is cut, 200,000 faces',
    median(() => findSeam(figure.mesh, { up, front: [0, -1, 0] }), 1),
    1000,
  )
  within(
    'depths under the walls of a figure, for a hollow cast',
    median(() => wallDepths(figure.mesh, up), 3),
    300,
  )
  const turned = { wall: 0.003, volume: 2e-5, shots: 2, visits: Array(12).fill(16), thin: 0.002 }
  within(
    'how evenly it is lined when it is turned',
    median(() => wallMap(figure.mesh, up, turned), 3),
    2000,
  )
  within(
    'a first picture of that',
    median(() => wallMap(figure.mesh, up, turned, { ways: 24 }), 3),
    300,
  )
  const cut = depthsOnSection(figure.mesh, section(figure.mesh, up))
  within(
    'its inner face on the cut, while it is dragged',
    median(() => depthLines(cut, 0.003), 5),
    16,
  )
}

/** Cells by shooting one ray up each column and counting what it meets. */
function columnRays(bvh: MeshBVH, longest: number): number {
  const box = new Box3()
  bvh.getBoundingBox(box)
  const size = box.getSize(new Vector3())
  const cell = Math.max(size.x, size.y, size.z) / longest
  const ray = new Ray(new Vector3(), new Vector3(0, 0, 1))
  let inside = 0
  for (let x = box.min.x + cell / 2; x < box.max.x; x += cell) {
    for (let y = box.min.y + cell / 2; y < box.max.y; y += cell) {
      ray.origin.set(x, y, box.min.z - cell)
      const hits = bvh.raycast(ray, DoubleSide).map(({ distance }) => distance)
      hits.sort((a, b) => a - b)
      for (let i = 0; i + 1 < hits.length; i += 2)
        inside += Math.round((hits[i + 1] - hits[i]) / cell)
    }
  }
  return inside
}

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

function compileSix(fill: FillCurve, dragged: number): unknown {
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
        : { by: 'height', top: ((i === 0 ? dragged : i + 1) / 6) * fill.height },
    resin: 'resin',
    tints: [{ material: 'tint', fraction: 0.002 }],
    inclusions: [{ id: 's', name: 'Stars', count: 3, mass: 0.0004, density: 8500 }],
    join: 'crisp',
  }))
  return compile({ ...newPlan('bench'), layers }, fill, shelf)
}
