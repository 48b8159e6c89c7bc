import manifoldModule from 'manifold-3d'
import { readForm, type Form } from '../core/src/form/piece/index.ts'
import { writeStl, type Mesh } from '../core/src/form/mesh/index.ts'
import { joined } from '../core/src/form/shape/overlap/parts.ts'
import { enclosingCircle } from '../core/src/mould/index.ts'
import { bumpyBall } from './bumpyBall.ts'
import { compare, median, within } from './timing.ts'

const form: Form = { from: 'file', mesh: '0'.repeat(64), fileName: 'a.stl', unit: 'm' }
const kernel = manifoldModule().then((solids) => {
  solids.setup()
  return solids
})

/** Milliseconds of reading, mending and uniting a file: the middle of five, after a cold one. */
async function reading(mesh: Mesh): Promise<number> {
  const bytes = writeStl(mesh)
  // The writer's file is in millimetres.
  const asked = { ...form, unit: 'mm' } as Form
  const taken: number[] = []
  for (let i = 0; i < 6; i++) {
    const start = performance.now()
    await readForm(asked, bytes, { kernel: () => kernel })
    if (i > 0) taken.push(performance.now() - start)
  }
  return taken.sort((a, b) => a - b)[2]
}

/** Files of many parts, mended and united, against one clean shell of as many triangles. */
export async function benchParts(): Promise<void> {
  console.log('\nReading a file of 200 000 triangles, mended and united')
  const clean = bumpyBall(200_000)
  const large = bumpyBall(150_000)
  const whole = await reading(clean)
  within('one clean shell', whole, 900)
  const cases: [string, Mesh][] = [
    ['one face of it turned', turned(clean)],
    ['600 small shells inside a large one, a face turned', turned(withSmall(large, 600, [0, 0.8]))],
    [
      '600 small shells across a large one, a face turned',
      turned(withSmall(large, 600, [0.95, 1.05])),
    ],
  ]
  for (const [name, mesh] of cases) {
    const taken = await reading(mesh)
    compare(name, taken, 'one clean shell of as many', whole, 3)
    within(name, taken, 3000)
  }
  const loop = Array.from({ length: 32_000 }, (_, i) => {
    const a = (2 * Math.PI * (i >> 1)) / 16_000
    return i % 2 ? Math.sin(a) : Math.cos(a)
  })
  within(
    'the circle around a hull of 16 000 points',
    median(() => enclosingCircle(loop), 5),
    50,
  )
}

function turned({ positions, triangles }: Mesh): Mesh {
  const copy = triangles.slice()
  ;[copy[300], copy[301]] = [copy[301], copy[300]]
  return { positions, triangles: copy }
}

/** Small balls at places spread evenly, at shares of the large one's radius between two. */
function withSmall(large: Mesh, count: number, [from, to]: readonly [number, number]): Mesh {
  const parts: Mesh[] = [large]
  let reach = 0
  for (const x of large.positions) reach = Math.max(reach, Math.abs(x))
  const small = bumpyBall(80)
  let own = 0
  for (const x of small.positions) own = Math.max(own, Math.abs(x))
  const size = (0.02 * reach) / own
  for (let i = 0; i < count; i++) {
    // Points of a Fibonacci lattice (González 2010), at radii that go round.
    const z = 1 - (2 * i + 1) / count
    const a = 2.399963229728653 * i
    const side = Math.sqrt(1 - z * z)
    const r = 0.86 * reach * (from + ((to - from) * (i % 7)) / 6)
    const at = [r * side * Math.cos(a), r * side * Math.sin(a), r * z]
    parts.push({
      positions: Float64Array.from(small.positions, (x, k) => x * size + at[k % 3]),
      triangles: small.triangles,
    })
  }
  return joined(parts)
}
