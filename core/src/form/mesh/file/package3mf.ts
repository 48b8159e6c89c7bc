import { unzipSync } from 'fflate'
import { Problem } from '../../../base/problem/index.ts'
import { broken3mf } from './broken3mf.ts'
import { decodeText } from './text.ts'

/** The model files together may unpack to no more than this; refused before it is unpacked. */
const largestModels = 600e6

/** Models come to a tenth of their size, very regular ones to a fiftieth: what swells more fills a memory. */
const swells = { times: 150, more: 1e6 }

/** The model files of an archive: each text by its place, and the place of the first. */
export interface ModelParts {
  main: string
  texts: Map<string, string>
}

/** Where the format puts the first model when the archive does not say (OPC relationships). */
const usualMain = '3d/3dmodel.model'

/** A place inside the archive as it is compared: without a leading slash, in small letters. */
export const placeIn = (name: string): string => name.replace(/^\/+/, '').toLowerCase()

/** The models of a 3MF archive. Names inside it are looked up, never used as paths. */
export function modelParts(bytes: Uint8Array): ModelParts {
  const files = unpacked(bytes)
  const texts = new Map<string, string>()
  let largest: string | undefined
  for (const [name, content] of Object.entries(files)) {
    if (!name.toLowerCase().endsWith('.model')) continue
    const place = placeIn(name)
    texts.set(place, decodeText(content))
    if (largest === undefined || texts.get(place)!.length > texts.get(largest)!.length) {
      largest = place
    }
  }
  if (largest === undefined) throw broken3mf('no-model')
  const named = firstModel(files['_rels/.rels'])
  const main = [named, usualMain, largest].find((place) => place !== undefined && texts.has(place))!
  return { main, texts }
}

function unpacked(bytes: Uint8Array): Record<string, Uint8Array> {
  let sum = 0
  try {
    return unzipSync(bytes, {
      filter: ({ name, size, originalSize }) => {
        if (!/\.model$|^_rels\/\.rels$/i.test(name)) return false
        sum += originalSize
        const limit = Math.min(largestModels, swells.times * size + swells.more)
        if (originalSize > limit || sum > largestModels)
          throw new Problem('zip-too-large', { bytes: sum, limit })
        return true
      },
    })
  } catch (error) {
    if (error instanceof Problem) throw error
    throw broken3mf('not-unpacked')
  }
}

/** The target of the relationship of type ".../3dmodel" (3MF core specification 1.3, 2.1). */
function firstModel(relations: Uint8Array | undefined): string | undefined {
  if (!relations) return undefined
  const text = decodeText(relations)
  for (const [tag] of text.matchAll(/<Relationship\b[^>]*>/g)) {
    if (!/Type\s*=\s*["'][^"']*\/3dmodel["']/i.test(tag)) continue
    const target = /Target\s*=\s*["']([^"']+)["']/i.exec(tag)?.[1]
    if (target !== undefined) return placeIn(target)
  }
  return undefined
}
