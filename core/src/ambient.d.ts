/** The one thing core takes from its surroundings; browsers, workers and Node all have it. */
declare class TextDecoder {
  constructor(label?: string)
  decode(bytes: Uint8Array): string
}
