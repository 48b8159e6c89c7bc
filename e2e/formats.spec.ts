import { truncateSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { strToU8, zipSync } from 'fflate'
import { buildSolid } from '@mivro/core/form/shape'
import { writeStl, type Mesh } from '@mivro/core/form/mesh'
import { block as blockFile, changed, firstFaces } from './files.ts'
import { expect, test, type Mivro } from './mivro.ts'

/*
 * Every format that README and docs/files.md promise, and every refusal, through the real page:
 * from the file to a compiled plan, and still there after a reload. The block is 40 x 50 x 30 mm:
 * 60 ml.
 */

const block = buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 })
const mm = Array.from(block.positions, (x) => x * 1000)
const corners = Array.from({ length: 8 }, (_, v) => mm.slice(3 * v, 3 * v + 3))
const faces = Array.from({ length: 12 }, (_, t) => [...block.triangles.slice(3 * t, 3 * t + 3)])

const obj = () =>
  [
    '# a block, by hand',
    'o block',
    ...corners.map((c) => `v ${c.join(' ')}`),
    'vn 0 0 1',
    'g all',
    ...faces.map((f) => `f ${f.map((v) => `${v + 1}//1`).join(' ')}`),
  ].join('\n')

const plyHead = (format: string) =>
  `ply\nformat ${format} 1.0\nelement vertex 8\nproperty float x\nproperty float y\nproperty float z\nelement face 12\nproperty list uchar int vertex_indices\nend_header\n`
const plyText = () =>
  plyHead('ascii') +
  [...corners, ...faces.map((f) => [3, ...f])].map((row) => row.join(' ')).join('\n') +
  '\n'
function plyBinary(): Buffer {
  const body = Buffer.alloc(8 * 12 + 12 * 13)
  mm.forEach((x, i) => body.writeFloatLE(x, 4 * i))
  faces.forEach((face, t) => {
    const at = 96 + 13 * t
    body.writeUInt8(3, at)
    face.forEach((v, k) => body.writeInt32LE(v, at + 1 + 4 * k))
  })
  return Buffer.concat([Buffer.from(plyHead('binary_little_endian')), body])
}
const meshXml = (points: number[][]) =>
  `<mesh><vertices>${points.map(([x, y, z]) => `<vertex x="${x}" y="${y}" z="${z}"/>`).join('')}</vertices><triangles>${faces.map(([a, b, c]) => `<triangle v1="${a}" v2="${b}" v3="${c}"/>`).join('')}</triangles></mesh>`
const core = 'xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"'
const threeMf = () =>
  zipSync({
    '3D/3dmodel.model': strToU8(
      `<model unit="centimeter" ${core}><resources><object id="1">${meshXml(corners.map((c) => c.map((x) => x / 10)))}</object></resources><build><item objectid="1"/></build></model>`,
    ),
  })
const production = () =>
  zipSync({
    '_rels/.rels': strToU8(
      '<Relationships><Relationship Target="/3D/main.model" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>',
    ),
    '3D/main.model': strToU8(
      `<model unit="millimeter" ${core} xmlns:p="http://schemas.microsoft.com/3dmanufacturing/production/2015/06"><resources><object id="2"><components><component p:path="/3D/Objects/one.model" objectid="1"/></components></object></resources><build><item objectid="2"/></build></model>`,
    ),
    '3D/Objects/one.model': strToU8(
      `<model unit="millimeter" ${core}><resources><object id="1">${meshXml(corners)}</object></resources><build/></model>`,
    ),
  })
const stlText = () =>
  `solid block\n${faces.map((f) => `facet normal 0 0 0\nouter loop\n${f.map((v) => `vertex ${corners[v].join(' ')}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid block\n`

const give = (mivro: Mivro, name: string, content: Uint8Array | string) =>
  mivro.page.locator('input[type=file]').setInputFiles({
    name,
    mimeType: 'application/octet-stream',
    buffer: Buffer.from(content),
  })

const formats: [string, string, () => Uint8Array | string][] = [
  ['STL, binary', 'block.stl', () => writeStl(block)],
  ['STL, text', 'block.stl', stlText],
  ['STL, text in UTF-16', 'block.stl', () => Buffer.from(`\ufeff${stlText()}`, 'utf16le')],
  ['OBJ', 'block.obj', obj],
  ['PLY, text', 'block.ply', plyText],
  ['PLY, binary', 'block.ply', plyBinary],
  ['3MF', 'block.3mf', threeMf],
  ['3MF with parts in files of their own', 'block.3mf', production],
  ['OBJ under another name', 'block.stl', obj],
]

test('each format, from the file to a plan that is weighed', async ({ mivro, page }) => {
  await mivro.open('/pieces/new')
  let weighed: Awaited<ReturnType<Mivro['weights']>> | undefined
  for (const [format, name, bytes] of formats) {
    await test.step(format, async () => {
      await mivro.go('/pieces/new')
      await give(mivro, name, bytes())
      await expect(page.getByText('Yes, watertight')).toBeVisible()
      await expect(page.getByRole('img', { name: 'The shape in 3D' })).toBeVisible()
      await page.getByRole('button', { name: 'Create piece' }).click()
      await page.getByRole('button', { name: 'Add layer' }).click()
      await mivro.pick('Resin', 'Clear slow epoxy 2:1')
      await expect(page.locator('.facts')).toContainText('40 × 50 × 30 mm · 60.0 ml')
      await expect(page.locator('aside .part-A').first()).toBeVisible()
      // The same block, so the same weights, whatever it came from.
      weighed ??= await mivro.weights('A')
      await expect.poll(() => mivro.weights('A')).toEqual(weighed)
      await mivro.saved()
    })
  }
  await page.reload()
  await expect(page.locator('.facts')).toContainText('40 × 50 × 30 mm · 60.0 ml')
  await mivro.surface(0).click()
  await expect.poll(() => mivro.weights('A')).toEqual(weighed)
})

/** An STL of the block with one thing wrong. */
const brokenStl: [string, string, () => Buffer, string][] = [
  [
    'one cut off',
    'bear.stl',
    () => blockFile().subarray(0, 400),
    'The file announces 12 triangles and ends after 6: it was cut off.',
  ],
  [
    'one with a wrong count',
    'bear.stl',
    () => changed((view) => view.setUint32(80, 40, true)),
    'announces 40 triangles and holds 12, so its count is wrong',
  ],
  [
    'one of nothing but NaN',
    'bear.stl',
    () =>
      changed((view) => {
        for (let t = 0; t < 12; t++) view.setFloat32(84 + 50 * t + 12, NaN, true)
      }),
    'None of the 12 triangles holds usable numbers',
  ],
  [
    'one without volume',
    'bear.stl',
    () => firstFaces(2),
    'encloses no volume: it is flat or folded onto itself',
  ],
  [
    'one that is a picture',
    'bear.stl',
    () => Buffer.from('GIF89a'.padEnd(300, '\u0001')),
    'This is a GIF picture, whatever its name says, and not a shape',
  ],
  [
    'one that is nothing known',
    'bear.stl',
    () => Buffer.from('\u0001\u0002'.repeat(200)),
    'This is not an STL file',
  ],
]

test('a file that was put away can be chosen again', async ({ mivro, page }) => {
  const path = join(mivro.server.folder, 'block.stl')
  writeFileSync(path, writeStl(block))
  await mivro.open('/pieces/new')
  for (let turn = 0; turn < 2; turn++) {
    await page.locator('input[type=file]').setInputFiles(path)
    await expect(page.getByText('Yes, watertight')).toBeVisible()
    if (turn === 0) await page.getByRole('button', { name: 'Choose another file' }).click()
  }
})

test.describe('parts and drawings', () => {
  const shifted = ({ positions, triangles }: Mesh, z: number): Mesh => ({
    positions: Float64Array.from(positions, (x, i) => (i % 3 === 2 ? x + z : x)),
    triangles,
  })
  const both = (one: Mesh, other: Mesh): Mesh => ({
    positions: Float64Array.of(...one.positions, ...other.positions),
    triangles: Uint32Array.of(...one.triangles, ...other.triangles.map((v) => v + 8)),
  })

  test('parts that overlap are poured as what they hold together', async ({ mivro, page }) => {
    await mivro.open('/pieces/new')
    // Half of each block is shared: 45 mm high, 90 ml, not 120.
    await give(mivro, 'two.stl', writeStl(both(block, shifted(block, 0.015))))
    await expect(page.locator('[data-code="mesh-united"]')).toContainText(
      '2 parts of the file overlap. They were joined into one: it holds 90.0 ml, where adding the parts up would give 120.0 ml.',
    )
    await page.getByRole('button', { name: 'Create piece' }).click()
    await expect(page.locator('.facts')).toContainText('40 × 50 × 45 mm · 90.0 ml')
  })

  const svg = (inner: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" viewBox="0 0 60 60">${inner}</svg>`

  test('a drawing is shown from above and in 3D, and shapes that cross are joined', async ({
    mivro,
    page,
  }) => {
    await mivro.open('/pieces/new')
    // Two squares of 20 mm that share a quarter: 700 mm², 6 mm thick.
    await give(
      mivro,
      'two.svg',
      svg(
        '<rect x="10" y="10" width="20" height="20"/><rect x="20" y="20" width="20" height="20"/>',
      ),
    )
    await expect(page.getByRole('img', { name: 'The drawing from above' })).toBeVisible()
    await expect(page.getByRole('img', { name: 'The shape in 3D' })).toBeVisible()
    await page.getByRole('button', { name: 'Create piece' }).click()
    await expect(page.locator('.facts')).toContainText('30 × 30 × 6 mm · 4.20 ml')
    await page.reload()
    await expect(page.locator('.facts')).toContainText('30 × 30 × 6 mm · 4.20 ml')
  })

  test('a star that crosses itself is filled by its own rule', async ({ mivro, page }) => {
    await mivro.open('/pieces/new')
    const star = Array.from({ length: 5 }, (_, i) => {
      const a = -Math.PI / 2 + (i * 4 * Math.PI) / 5
      return `${30 + 25 * Math.cos(a)},${30 + 25 * Math.sin(a)}`
    }).join(' ')
    await give(mivro, 'star.svg', svg(`<polygon points="${star}"/>`))
    await expect(page.getByText('Yes, watertight')).toBeVisible()
  })
})

test('what is refused, with its reason, while what was typed stays', async ({ mivro, page }) => {
  const bomb = () => {
    const zip = Buffer.from(threeMf())
    for (let i = 0; i + 4 < zip.length; i++) {
      if (zip.readUInt32LE(i) === 0x02014b50) zip.writeUInt32LE(3_000_000_000, i + 24)
    }
    return zip
  }
  const nested = () => {
    const parts = Array.from({ length: 20 }, (_, i) => {
      const inner = `<component objectid="${i === 0 ? 1 : 100 + i - 1}"/>`.repeat(8)
      return `<object id="${100 + i}"><components>${inner}</components></object>`
    }).join('')
    return zipSync({
      '3D/3dmodel.model': strToU8(
        `<model ${core}><resources><object id="1">${meshXml(corners)}</object>${parts}</resources><build><item objectid="119"/></build></model>`,
      ),
    })
  }
  const unit = () =>
    zipSync({
      '3D/3dmodel.model': strToU8(
        `<model unit="constructor" ${core}><resources><object id="1">${meshXml(corners)}</object></resources><build><item objectid="1"/></build></model>`,
      ),
    })
  const svg = (inner: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 60">${inner}</svg>`
  const refused: [string, string, () => Uint8Array | string, string | RegExp][] = [
    [
      'a web page named .stl',
      'a.stl',
      () => '<!doctype html><html><body>solid</body></html>'.padEnd(200),
      'This is a web page, whatever its name says, and not a shape',
    ],
    ['a PDF named .obj', 'a.obj', () => '%PDF-1.7 '.padEnd(200), 'This is a PDF document'],
    ['JSON named .stl', 'a.stl', () => '{"a": 1}'.padEnd(200), 'This is a JSON document'],
    ['an OBJ without corners', 'a.obj', () => '# nothing\no x\n', 'it holds no corner ("v") lines'],
    [
      'a PLY whose header does not end',
      'a.ply',
      () => 'ply\nformat ascii 1.0\n',
      'its header does not end',
    ],
    [
      'a PLY that announces too much',
      'a.ply',
      () => plyHead('ascii').replace('vertex 8', 'vertex 800000000'),
      'more than its',
    ],
    [
      'a 3MF that is no archive',
      'a.3mf',
      () => 'PK\u0003\u0004 nothing',
      "the archive can't be unpacked",
    ],
    [
      'a 3MF without a model',
      'a.3mf',
      () => zipSync({ 'x.txt': strToU8('x') }),
      'the archive holds no model',
    ],
    ['a 3MF that would unpack to gigabytes', 'a.3mf', bomb, 'would unpack to 3000 MB'],
    ['a 3MF whose parts nest without end', 'a.3mf', nested, 'triangles; up to 4'],
    [
      'a 3MF in a unit that every object has',
      'a.3mf',
      unit,
      '"constructor", which is no unit of the format',
    ],
    [
      'a drawing that uses itself',
      'a.svg',
      () => svg('<g id="a"><use href="#a"/></g>'),
      'a part of it uses itself',
    ],
    [
      'a drawing of 100,000 shapes',
      'a.svg',
      () => svg('<rect width="1" height="1"/>'.repeat(100_000)),
      /The drawing holds 100.000 shapes; up to 2.000 are read/,
    ],
    [
      'a drawing with points that are none',
      'a.svg',
      () => svg('<polygon points="0,0 NaN,5 5,5"/>'),
      'The drawing holds no closed shape',
    ],
    ['a drawing of nothing', 'a.svg', () => svg(''), 'The drawing holds no closed shape'],
  ]
  await mivro.open('/pieces/new')
  await mivro.field('Name').fill('My bear')
  for (const [what, name, bytes, sentence] of [...refused, ...brokenStl]) {
    await test.step(what, async () => {
      await give(mivro, name, bytes())
      await expect(page.getByRole('alert')).toContainText(sentence)
      await expect(mivro.field('Name')).toHaveValue('My bear')
      await expect(page.getByRole('button', { name: 'Create piece' })).toBeHidden()
      // And the way out works: another file.
      await page.getByRole('button', { name: 'Choose another file' }).click()
    })
  }
  const path = join(mivro.server.folder, 'huge.stl')
  writeFileSync(path, '')
  truncateSync(path, 200_000_001)
  await page.locator('input[type=file]').setInputFiles(path)
  await expect(page.getByRole('alert')).toContainText(
    '200 MB is the most taken here. Save it smaller',
  )
  await page.getByRole('button', { name: 'Choose another file' }).click()
  await give(mivro, 'block.stl', writeStl(block))
  await expect(page.getByText('Yes, watertight')).toBeVisible()
})
