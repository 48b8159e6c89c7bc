/**
 * About how many bytes a plain value holds: arrays of numbers to the byte, the rest by a word each.
 *
 * @example bytesIn({ curve: new Float64Array(1000) }) // 8016
 */
export function bytesIn(value: unknown): number {
  if (typeof value === 'string') return 2 * value.length
  if (typeof value !== 'object' || value === null) return word
  if (ArrayBuffer.isView(value)) return value.byteLength
  if (value instanceof ArrayBuffer) return value.byteLength
  let sum = word
  for (const part of value instanceof Map ? value.values() : Object.values(value)) {
    sum += word + bytesIn(part)
  }
  return sum
}
const word = 8

/** Every buffer that a plain value's arrays stand in, once. */
export function buffersIn(value: unknown, found = new Set<ArrayBuffer>()): Set<ArrayBuffer> {
  if (typeof value !== 'object' || value === null) return found
  if (ArrayBuffer.isView(value)) return found.add(value.buffer as ArrayBuffer)
  for (const part of Object.values(value)) buffersIn(part, found)
  return found
}
