import { strToU8, zipSync } from 'fflate'
import { BufferAttribute, BufferGeometry, Mesh as ThreeMesh } from 'three'
import { OBJExporter } from 'three/examples/jsm/exporters/OBJExporter.js'
import { PLYExporter } from 'three/examples/jsm/exporters/PLYExporter.js'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { closureOf, isClosed } from '../closure.ts'
import { measure } from '../measure.ts'
import { triangleCount } from '../mesh.ts'
import { buildSolid } from '../solids/solid.ts'
import { writeStl } from '../stl/writeStl.ts'
import { weld } from '../weld.ts'
import { readMeshFile } from './readMeshFile.ts'

const drop = buildSolid({ solid: 'drop', width: 0.038, height: 0.052, facets: 8 })
const { volume } = measure(drop)

/** The drop as three.js 0.187 writes it: a writer that is not ours. */
function asThree(): ThreeMesh {
  const geometry = new BufferGeometry()
  const mm = Float32Array.from(drop.positions, (x) => x * 1000)
  geometry.setAttribute('position', new BufferAttribute(mm, 3))
  geometry.setIndex(new BufferAttribute(drop.triangles, 1))
  return new ThreeMesh(geometry)
}

const read = (bytes: Uint8Array, name: string) => readMeshFile(bytes, name)
async function expectDrop(bytes: Uint8Array, name: string) {
  const { mesh, dropped } = await read(bytes, name)
  const welded = weld(mesh)
  expect(dropped).toBe(0)
  expect(triangleCount(welded)).toBe(triangleCount(drop))
  expect(isClosed(closureOf(welded))).toBe(true)
  expect(measure(welded).volume / 1e9 / volume).toBeCloseTo(1, 5)
}

const cubeModel = (unit: string, extra = '') => `<?xml version="1.0" encoding="UTF-8"?>
<model unit="${unit}" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02">
 <resources>
  <object id="1" type="model"><mesh><vertices>
   <vertex x="0" y="0" z="0"/><vertex x="2" y="0" z="0"/><vertex x="2" y="2" z="0"/><vertex x="0" y="2" z="0"/>
   <vertex x="0" y="0" z="2"/><vertex x="2" y="0" z="2"/><vertex x="2" y="2" z="2"/><vertex x="0" y="2" z="2"/>
  </vertices><triangles>
   <triangle v1="3" v2="2" v3="1"/><triangle v1="1" v2="0" v3="3"/><triangle v1="4" v2="5" v3="6"/><triangle v1="6" v2="7" v3="4"/>
   <triangle v1="0" v2="1" v3="5"/><triangle v1="5" v2="4" v3="0"/><triangle v1="1" v2="2" v3="6"/><triangle v1="6" v2="5" v3="1"/>
   <triangle v1="2" v2="3" v3="7"/><triangle v1="7" v2="6" v3="2"/><triangle v1="3" v2="0" v3="4"/><triangle v1="4" v2="7" v3="3"/>
  </triangles></mesh></object>
  <object id="2"><components>
   <component objectid="1"/><component objectid="1" transform="1 0 0 0 1 0 0 0 3 10 0 0"/>
  </components></object>${extra}
 </resources>
 <build><item objectid="2" transform="0 1 0 -1 0 0 0 0 1 5 5 5"/></build>
</model>`
const zipped = (model: string) => zipSync({ '3D/3dmodel.model': strToU8(model) })

describe('files of shapes', () => {
  // The PLY writer hands its result over by the next animation frame.
  beforeAll(() => void vi.stubGlobal('requestAnimationFrame', () => 0))

  it('OBJ as another program writes it', () =>
    expectDrop(strToU8(new OBJExporter().parse(asThree())), 'drop.obj'))

  it('PLY as another program writes it, text and binary', async () => {
    const text = new PLYExporter().parse(asThree(), () => {}, {}) as string
    await expectDrop(strToU8(text), 'drop.ply')
    const binary = new PLYExporter().parse(asThree(), () => {}, { binary: true })
    await expectDrop(new Uint8Array(binary as unknown as ArrayBuffer), 'drop')
  })

  it('STL goes on as before, whatever it is called', () =>
    expectDrop(writeStl(drop), 'drop.obj.stl'))

  // 3MF core specification 1.3: components and build items are placed by 4 x 3 matrices.
  it('3MF says its unit, and places parts within parts', async () => {
    const { mesh, unit } = await read(zipped(cubeModel('centimeter')), 'two.3mf')
    expect(unit).toBe('cm')
    const { volume: both, low, high } = measure(weld(mesh))
    expect(both).toBeCloseTo(8 + 24, 9)
    expect(low).toEqual([3, 5, 5])
    expect(high).toEqual([5, 17, 11])
  })

  it.each([
    ['OBJ without corners', strToU8('# nothing\n'), 'a.obj', 'file-broken'],
    [
      'OBJ that names corners it lacks',
      strToU8('v 0 0 0\nf 1 2 3\n'),
      'a.obj',
      'mesh-no-triangles',
    ],
    ['PLY whose header does not end', strToU8('ply\nformat ascii 1.0\n'), 'a.ply', 'file-broken'],
    [
      'PLY that announces more than it holds',
      strToU8(
        'ply\nformat binary_little_endian 1.0\nelement vertex 900000000\nproperty float x\nproperty float y\nproperty float z\nelement face 900000000\nproperty list uchar int vertex_indices\nend_header\n',
      ),
      'a.ply',
      'file-broken',
    ],
    ['3MF that is no archive', Uint8Array.of(0x50, 0x4b, 3, 4, 1, 2, 3), 'a.3mf', 'file-broken'],
    ['3MF without a model', zipSync({ 'readme.txt': strToU8('hello') }), 'a.3mf', 'file-broken'],
    ['3MF that is not well-formed', zipped('<model><resources>'), 'a.3mf', 'file-broken'],
    ['3MF in furlongs', zipped(cubeModel('furlong')), 'a.3mf', 'file-broken'],
    [
      '3MF that expands entities',
      zipped(`<!DOCTYPE m [<!ENTITY a "aaaa">]>${cubeModel('millimeter').slice(38)}`),
      'a.3mf',
      'file-broken',
    ],
    [
      '3MF whose parts hold one another',
      zipped(
        cubeModel(
          'millimeter',
          '<object id="2"><components><component objectid="2"/></components></object>',
        ),
      ),
      'a.3mf',
      'file-broken',
    ],
    ['an empty file', new Uint8Array(0), 'a.obj', 'file-empty'],
  ])('%s is refused', async (_, bytes, name, code) => {
    await expect(read(bytes, name)).rejects.toMatchObject({ code })
  })

  it('an archive that unpacks to gigabytes is refused before it is unpacked', async () => {
    const bomb = zipped(cubeModel('millimeter'))
    // The size it says of itself, in the local header (offset 22) and the central directory (24).
    const view = new DataView(bomb.buffer, bomb.byteOffset, bomb.byteLength)
    for (let i = 0; i + 4 < bomb.length; i++) {
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 3e9, true)
    }
    await expect(read(bomb, 'bomb.3mf')).rejects.toMatchObject({
      code: 'zip-too-large',
      amounts: { bytes: 3e9 },
    })
  })

  it('an archive that lies about its size yields no more than it says', async () => {
    const lie = zipped(cubeModel('millimeter'))
    const view = new DataView(lie.buffer, lie.byteOffset, lie.byteLength)
    for (let i = 0; i + 4 < lie.length; i++) {
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 100, true)
    }
    await expect(read(lie, 'lie.3mf')).rejects.toMatchObject({ code: 'file-broken' })
  })
})
