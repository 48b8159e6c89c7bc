import { bytesIn } from './bytes.ts'

/** Values by key, the least recently used dropped when they hold more bytes than allowed. */
export class ByteCache<T> {
  private readonly entries = new Map<string, { value: T; bytes: number }>()
  private held = 0

  constructor(private readonly limit: number) {}

  get bytes(): number {
    return this.held
  }

  get(key: string): T | undefined {
    const entry = this.entries.get(key)
    if (!entry) return undefined
    // The newest stand last.
    this.entries.delete(key)
    this.entries.set(key, entry)
    return entry.value
  }

  /** A value that is larger than all that is allowed is not kept. */
  set(key: string, value: T): void {
    this.delete(key)
    const bytes = bytesIn(value)
    if (bytes > this.limit) return
    this.entries.set(key, { value, bytes })
    this.held += bytes
    for (const oldest of this.entries.keys()) {
      if (this.held <= this.limit) return
      this.delete(oldest)
    }
  }

  delete(key: string): void {
    this.held -= this.entries.get(key)?.bytes ?? 0
    this.entries.delete(key)
  }
}
