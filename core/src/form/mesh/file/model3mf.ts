import { SaxesParser, type SaxesTagPlain } from 'saxes'
import type { FileUnit } from '../fileUnit.ts'
import { broken3mf } from './broken3mf.ts'
import { GrowingFloats } from './growing.ts'
import { placeIn } from './package3mf.ts'

/** 3MF core specification 1.3, "unit" of <model>; millimetre where it is left out. */
const units = new Map<string, FileUnit>([
  ['micron', 'um'],
  ['millimeter', 'mm'],
  ['centimeter', 'cm'],
  ['inch', 'in'],
  ['foot', 'ft'],
  ['meter', 'm'],
])

/** Row vectors: [x y z 1] × the matrix, four rows of three (3MF core specification 1.3, 3.3). */
export type Transform = readonly number[]
const still: Transform = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0]

/** A part put somewhere: the model file it stands in, its number there, and how it is moved. */
export interface Placed {
  path: string
  object: string
  transform: Transform
}

export interface Part {
  vertices: Float64Array
  triangles: Float64Array
  components: Placed[]
}

export interface Model {
  unit: FileUnit
  parts: Map<string, Part>
  build: Placed[]
}

/**
 * One model file of a 3MF archive. A part may stand in another file: the attribute `path` of the
 * production extension 1.1 names it, else it is this one (`here`).
 */
export function readModel(text: string, here: string): Model {
  const model: Model = { unit: 'mm', parts: new Map(), build: [] }
  let part: { vertices: GrowingFloats; triangles: GrowingFloats; components: Placed[] } | undefined
  let open: string | undefined
  const close = () => {
    if (!part || open === undefined) return
    const { vertices, triangles, components } = part
    model.parts.set(open, { vertices: vertices.take(), triangles: triangles.take(), components })
    part = undefined
  }
  const placed = (a: SaxesTagPlain['attributes']): Placed => ({
    path: pathOf(a) ?? here,
    object: a.objectid,
    transform: transformOf(a.transform),
  })
  const parser = new SaxesParser()
  parser.on('doctype', () => {
    throw broken3mf('entities')
  })
  parser.on('error', (error) => {
    throw broken3mf('not-well-formed', error.message)
  })
  parser.on('opentag', ({ name, attributes: a }: SaxesTagPlain) => {
    switch (name.replace(/^.*:/, '')) {
      case 'model':
        model.unit = unitOf(a.unit)
        break
      case 'object':
        close()
        open = a.id
        part = { vertices: new GrowingFloats(), triangles: new GrowingFloats(), components: [] }
        break
      case 'vertex':
        part?.vertices.push(Number(a.x))
        part?.vertices.push(Number(a.y))
        part?.vertices.push(Number(a.z))
        break
      case 'triangle':
        part?.triangles.push(Number(a.v1))
        part?.triangles.push(Number(a.v2))
        part?.triangles.push(Number(a.v3))
        break
      case 'component':
        part?.components.push(placed(a))
        break
      case 'item':
        model.build.push(placed(a))
        break
    }
  })
  parser.write(text).close()
  close()
  return model
}

function unitOf(name = 'millimeter'): FileUnit {
  const unit = units.get(name)
  if (!unit) throw broken3mf('unknown-unit', name.slice(0, 40))
  return unit
}

/** The attribute of the production extension, whatever prefix its namespace was given. */
function pathOf(attributes: SaxesTagPlain['attributes']): string | undefined {
  const key = Object.keys(attributes).find((name) => /:path$/.test(name))
  return key === undefined ? undefined : placeIn(attributes[key])
}

function transformOf(text: string | undefined): Transform {
  if (text === undefined) return still
  const numbers = text.trim().split(/\s+/).map(Number)
  if (numbers.length !== 12 || !numbers.every(Number.isFinite)) {
    throw broken3mf('no-transform', text.slice(0, 80))
  }
  return numbers
}
