import { inspectPicture, largestPicture } from '@mivro/core/base/picture'
import { Problem } from '@mivro/core/base/problem'
import { api } from './client.ts'

/** As large as a picture is shown in a list, px, and how well packed. */
const small = { side: 320, quality: 0.8 }

/**
 * Keeps a picture: judged before it is sent, and a small one made of it for lists.
 *
 * Throws `Problem`: file-too-large, picture-not-one, picture-other, and what the server says.
 */
export async function keepPicture(file: File): Promise<string> {
  if (file.size > largestPicture) {
    throw new Problem('file-too-large', { bytes: file.size, limit: largestPicture })
  }
  inspectPicture(new Uint8Array(await file.arrayBuffer()), {
    name: file.name,
    claims: file.type || undefined,
  })
  const { id } = await api.uploadPicture(file)
  const shrunk = await shrink(file)
  // Without a small one the whole one is shown in its place.
  if (shrunk) await api.keepSmall(id, shrunk).catch(() => undefined)
  return id
}

async function shrink(file: Blob): Promise<Blob | undefined> {
  try {
    const whole = await createImageBitmap(file)
    const share = Math.min(1, small.side / Math.max(whole.width, whole.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(whole.width * share))
    canvas.height = Math.max(1, Math.round(whole.height * share))
    canvas.getContext('2d')!.drawImage(whole, 0, 0, canvas.width, canvas.height)
    whole.close()
    return await new Promise((done) =>
      canvas.toBlob((blob) => done(blob ?? undefined), 'image/jpeg', small.quality),
    )
  } catch {
    return undefined
  }
}

/** Where a picture is shown from. @example pictureAddress('ab', 'small') // '/api/pictures/ab?size=small' */
export const pictureAddress = (id: string, size: 'whole' | 'small'): string =>
  `/api/pictures/${id}?size=${size}`
