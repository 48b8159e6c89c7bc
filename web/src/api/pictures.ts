import { inspectPicture, largestPicture } from '@mivro/core/base/picture'
import { Problem } from '@mivro/core/base/problem'
import { api } from './client.ts'

/** How large a picture is kept and shown in a list, longest side in px, and how well packed. */
const sizes = {
  whole: { side: 3000, quality: 0.92 },
  small: { side: 320, quality: 0.8 },
} as const

/**
 * Keeps a picture: judged before it is sent, drawn anew so that only what is seen of it leaves this
 * page, and a small one made of it for lists.
 *
 * Throws `Problem`: file-too-large, picture-not-one, picture-other, and what the server says.
 */
export async function keepPicture(file: File): Promise<string> {
  if (file.size > largestPicture) {
    throw new Problem('file-too-large', { bytes: file.size, limit: largestPicture })
  }
  const { name } = file
  const claims = file.type || undefined
  const { type } = inspectPicture(new Uint8Array(await file.arrayBuffer()), { name, claims })
  const seen = await createImageBitmap(file).catch(() => {
    throw new Problem('picture-not-one', { name })
  })
  try {
    const { id } = await api.uploadPicture(
      await drawn(seen, type === 'image/png' ? type : 'image/jpeg', sizes.whole),
    )
    // Without a small one the whole one is shown in its place.
    await drawn(seen, 'image/jpeg', sizes.small)
      .then((small) => api.keepSmall(id, small))
      .catch(() => undefined)
    return id
  } finally {
    seen.close()
  }
}

async function drawn(
  seen: ImageBitmap,
  type: 'image/jpeg' | 'image/png',
  { side, quality }: (typeof sizes)[keyof typeof sizes],
): Promise<Blob> {
  const share = Math.min(1, side / Math.max(seen.width, seen.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(seen.width * share))
  canvas.height = Math.max(1, Math.round(seen.height * share))
  canvas.getContext('2d')!.drawImage(seen, 0, 0, canvas.width, canvas.height)
  return new Promise((done, failed) =>
    canvas.toBlob(
      (blob) => (blob ? done(blob) : failed(new Problem('picture-not-one', { name: 'It' }))),
      type,
      quality,
    ),
  )
}

/** Where a picture is shown from. @example pictureAddress('ab', 'small') // '/api/pictures/ab?size=small' */
export const pictureAddress = (id: string, size: 'whole' | 'small'): string =>
  `/api/pictures/${id}?size=${size}`
