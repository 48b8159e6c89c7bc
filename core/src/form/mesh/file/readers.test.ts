import { strToU8, zipSync } from 'fflate'
import { BufferAttribute, BufferGeometry, Mesh as ThreeMesh } from 'three'
import { OBJExporter } from 'three/examples/jsm/exporters/OBJExporter.js'
import { PLYExporter } from 'three/examples/jsm/exporters/PLYExporter.js'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { closureOf, isClosed } from '../closure.ts'
import { measure } from '../measure.ts'
import { triangleCount } from '../mesh.ts'
import { buildSolid } from '../../shape/solids/solid.ts'
import { writeStl } from '../stl/writeStl.ts'
import { weld } from '../weld.ts'
import { inspectMeshFile, readMeshFile } from './readMeshFile.ts'

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

const read = (bytes: Uint8Array) => readMeshFile(bytes)
async function expectDrop(bytes: Uint8Array, format: string) {
  const { mesh, dropped, kind } = await read(bytes)
  expect(kind).toBe(format)
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
    expectDrop(strToU8(new OBJExporter().parse(asThree())), 'obj'))

  it('PLY as another program writes it, text and binary', async () => {
    const text = new PLYExporter().parse(asThree(), () => {}, {}) as string
    await expectDrop(strToU8(text), 'ply')
    const binary = new PLYExporter().parse(asThree(), () => {}, { binary: true })
    await expectDrop(new Uint8Array(binary as unknown as ArrayBuffer), 'ply')
  })

  it('STL goes on as before', () => expectDrop(writeStl(drop), 'stl'))

  // 3MF core specification 1.3: components and build items are placed by 4 x 3 matrices.
  it('3MF says its unit, and places parts within parts', async () => {
    const { mesh, unit } = await read(zipped(cubeModel('centimeter')))
    expect(unit).toBe('cm')
    const { volume: both, low, high } = measure(weld(mesh))
    expect(both).toBeCloseTo(8 + 24, 9)
    expect(low).toEqual([3, 5, 5])
    expect(high).toEqual([5, 17, 11])
  })

  it.each([
    ['OBJ without corners', strToU8('# nothing\n'), 'file-broken'],
    ['OBJ that names corners it lacks', strToU8('v 0 0 0\nf 1 2 3\n'), 'mesh-no-triangles'],
    ['PLY whose header does not end', strToU8('ply\nformat ascii 1.0\n'), 'file-broken'],
    [
      'PLY that announces more than it holds',
      strToU8(
        'ply\nformat binary_little_endian 1.0\nelement vertex 900000000\nproperty float x\nproperty float y\nproperty float z\nelement face 900000000\nproperty list uchar int vertex_indices\nend_header\n',
      ),
      'file-broken',
    ],
    ['3MF that is no archive', Uint8Array.of(0x50, 0x4b, 3, 4, 1, 2, 3), 'file-broken'],
    ['3MF without a model', zipSync({ 'readme.txt': strToU8('hello') }), 'file-broken'],
    ['3MF that is not well-formed', zipped('<model><resources>'), 'file-broken'],
    ['3MF in a unit that every object has', zipped(cubeModel('constructor')), 'file-broken'],
    ['3MF in furlongs', zipped(cubeModel('furlong')), 'file-broken'],
    [
      '3MF that expands entities',
      zipped(`<!DOCTYPE m [<!ENTITY a "aaaa">]>${cubeModel('millimeter').slice(38)}`),
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
      'file-broken',
    ],
    ['an empty file', new Uint8Array(0), 'file-empty'],
  ])('%s is refused', async (_, bytes, code) => {
    await expect(read(bytes)).rejects.toMatchObject({ code })
  })

  it('an archive that unpacks to gigabytes is refused before it is unpacked', async () => {
    const bomb = zipped(cubeModel('millimeter'))
    // The size it says of itself, in the local header (offset 22) and the central directory (24).
    const view = new DataView(bomb.buffer, bomb.byteOffset, bomb.byteLength)
    for (let i = 0; i + 4 < bomb.length; i++) {
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 3e9, true)
    }
    await expect(read(bomb)).rejects.toMatchObject({
      code: 'zip-too-large',
      amounts: { bytes: 3e9 },
    })
  })

  it('an archive of which little unpacks to much is refused before it is unpacked', async () => {
    const spaces = ' '.repeat(40e6)
    const bomb = zipped(cubeModel('millimeter').replace('</model>', `${spaces}</model>`))
    expect(bomb.length).toBeLessThan(60_000)
    await expect(read(bomb)).rejects.toMatchObject({ code: 'zip-too-large' })
  })

  it('an archive that lies about its size yields no more than it says', async () => {
    const lie = zipped(cubeModel('millimeter'))
    const view = new DataView(lie.buffer, lie.byteOffset, lie.byteLength)
    for (let i = 0; i + 4 < lie.length; i++) {
      if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 100, true)
    }
    await expect(read(lie)).rejects.toMatchObject({ code: 'file-broken' })
  })

  // 3MF production extension 1.1: parts stand in model files of their own, named by p:path.
  it('3MF whose parts stand in files of their own', async () => {
    const part = cubeModel('millimeter')
      .replace(/<object id="2">[^]*<\/object>/, '')
      .replace(/<build>[^]*<\/build>/, '<build/>')
    const main = `<?xml version="1.0"?><model unit="millimeter" xmlns="c" xmlns:p="http://schemas.microsoft.com/3dmanufacturing/production/2015/06">
      <resources><object id="9"><components>
        <component p:path="/3D/Objects/part.model" objectid="1"/>
        <component p:path="/3D/Objects/part.model" objectid="1" transform="1 0 0 0 1 0 0 0 1 10 0 0"/>
      </components></object></resources><build><item objectid="9"/></build></model>`
    const bytes = zipSync({
      '_rels/.rels': strToU8(
        '<Relationships><Relationship Target="/3D/root.model" Id="r" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>',
      ),
      '3D/root.model': strToU8(main),
      '3D/Objects/part.model': strToU8(part),
    })
    const { mesh } = await read(bytes)
    const { volume: both, high } = measure(weld(mesh))
    expect(both).toBeCloseTo(16, 9)
    expect(high[0]).toBeCloseTo(12, 9)
  })

  it('a part that is mirrored still looks outward', async () => {
    const model = cubeModel('millimeter').replace(
      '0 1 0 -1 0 0 0 0 1 5 5 5',
      '-1 0 0 0 1 0 0 0 1 0 0 0',
    )
    const { mesh } = await read(zipped(model))
    expect(measure(weld(mesh)).volume).toBeCloseTo(8 + 24, 9)
  })

  const nested = (levels: number, wide: number) =>
    Array.from({ length: levels }, (_, i) => {
      const inner = `<component objectid="${i === 0 ? 1 : 100 + i - 1}"/>`
      return `<object id="${100 + i}"><components>${inner.repeat(wide)}</components></object>`
    }).join('')
  it('parts within parts are counted before anything is placed', async () => {
    const deep = cubeModel('millimeter', nested(20, 8)).replace(
      '<item objectid="2"',
      '<item objectid="119"',
    )
    expect(zipped(deep).length).toBeLessThan(1500)
    // 12 triangles, 8^20 times.
    await expect(read(zipped(deep))).rejects.toMatchObject({
      code: 'mesh-too-fine',
      amounts: { triangles: 12 * 8 ** 20 },
    })
    const placed = cubeModel('millimeter', nested(4, 9)).replace(
      '<item objectid="2"',
      '<item objectid="103"',
    )
    expect(triangleCount((await read(zipped(placed))).mesh)).toBe(12 * 9 ** 4)
  })

  it('OBJ as people write it: quads, negative numbers, texture corners, lines that go on, groups', async () => {
    const lines = ['# a cube', 'mtllib none.mtl', 'o one']
    for (const z of [0, 2])
      for (const [x, y] of [
        [0, 0],
        [2, 0],
        [2, 2],
        [0, 2],
      ])
        lines.push(`v ${x} ${y} ${z} 1.0`)
    lines.push(
      'vn 0 0 1',
      'vt 0 0',
      'g bottom',
      'f 4/1/1 3/1/1 2/1/1 1/1/1',
      'g top',
      'f -4 -3 \\',
      '-2 -1',
    )
    lines.push(
      'usemtl red',
      'f 1//1 2//1 6//1 5//1',
      'f 2 3 7 6',
      's off',
      'f 3 4 8 7',
      'f 4 1 5 8',
      'l 1 2',
    )
    const { mesh } = await read(strToU8(lines.join('\r\n')))
    const welded = weld(mesh)
    expect(triangleCount(welded)).toBe(12)
    expect(isClosed(closureOf(welded))).toBe(true)
    expect(measure(welded).volume).toBeCloseTo(8, 9)
  })

  it('an OBJ of many groups is read like one of few', async () => {
    const one = 'v 0 0 0\nv 1 0 0\nv 0 1 0\nf -3 -2 -1\n'
    const many = Array.from({ length: 50_000 }, (_, i) => `g part${i}\n${one}`).join('')
    expect(triangleCount((await read(strToU8(many))).mesh)).toBe(50_000)
  })

  const textStl = (number = '9') =>
    `solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex ${number} 0 0\nvertex 0 9 0\nendloop\nendfacet\nendsolid a\n`
  it.each([
    ['a byte-order mark', Uint8Array.of(0xef, 0xbb, 0xbf, ...strToU8(textStl()))],
    ['UTF-16', Uint8Array.of(0xff, 0xfe, ...[...textStl()].flatMap((c) => [c.charCodeAt(0), 0]))],
    [
      'UTF-16, the other way',
      Uint8Array.of(0xfe, 0xff, ...[...textStl()].flatMap((c) => [0, c.charCodeAt(0)])),
    ],
  ])('a text STL with %s is read', async (_, bytes) => {
    const { kind, mesh } = await read(bytes)
    expect([kind, triangleCount(mesh)]).toEqual(['stl', 1])
  })

  it('a number beyond any length is none', async () => {
    await expect(read(strToU8(textStl('3e38')))).rejects.toMatchObject({
      code: 'mesh-no-triangles',
      amounts: { dropped: 1 },
    })
  })

  it.each([
    ['pdf', '%PDF-1.7\n%abc'],
    ['web-page', '<!DOCTYPE html><html><body>solid facet</body></html>'],
    ['web-page', '\n<html lang="en">'],
    ['json', '{"v": 1, "name": "solid"}'],
    ['svg', '<?xml version="1.0"?>\n<!-- drawn -->\n<svg xmlns="x"/>'],
    ['xml', '<?xml version="1.0"?><model/>'],
    ['step', 'ISO-10303-21;\nHEADER;'],
  ])('%s is called what it is, whatever its name says', async (is, text) => {
    await expect(read(strToU8(text.padEnd(200)))).rejects.toMatchObject({
      code: 'file-not-shape',
      amounts: { is },
    })
    expect(() => inspectMeshFile(strToU8(text.padEnd(200)))).toThrow('file-not-shape')
  })
})
