import { Problem } from '../../../base/problem/index.ts'
import { finiteSoup } from './finite.ts'
import type { MeshFile } from './kinds.ts'
import { readModel, type Model, type Part, type Transform } from './model3mf.ts'
import { broken3mf } from './broken3mf.ts'
import { modelParts } from './package3mf.ts'

/** Triangles beyond this are more than the bench can hold. */
const mostTriangles = 4_000_000

/** Parts placed, however few triangles each has. */
const mostPlaced = 200_000

/**
 * The build of a 3MF file in its own unit, which the format names. Parts in model files of their
 * own (the production extension) are read as well. What the build comes to is counted before
 * anything is placed.
 *
 * Throws `Problem`: file-broken, zip-too-large, mesh-no-triangles, mesh-too-fine.
 */
export function read3mf(bytes: Uint8Array): MeshFile {
  const { main, texts } = modelParts(bytes)
  const models = new Map<string, Model>()
  const modelAt = (path: string): Model => {
    let model = models.get(path)
    if (!model) {
      const text = texts.get(path)
      if (text === undefined) throw broken3mf('part-missing', path)
      model = readModel(text, path)
      models.set(path, model)
    }
    return model
  }
  const partAt = (path: string, object: string): Part => {
    const part = modelAt(path).parts.get(object)
    if (!part) throw broken3mf('part-missing', object)
    return part
  }
  const root = modelAt(main)
  if (root.parts.size === 0 && root.build.length === 0) throw broken3mf('no-part')
  const sizes = counted(partAt)
  const sum = root.build.reduce(
    (total, { path, object }) => {
      const { triangles, placed } = sizes(path, object)
      return { triangles: total.triangles + triangles, placed: total.placed + placed }
    },
    { triangles: 0, placed: 0 },
  )
  if (sum.triangles > mostTriangles || sum.placed > mostPlaced) {
    throw new Problem('mesh-too-fine', { triangles: sum.triangles, limit: mostTriangles })
  }
  const corners = new Float64Array(9 * sum.triangles)
  let at = 0
  const place = (path: string, object: string, transform: Transform): void => {
    if (sizes(path, object).triangles === 0) return
    const part = partAt(path, object)
    at = put(part, transform, corners, at)
    for (const inner of part.components) {
      place(inner.path, inner.object, after(inner.transform, transform))
    }
  }
  for (const { path, object, transform } of root.build) place(path, object, transform)
  return { kind: '3mf', unit: root.unit, ...finiteSoup(corners) }
}

interface Size {
  triangles: number
  placed: number
}

/** What each part comes to with all that it holds, reckoned once for each. */
function counted(partAt: (path: string, object: string) => Part) {
  const known = new Map<string, Size | 'open'>()
  const sizeOf = (path: string, object: string): Size => {
    const key = `${path}#${object}`
    const found = known.get(key)
    if (found === 'open') throw broken3mf('holds-itself')
    if (found) return found
    known.set(key, 'open')
    const part = partAt(path, object)
    const size = { triangles: part.triangles.length / 3, placed: 1 }
    for (const inner of part.components) {
      const { triangles, placed } = sizeOf(inner.path, inner.object)
      size.triangles += triangles
      size.placed += triangles > 0 ? placed : 0
    }
    known.set(key, size)
    return size
  }
  return sizeOf
}

/** Writes a part's triangles where they are placed; says where the next begin. */
function put(
  { vertices, triangles }: Part,
  m: Transform,
  corners: Float64Array,
  from: number,
): number {
  let at = from
  // A mirroring transform would turn the part inside out: its triangles are written the other way.
  const mirrored = determinant(m) < 0
  for (let i = 0; i < triangles.length; i += 3) {
    for (let n = 0; n < 3; n++) {
      const v = 3 * triangles[mirrored ? i + 2 - n : i + n]
      const [x, y, z] = [vertices[v] ?? NaN, vertices[v + 1], vertices[v + 2]]
      for (let k = 0; k < 3; k++) corners[at++] = x * m[k] + y * m[3 + k] + z * m[6 + k] + m[9 + k]
    }
  }
  return at
}

const determinant = (m: Transform) =>
  m[0] * (m[4] * m[8] - m[5] * m[7]) -
  m[1] * (m[3] * m[8] - m[5] * m[6]) +
  m[2] * (m[3] * m[7] - m[4] * m[6])

/** First `inner`, then `outer`, as one: both are row vectors times matrices. */
function after(inner: Transform, outer: Transform): Transform {
  const row = (x: number, y: number, z: number, w: number) =>
    [0, 1, 2].map((k) => x * outer[k] + y * outer[3 + k] + z * outer[6 + k] + w * outer[9 + k])
  return [0, 3, 6, 9].flatMap((r) => row(inner[r], inner[r + 1], inner[r + 2], r === 9 ? 1 : 0))
}
