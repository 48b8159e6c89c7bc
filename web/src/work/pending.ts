/** The file that is looked at before it is uploaded, under an id that no mesh of the store has. */
let latest: { mesh: string; file: Blob } | undefined
let count = 0

const zeros = '0'.repeat(56)

/** What ids of files begin with that were never uploaded. */
export const noFile = `"${zeros}`

/** An id that stands for this file in forms and questions until it is uploaded. */
export function lookAt(file: Blob): string {
  const mesh = zeros + (++count).toString(16).padStart(8, '0')
  latest = { mesh, file }
  return mesh
}

export const isPending = (mesh: string): boolean => mesh.startsWith(zeros)

/** The file that a question is about, where it names one that is not uploaded. */
export const fileIn = (key: string): Blob | undefined =>
  latest && key.includes(latest.mesh) ? latest.file : undefined
