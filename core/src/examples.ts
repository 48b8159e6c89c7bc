import { calibrate, heatGrid, learn, modelCure, type Batch } from './matter/cure/index.ts'
import { sheets } from './matter/cure/samples.ts'
import { fillCurve, section } from './form/filling/index.ts'
import {
  firmPlatinum,
  slowEpoxy,
  softTin,
  violet,
  whiteUrethane,
} from './matter/material/samples.ts'
import { axesFor, cavityOf, fileUnits, writeStl, type Mesh } from './form/mesh/index.ts'
import { depthsOnSection, wallDepths } from './form/wall/index.ts'
import { thicknessProfile, voxelise } from './form/cells/index.ts'
import { buildBox, compileMould, newMould, type Mould } from './mould/index.ts'
import { geometryOfSolid, block60 as block60Sizes, sampleMould } from './mould/samples.ts'
import { compileBy, newPlan, type Plan } from './work/plan/index.ts'
import { png } from './base/picture/samples.ts'
import { surveyShape } from './work/project/index.ts'
import type { Pull } from './work/pull/index.ts'
import { buildSolid } from './form/shape/index.ts'
import { even } from './matter/colour/index.ts'
import { standOnTable, type Look } from './matter/light/index.ts'
import { metric, imperial } from './base/units/index.ts'

/** What the examples in comments begin with, by the names that they use. For tests. */
export async function exampleScope(): Promise<Record<string, unknown>> {
  const cubeOfSide = (side: number): Mesh =>
    buildSolid({ solid: 'block', width: side, depth: side, height: side })
  const unitCube = movedToItsCorner(cubeOfSide(1), 1)
  const stool = stoolOfBoxes()
  const oneToOne = {
    ...slowEpoxy,
    ratio: { by: 'weight', a: 1, b: 1 } as const,
    densityA: 1100,
    densityB: 1100,
    extras: [],
  }
  const blockMesh = buildSolid(block60Sizes)
  const geometryOf60x40x20 = geometryOfSolid(block60Sizes)
  const box = { ...sampleMould().box, side: 0.01, over: 0.012, under: 0.008 }
  const mouldOf80x60x40 = sampleMould({ box })
  const rod = buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.095 })
  const batch: Batch = { resin: slowEpoxy, room: 296.15, mass: 0.1, depth: 0.01, width: 0.08 }
  const layer = {
    id: 'a',
    name: 'Base',
    fill: { by: 'height', top: 0.01 },
    resin: 'e',
    tints: [],
    inclusions: [],
    join: 'crisp',
  } as const
  const plan: Plan = { ...newPlan('example'), layers: [{ ...layer, tints: [], inclusions: [] }] }
  const curveOf60ml = fillCurve(
    buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 }),
    [0, 0, 1],
  )
  const shelf = new Map([
    ['e', slowEpoxy],
    ['u', whiteUrethane],
  ])
  const petal = { id: 'p', name: 'Petal', count: 1, mass: 1e-5, density: 400 }
  const compiled = compileBy(
    (one) => modelCure(learn(calibrate(one.resin), one.resin), one),
    plan,
    curveOf60ml,
    shelf,
  )
  const clearMatter = { k: even(0), s: even(0) }
  const ballOf10mm = buildSolid({ solid: 'ball', diameter: 0.02 })
  const opticsOfBall = {
    piece: standOnTable(ballOf10mm, [0, 0, 1]),
    levels: new Float64Array(),
    index: 1.5,
  }
  const lookOfBall: Look = {
    up: [0, 0, 1],
    stands: [0, 0, 1],
    layers: [],
    things: [],
    setting: { table: 'white', lamp: 'above' },
    view: { turn: 0, lift: 0.4, width: 40, height: 30 },
  }
  const wishForPale = { colour: [0.8, 0.8, 0.8], body: clearMatter, depth: 0.01, ground: even(1) }
  const gate = (at: [number, number, number], bore = 0.006): Mould['openings'][number] => ({
    id: 'g',
    what: 'gate',
    at,
    bore,
    made: 'cast in',
  })
  const pullOf12Copies = { copies: 12, layers: [] } as unknown as Pull
  const cavityOfBlock40x50x30 = cavityOf(
    buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 }),
  )
  const documents = {
    form: { from: 'sizes', solid: { solid: 'block', width: 0.04, depth: 0.05, height: 0.03 } },
    plan,
    shelf,
    units: metric,
  }
  const answers = {
    survey: {
      ...surveyShape(cavityOfBlock40x50x30, [0, 0, 1]),
      section: section(cavityOfBlock40x50x30.mesh, [0, 0, 1], 0),
    },
  }
  return {
    depthsOfBlock: wallDepths(blockMesh, [0, 0, 1]),
    depthsOnBlock: depthsOnSection(blockMesh, section(blockMesh, [0, 0, 1])),
    sectionOfBlock: section(blockMesh, [0, 0, 1]),
    mapOfBlock: { ...blockMesh, thickness: Array<number>(8).fill(0.003) },
    blockMesh,
    thickensTwofoldEachMinute: {
      time: Float64Array.from({ length: 601 }, (_, i) => i),
      viscosity: Float64Array.from({ length: 600 }, (_, i) => 0.5 * 2 ** (i / 60)),
    },
    cavityOfBlock40x50x30,
    documents,
    answers,
    pngOf2x3: png(2, 3),
    clearMatter,
    ballOf10mm,
    opticsOfBall,
    lookOfBall,
    wishForPale,
    metric,
    imperial,
    unitCube,
    cubeOfSide,
    stool,
    cube: unitCube,
    bytesOfACube: new Uint8Array(writeStl(cubeOfSide(0.02))),
    encoded: (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0)),
    gridOfUnitCube: voxelise(unitCube, [0, 0, 1], { longest: 10 }),
    gridOfStool: voxelise(stool, [0, 0, 1], { longest: 128 }),
    legsUp: [0, 0, -1],
    gateOnOneLeg: { at: [0.002, 0.002, 0], bore: 0.004 },
    gateOnSeat: { at: [0.016, 0.016, 0.024], bore: 0.004 },
    fileUnits,
    axesFor,
    oneToOne,
    tenToNine: { ...oneToOne, ratio: { by: 'weight', a: 10, b: 9 } },
    slowEpoxy,
    deepEpoxy: sheets.deep,
    coatingEpoxy: sheets.coating,
    resin: slowEpoxy,
    silicone: firmPlatinum,
    platinum: firmPlatinum,
    siliconeOf1100: { ...firmPlatinum, densityA: 1100, densityB: 1100 },
    kitOf1kg: { ...firmPlatinum, kitMass: 1 },
    tenToOne: softTin,
    violet,
    freshPrint: sampleMould().contact.master,
    box,
    block60: blockMesh,
    footprintOf60x40: geometryOf60x40x20.foot,
    geometryOf60x40x20,
    mouldOf80x60x40,
    builtBox: buildBox(box, geometryOf60x40x20.foot),
    compiledMould: compileMould(mouldOf80x60x40, geometryOf60x40x20, firmPlatinum, 1e-4),
    mouldWithoutGate: sampleMould(),
    boughtMould: sampleMould({ kind: 'bought' }),
    twoPartMould: sampleMould({ kind: 'two-part' }),
    mouldOfTwoCavities: { ...newMould('m', 'p', [0, 0, 1], 0.05), cavities: 2 },
    section: section(blockMesh, [0, 0, 1]),
    sectionOf60x40x20: section(blockMesh, [0, 0, 1]),
    cavityOf,
    gateOf6mmOnTop: gate([0, 0, 0.02]),
    standing: { up: [0, 0, 1], lowest: 0, height: 0.02 },
    rod,
    girthOfRod: thicknessProfile(rod, [0, 0, 1]),
    batch,
    plan,
    planOf20ml: plan,
    planOf3Cups: { ...plan, layers: [{ ...layer, cups: 3 }] },
    planWithAPetal: { ...plan, layers: [{ ...layer, inclusions: [petal] }] },
    curveOf60ml,
    curveOfUnitCube: fillCurve(unitCube, [0, 0, 1]),
    shelf,
    compiled,
    compiledOfAFastUrethane: compileBy(
      (one) => modelCure(learn(calibrate(one.resin), one.resin), one),
      { ...plan, layers: [{ ...layer, tints: [], inclusions: [], resin: 'u' }] },
      curveOf60ml,
      shelf,
    ),
    law: calibrate(sheets.coating).law,
    epoxy: calibrate(sheets.coating).law.rheology,
    pullOf12Copies,
    madeEditedUndone: [
      { change: 'made', document: 1 },
      { change: 'edited', document: 2 },
      { change: 'undone', document: 1 },
    ],
    pullWithTwoPercentMoreA: {
      layers: [
        {
          amounts: [
            { what: 'A', planned: 0.01, weighed: 0.0102 },
            { what: 'B', planned: 0.01, weighed: 0.01 },
          ],
        },
      ],
    },
    heatGridOfABlock: heatGrid({
      mesh: blockMesh,
      up: [0, 0, 1],
      tops: [0.02],
      walls: { floor: 0.01, wall: 0.01 },
      cells: 2000,
    }),
    deepEpoxyAtOnce: {
      law: calibrate(sheets.deep).law,
      pourAt: 0,
      start: { alpha: 0, temperature: 296.15 },
    },
    from: { plan: 'p', planRevision: 1, pouredAt: '2026-03-01T10:00:00Z' },
  }
}

/** A cube that begins at the origin. */
const movedToItsCorner = ({ positions, triangles }: Mesh, side: number): Mesh => ({
  positions: positions.map((x, i) => (i % 3 < 2 ? x + side / 2 : x)) as Mesh['positions'],
  triangles,
})

/** A seat of 32 x 32 x 4 mm on four legs of 4 x 4 x 20 mm, as five boxes that only touch. */
function stoolOfBoxes(): Mesh {
  const boxes: [number, number, number, number, number, number][] = [
    [0, 0, 20, 32, 32, 4],
    [0, 0, 0, 4, 4, 20],
    [28, 0, 0, 4, 4, 20],
    [0, 28, 0, 4, 4, 20],
    [28, 28, 0, 4, 4, 20],
  ]
  const positions: number[] = []
  const triangles: number[] = []
  for (const [x, y, z, width, depth, height] of boxes) {
    const first = positions.length / 3
    const one = buildSolid({
      solid: 'block',
      width: width / 1e3,
      depth: depth / 1e3,
      height: height / 1e3,
    })
    one.positions.forEach((p, i) =>
      positions.push(p + [x + width / 2, y + depth / 2, z][i % 3] / 1e3),
    )
    one.triangles.forEach((v) => triangles.push(first + v))
  }
  return {
    positions: Float64Array.from(positions),
    triangles: Uint32Array.from(triangles),
  }
}
