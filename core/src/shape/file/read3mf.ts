import { unzipSync } from 'fflate'
import { SaxesParser, type SaxesTagPlain } from 'saxes'
import { Problem } from '../../problem/index.ts'
import type { FileUnit } from '../fileUnit.ts'
import { finiteSoup } from './finite.ts'
import type { MeshFile } from './kinds.ts'

/** A model part that unpacks to more is refused before it is unpacked. */
const largestModel = 600e6

/** Triangles beyond this are more than the bench can hold. */
const mostTriangles = 8e6

/** Parts within parts deeper than this go round in a circle. */
const deepest = 20

/** 3MF core specification 1.3, "unit" of <model>; millimetre where it is left out. */
const units: Record<string, FileUnit> = {
  micron: 'um',
  millimeter: 'mm',
  centimeter: 'cm',
  inch: 'in',
  foot: 'ft',
  meter: 'm',
}

/** Row vectors: [x y z 1] × the matrix, four rows of three (3MF core specification 1.3, 3.3). */
type Transform = readonly number[]
const still: Transform = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0]

interface Part {
  vertices: number[]
  triangles: number[]
  components: { object: string; transform: Transform }[]
}

interface Model {
  unit: FileUnit
  parts: Map<string, Part>
  build: { object: string; transform: Transform }[]
}

/** The build of a 3MF file in its own unit, which the format names. */
export function read3mf(bytes: Uint8Array): MeshFile {
  const model = readModel(new TextDecoder().decode(modelPart(bytes)))
  const corners: number[] = []
  const place = (object: string, chain: readonly Transform[], depth: number): void => {
    const part = model.parts.get(object)
    if (!part) throw broken(`it builds part ${object}, which it does not hold`)
    if (depth > deepest) throw broken(`its parts hold one another in a circle`)
    for (const v of part.triangles) {
      let point = [part.vertices[3 * v] ?? NaN, part.vertices[3 * v + 1], part.vertices[3 * v + 2]]
      for (const transform of chain) point = moved(point, transform)
      corners.push(...point)
    }
    if (corners.length > 9 * mostTriangles) throw broken('it builds more than 8 million triangles')
    for (const { object: inner, transform } of part.components) {
      place(inner, [transform, ...chain], depth + 1)
    }
  }
  for (const { object, transform } of model.build) place(object, [transform], 0)
  return { kind: '3mf', unit: model.unit, ...finiteSoup(Float32Array.from(corners)) }
}

const broken = (reason: string) => new Problem('file-broken', { format: '3MF', reason })

const moved = ([x, y, z]: number[], m: Transform) =>
  [0, 1, 2].map((k) => x * m[k] + y * m[3 + k] + z * m[6 + k] + m[9 + k])

/** The model's bytes; names inside the archive are looked at, never used as paths. */
function modelPart(bytes: Uint8Array): Uint8Array {
  let unpacked = 0
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!name.toLowerCase().endsWith('.model')) return false
        unpacked += originalSize
        if (unpacked > largestModel) {
          throw new Problem('zip-too-large', { bytes: unpacked, limit: largestModel })
        }
        return true
      },
    })
    const models = Object.keys(files).sort((a, b) => files[b].length - files[a].length)
    const main = models.find((name) => /3dmodel\.model$/i.test(name)) ?? models[0]
    if (main !== undefined) return files[main]
  } catch (error) {
    if (error instanceof Problem) throw error
    throw broken(`the archive can't be unpacked`)
  }
  throw broken('the archive holds no model')
}

function readModel(text: string): Model {
  const model: Model = { unit: 'mm', parts: new Map(), build: [] }
  let part: Part | undefined
  const parser = new SaxesParser()
  parser.on('doctype', () => {
    throw broken('it declares entities, which a model has no need of')
  })
  parser.on('error', (error) => {
    throw broken(`its model is not well-formed (${error.message})`)
  })
  parser.on('opentag', ({ name, attributes: a }: SaxesTagPlain) => {
    switch (name.replace(/^.*:/, '')) {
      case 'model': {
        const unit = units[a.unit ?? 'millimeter']
        if (!unit) throw broken(`it is in "${a.unit}", which is no unit of the format`)
        model.unit = unit
        break
      }
      case 'object':
        part = { vertices: [], triangles: [], components: [] }
        model.parts.set(a.id, part)
        break
      case 'vertex':
        part?.vertices.push(Number(a.x), Number(a.y), Number(a.z))
        break
      case 'triangle':
        part?.triangles.push(Number(a.v1), Number(a.v2), Number(a.v3))
        break
      case 'component':
        part?.components.push({ object: a.objectid, transform: transformOf(a.transform) })
        break
      case 'item':
        model.build.push({ object: a.objectid, transform: transformOf(a.transform) })
        break
    }
  })
  parser.write(text).close()
  if (model.parts.size === 0) throw broken('its model holds no part')
  return model
}

function transformOf(text: string | undefined): Transform {
  if (text === undefined) return still
  const numbers = text.trim().split(/\s+/).map(Number)
  if (numbers.length !== 12 || !numbers.every(Number.isFinite)) {
    throw broken(`"${text}" is no transform`)
  }
  return numbers
}
