import type { BufferGeometry, Mesh as ThreeMesh } from 'three'
import { OBJLoader } from 'three/examples/jsm/loaders/OBJLoader.js'
import { Problem } from '../../problem/index.ts'
import { finiteSoup } from './finite.ts'
import type { MeshFile } from './kinds.ts'

/** The faces of a Wavefront OBJ file; groups are taken together, lines and points left out. */
export function readObj(bytes: Uint8Array): MeshFile {
  const text = new TextDecoder().decode(bytes)
  if (!/^\s*v\s/m.test(text)) {
    throw new Problem('file-broken', { format: 'OBJ', reason: 'it holds no corner ("v") lines' })
  }
  const parts: Float32Array[] = []
  try {
    new OBJLoader().parse(text).traverse((node) => {
      const { isMesh, geometry } = node as ThreeMesh
      if (isMesh) parts.push((geometry as BufferGeometry).attributes.position.array as Float32Array)
    })
  } catch (error) {
    throw new Problem('file-broken', { format: 'OBJ', reason: String((error as Error).message) })
  }
  const corners = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0))
  let at = 0
  for (const part of parts) {
    corners.set(part, at)
    at += part.length
  }
  return { kind: 'obj', ...finiteSoup(corners) }
}
