import { Problem, type OtherFile } from '../../../base/problem/index.ts'
import type { FileUnit } from '../fileUnit.ts'
import type { Mesh } from '../mesh.ts'
import { isBinaryStl, isTextStl } from '../stl/inspect.ts'
import { decodeText } from './text.ts'

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

/** A comment at the head of an OBJ file may be this long, bytes. */
const sniffed = 256 * 1024

/** Other things that people drop here, by how they begin. */
const others: [RegExp, OtherFile][] = [
  [/^%PDF-/, 'pdf'],
  [/^\s*<(!doctype html|html)/i, 'web-page'],
  [/^\s*(<\?xml[^>]*>\s*)?(<!--[^]*?-->\s*)*(<!doctype svg[^>]*>\s*)?<svg/i, 'svg'],
  [/^\s*<\?xml/, 'xml'],
  [/^\s*[[{]/, 'json'],
  [/^\u0089PNG/, 'png'],
  [/^\u00ff\u00d8\u00ff/, 'jpeg'],
  [/^GIF8/, 'gif'],
  [/^ISO-10303-21/, 'step'],
  [/^\u001f\u008b/, 'archive'],
  [/^(7z\u00bc\u00af|Rar!)/, 'archive'],
]

/**
 * Which format the bytes are. The name of a file decides nothing.
 *
 * Throws `Problem('file-not-shape')` for the other things that people drop here; what looks like
 * nothing at all is left to the STL reader, which says what is wrong with it.
 *
 * @example kindOfFile(encoded('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3')) // 'obj'
 */
export function kindOfFile(bytes: Uint8Array): MeshFileKind {
  if (isBinaryStl(bytes)) return 'stl'
  const raw = new TextDecoder('latin1').decode(bytes.subarray(0, 16))
  if (raw.startsWith('PK\u0003\u0004')) return '3mf'
  const start = decodeText(bytes.subarray(0, sniffed))
  if (/^ply\r?\n/.test(start)) return 'ply'
  if (isTextStl(start)) return 'stl'
  if (/^[ \t]*v[ \t]+[-+.\d]/m.test(start)) return 'obj'
  const other = others.find(([begins]) => begins.test(raw) || begins.test(start.slice(0, 4096)))
  if (other) throw new Problem('file-not-shape', { is: other[1] })
  return /^\s*(#|mtllib\b|o[ \t]|g[ \t])/.test(start) ? 'obj' : 'stl'
}
