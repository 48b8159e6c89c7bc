/** Magnus' constants for water, 0 to 50 °C (Alduchov & Eskridge 1996, from memory). */
const magnus = { a: 17.625, b: 243.04 }

const zeroCelsius = 273.15

/**
 * The temperature at which air of `temperature` K and relative `humidity` (a share) begins to
 * leave water on things, K.
 *
 * @example dewPoint(298.15, 0.5) // 287.01 (13.9 °C)
 */
export function dewPoint(temperature: number, humidity: number): number {
  const celsius = temperature - zeroCelsius
  const gamma = Math.log(humidity) + (magnus.a * celsius) / (magnus.b + celsius)
  return (magnus.b * gamma) / (magnus.a - gamma) + zeroCelsius
}

/** Things are kept this much above the dew point, K (ISO 8502-4, from memory). */
export const dewMargin = 3

/** Above these, air spoils a cure (common practice, no source). */
export const dampLimits = { blush: 0.75, foam: 0.6 } as const
