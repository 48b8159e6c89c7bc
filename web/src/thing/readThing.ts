import { plateFrom, type ReadForm } from '@mivro/core/matter/inclusion'
import { largestFile } from '@mivro/core/form/mesh'
import { Problem } from '@mivro/core/base/problem'
import { isDrawing, readSvg } from '../work/readSvg.ts'
import { lookAt } from '../work/pending.ts'
import { askOutline, askThing, inspectFile } from '../work/pool.ts'

/**
 * The form of a thing from a drawing or a mesh file, at the size it has there.
 *
 * Throws `Problem`s of the readers: what is no such file, too large, crossing or open.
 */
export async function readThing(file: File, signal?: AbortSignal): Promise<ReadForm> {
  if (await isDrawing(file)) {
    const { paths, unit } = await readSvg(file)
    const { loops } = await askOutline(paths, unit, signal)
    return plateFrom(loops)
  }
  if (file.size > largestFile) {
    throw new Problem('file-too-large', { bytes: file.size, limit: largestFile })
  }
  const mesh = lookAt(file)
  const { named, suggestion } = await inspectFile(mesh, signal)
  const form = { from: 'file', mesh, fileName: file.name, unit: named ?? suggestion.unit } as const
  return askThing(form)
}

export const thingFiles = ['.svg', '.stl', '.obj', '.ply', '.3mf'].join()
