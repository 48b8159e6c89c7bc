/** A new document's id, made here so that asking twice makes one. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(9))
  return Array.from(bytes, (byte) => byte.toString(36).padStart(2, '0')).join('')
}
