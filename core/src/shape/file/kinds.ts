import type { FileUnit } from '../fileUnit.ts'
import type { Mesh } from '../mesh.ts'

/** The open formats a shape is read from. */
export const meshFileKinds = ['stl', 'obj', 'ply', '3mf'] as const
export type MeshFileKind = (typeof meshFileKinds)[number]

/** What a file holds: a soup in its own unit, and that unit where the format names one. */
export interface MeshFile {
  kind: MeshFileKind
  mesh: Mesh
  /** Triangles left out since they held no usable numbers. */
  dropped: number
  unit?: FileUnit
}

/** Which format the bytes are, by what they begin with, else by the file's name. */
export function kindOfFile(bytes: Uint8Array, fileName: string): MeshFileKind {
  const begins = (text: string) => [...text].every((c, i) => bytes[i] === c.charCodeAt(0))
  if (begins('PK\u0003\u0004')) return '3mf'
  if (begins('ply\n') || begins('ply\r')) return 'ply'
  const ending = /\.(\w+)$/.exec(fileName.toLowerCase())?.[1]
  return meshFileKinds.find((kind) => kind === ending) ?? 'stl'
}
