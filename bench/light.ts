import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Mesh,
  MeshBasicMaterial,
  Raycaster,
  Vector3,
} from 'three'
import {
  bodyMatter,
  even,
  linearOf,
  matterOf,
  mixed,
  solveTints,
} from '../core/src/matter/colour/index.ts'
import { calibrate, layerThickening, learn, modelCure } from '../core/src/matter/cure/index.ts'
import { sheets } from '../core/src/matter/cure/samples.ts'
import { arrange, settle } from '../core/src/matter/inclusion/index.ts'
import {
  cameraOf,
  lightTable,
  shade,
  standOnTable,
  strata,
  towardLamp,
  traceLamp,
  traceView,
  type Standing,
} from '../core/src/matter/light/index.ts'
import { slowEpoxy, violet } from '../core/src/matter/material/samples.ts'
import { cavityOf, type Vec3 } from '../core/src/form/mesh/index.ts'
import { buildSolid } from '../core/src/form/shape/index.ts'
import { bumpyBall } from './bumpyBall.ts'
import { compare, median, within } from './timing.ts'

const up: Vec3 = [0, 0, 1]
const view = { turn: 0.4, lift: 0.42, width: 400, height: 400 }
const coarse = { ...view, width: 100, height: 100 }
const { levels, media } = strata([
  { top: 0.013, join: 'crisp' },
  { top: 0.0275, join: 'soft' },
  { top: 0.052, join: 'soft' },
])

/** Colour, light and what is set in. */
export function benchLight(): void {
  console.log('Light through a piece, colour and things set in')
  const gem = standOnTable(
    buildSolid({ solid: 'drop', width: 0.038, height: 0.052, facets: 10 }),
    up,
  )
  const figure = standOnTable(bumpyBall(50_000), up)
  const optics = (piece: Standing) => ({ piece, levels, index: 1.53 })
  within(
    'a gem of 100 facets, 400 x 400',
    median(() => traceView(optics(gem), view), 3),
    1200,
  )
  within(
    'a figure of 50 000 triangles',
    median(() => traceView(optics(figure), view), 3),
    2500,
  )
  within(
    'the first picture, 100 x 100',
    median(() => traceView(optics(gem), coarse), 5),
    150,
  )
  const firstHits = median(() => plainly(figure, 20), 1)
  const ours = median(() => traceView(optics(figure), { ...view, width: 20, height: 20 }), 3)
  compare('20 x 20 paths, all bounces', ours, "three's Raycaster, first hits alone", firstHits, 0.1)

  const paths = traceView(optics(gem), view)
  const lamp = towardLamp('behind', view.turn)
  const light = traceLamp(optics(gem), lamp, 160)
  const body = bodyMatter(slowEpoxy)
  const reach = 2 * gem.radius
  const half = traceView(optics(gem), view, 0, view.height / 2)
  const dosed = (dose: number, of = paths) => {
    const layers = [1, 2, 0.1].map((share) =>
      mixed(body, [{ matter: matterOf(violet), dose: share * dose }]),
    )
    const setting = { table: 'white', lamp: 'behind' } as const
    return () => {
      const table = lightTable(light, media, layers, reach)
      return shade(of, { media, layers, things: [], setting, lamp, table, reach })
    }
  }
  const shaded = median(dosed(0.001), 9)
  // The rows are shared out over two workers, each with the light on the table.
  within('another dose, each of two workers', median(dosed(0.001, half), 9), 30)
  compare(
    'another dose, all rows',
    shaded,
    'traced anew',
    median(() => traceView(optics(gem), view), 3),
    0.1,
  )

  const onHand = ['#7b4fa3', '#24508c', '#e8a838', '#c2456a', '#2c7a52', '#d8dde0'].map(
    (colour, i) => ({ id: String(i), matter: matterOf({ ...violet, colour }), limit: 0.005 }),
  )
  const wish = { colour: linearOf('#8a6f52'), body, depth: 0.006, ground: even(1) }
  within(
    'doses of six tints for a colour',
    median(() => solveTints(wish, onHand), 3),
    100,
  )

  const { mesh } = cavityOf(
    buildSolid({ solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 }),
  )
  const flake = { id: 'f', name: 'Flake', count: 500, mass: 3e-8, density: 10490, thickness: 1e-6 }
  const layers = [
    { id: 'a', bottom: 0, top: 0.008, things: [{ ...flake, lies: 'floor' as const }] },
  ]
  within(
    '500 flakes laid out',
    median(() => arrange(mesh, up, layers), 3),
    300,
  )
  const learned = learn(calibrate(sheets.coating), sheets.coating)
  const batch = { resin: sheets.coating, room: 296.15, mass: 0.1, depth: 0.008, width: 0.1 }
  const thickening = layerThickening(learned, batch, modelCure(learned, batch).gel)
  const things = Array.from({ length: 500 }, () => ({ ...flake, thickness: 1e-4 }))
  within(
    'drift of 500',
    median(() => settle(thickening, 1120, 300, things), 5),
    100,
  )
}

/** The first surfaces only, without a tree. */
function plainly(piece: Standing, side: number): number {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(piece.positions, 3))
  const solid = new Mesh(geometry, new MeshBasicMaterial({ side: DoubleSide }))
  const { from, right, forward, up: high } = cameraOf(view, { piece })
  const raycaster = new Raycaster()
  let hits = 0
  for (let i = 0; i < side * side; i++) {
    const [h, v] = [(i % side) / side - 0.5, Math.floor(i / side) / side - 0.5].map((x) => x * 0.46)
    const toward = [0, 1, 2].map((k) => forward[k] + h * right[k] + v * high[k])
    raycaster.set(
      new Vector3(...from),
      new Vector3(...(toward as [number, number, number])).normalize(),
    )
    hits += raycaster.intersectObject(solid).length
  }
  return hits
}
