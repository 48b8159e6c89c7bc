/**
 * The share of unpolarised light that a boundary sends back, from an index of `from` into one of
 * `into`, at this cosine to the normal (Fresnel). 1 from the critical angle on.
 *
 * @example fresnel(1, 1, 1.5).toFixed(2) // '0.04'
 */
export function fresnel(cosine: number, from: number, into: number): number {
  const sine = (from / into) ** 2 * (1 - cosine * cosine)
  if (sine >= 1) return 1
  const through = Math.sqrt(1 - sine)
  const across = (from * cosine - into * through) / (from * cosine + into * through)
  const along = (from * through - into * cosine) / (from * through + into * cosine)
  return (across * across + along * along) / 2
}

/**
 * Where light goes on behind a boundary, as the cosine to the normal (Snell); nothing from the
 * critical angle on.
 *
 * @example ((Math.acos(refracted(Math.SQRT1_2, 1, 1.5)!) * 180) / Math.PI).toFixed(2) // '28.13'
 */
export function refracted(cosine: number, from: number, into: number): number | undefined {
  const sine = (from / into) ** 2 * (1 - cosine * cosine)
  return sine >= 1 ? undefined : Math.sqrt(1 - sine)
}

/** What a buried clear thing sends back, straight on: it vanishes as its index nears the resin's. */
export const buried = (one: number, other: number): number => ((one - other) / (one + other)) ** 2
