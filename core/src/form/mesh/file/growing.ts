/** Numbers of unknown count: doubles when full, never sized by what a file claims. */
export class GrowingFloats {
  private values = new Float64Array(64)
  length = 0

  push(value: number): void {
    if (this.length === this.values.length) {
      const larger = new Float64Array(this.values.length * 2)
      larger.set(this.values)
      this.values = larger
    }
    this.values[this.length++] = value
  }

  take(): Float64Array {
    return this.values.slice(0, this.length)
  }
}
