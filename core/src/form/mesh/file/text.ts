/**
 * The text of a file: UTF-16 where its byte-order mark says so, else UTF-8, without the mark.
 *
 * @example decodeText(Uint8Array.of(0xff, 0xfe, 0x76, 0)) // 'v'
 */
export function decodeText(bytes: Uint8Array): string {
  return new TextDecoder(encodingOf(bytes)).decode(bytes)
}

export function encodingOf([first, second]: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' {
  if (first === 0xff && second === 0xfe) return 'utf-16le'
  if (first === 0xfe && second === 0xff) return 'utf-16be'
  return 'utf-8'
}
