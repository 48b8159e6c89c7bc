import { readForm, type Form, type ReadingStep } from '@mivro/core/form/piece'
import { Problem } from '@mivro/core/base/problem'
import type { Cavity } from '@mivro/core/form/mesh'
import { ByteCache } from './byteCache.ts'
import { solidKernel } from './solidKernel.ts'

/** Shapes read last: about four of a million triangles. */
const cavities = new ByteCache<Cavity>(160e6)

/**
 * The cavity of a form, read once however often it is turned. `file` where it is not uploaded
 * yet. Throws as `readForm` does.
 */
export async function cavityFor(
  form: Form,
  file: Blob | undefined,
  onStep: (step: ReadingStep) => void,
): Promise<Cavity> {
  const key = JSON.stringify(form)
  const known = cavities.get(key)
  if (known) return known
  const bytes = file && form.from === 'file' ? await bytesOfFile(file) : await bytesOf(form)
  const cavity = await readForm(form, bytes, { kernel: solidKernel, onStep })
  cavities.set(key, cavity)
  return cavity
}

/** Throws `Problem('file-gone')` when the file was moved or changed since it was chosen. */
export async function bytesOfFile(file: Blob): Promise<Uint8Array> {
  const body = await file.arrayBuffer().catch(() => {
    throw new Problem('file-gone', {})
  })
  return new Uint8Array(body)
}

async function bytesOf(form: Form): Promise<Uint8Array | undefined> {
  if (form.from !== 'file') return undefined
  const response = await fetch(`/api/meshes/${form.mesh}`).catch(() => {
    throw new Problem('server-away', {})
  })
  if (!response.ok) throw new Problem('mesh-missing', { id: form.mesh }, 'form')
  // An answer that is cut off in its middle is no answer.
  const body = await response.arrayBuffer().catch(() => {
    throw new Problem('server-away', {})
  })
  return new Uint8Array(body)
}
