/** Which files a document names by their hash, whatever its kind. */
export function filesOf(document: unknown): { mesh?: string; pictures: string[] } {
  const { form, pictures, pins, events } = (document ?? {}) as {
    form?: { from?: string; mesh?: string }
    pictures?: { id: string }[]
    pins?: { picture?: string }[]
    events?: { picture?: string }[]
  }
  const named = [
    ...(Array.isArray(pictures) ? pictures.map(({ id }) => id) : []),
    ...[pins, events].flatMap((list) =>
      Array.isArray(list) ? list.flatMap(({ picture }) => picture ?? []) : [],
    ),
  ]
  return {
    mesh: form?.from === 'file' ? form.mesh : undefined,
    pictures: [...new Set(named)],
  }
}
