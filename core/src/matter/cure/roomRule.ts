/** Degrees that halve or double every time of a cure (common practice, no source). */
const halvingStep = 10

/** Where the rule is used without a caution, K: 15 to 35 °C. */
export const ruleRange = { low: 288.15, high: 308.15 } as const

/**
 * What a time measured at `sheetTemperature` is multiplied by in a room of `room`, K:
 * half for every 10 °C warmer, double for every 10 °C colder (common practice, no source).
 *
 * @example roomFactor(306.15, 296.15) // 0.5
 */
export function roomFactor(room: number, sheetTemperature: number): number {
  return 2 ** ((sheetTemperature - room) / halvingStep)
}
