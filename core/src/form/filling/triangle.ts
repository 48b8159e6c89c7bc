/** f(h): the share of a triangle's projected area that lies below h. */
export function share(z1: number, z2: number, z3: number, h: number): number {
  if (h <= z1) return 0
  if (h >= z3) return 1
  if (h < z2) return ((h - z1) * (h - z1)) / ((z2 - z1) * (z3 - z1))
  return 1 - ((z3 - h) * (z3 - h)) / ((z3 - z2) * (z3 - z1))
}

/** I(h): the integral of the share up to h. */
export function integral(z1: number, z2: number, z3: number, h: number): number {
  if (h <= z1) return 0
  if (h >= z3) return h - (z1 + z2 + z3) / 3
  if (h < z2) return ((h - z1) * (h - z1) * (h - z1)) / (3 * (z2 - z1) * (z3 - z1))
  return h - (z1 + z2 + z3) / 3 + ((z3 - h) * (z3 - h) * (z3 - h)) / (3 * (z3 - z2) * (z3 - z1))
}

/** P·I below z2 on the levels from..to, as cubics in t = (h − level)/step, per step. */
export function addLower(
  crossing: Float64Array,
  P: number,
  z1: number,
  z2: number,
  z3: number,
  from: number,
  to: number,
  step: number,
): void {
  const c = (P * step * step) / (3 * (z2 - z1) * (z3 - z1))
  for (let k = from; k < to; k++) {
    const d = k - z1 / step
    crossing[4 * k] += c * d * d * d
    crossing[4 * k + 1] += 3 * c * d * d
    crossing[4 * k + 2] += 3 * c * d
    crossing[4 * k + 3] += c
  }
}

/** P·I above z2 on the levels from..to, likewise. */
export function addUpper(
  crossing: Float64Array,
  P: number,
  z1: number,
  z2: number,
  z3: number,
  from: number,
  to: number,
  step: number,
): void {
  const c = (P * step * step) / (3 * (z3 - z2) * (z3 - z1))
  const mean = (z1 + z2 + z3) / 3 / step
  for (let k = from; k < to; k++) {
    const e = z3 / step - k
    crossing[4 * k] += c * e * e * e + P * (k - mean)
    crossing[4 * k + 1] += -3 * c * e * e + P
    crossing[4 * k + 2] += 3 * c * e
    crossing[4 * k + 3] -= c
  }
}
