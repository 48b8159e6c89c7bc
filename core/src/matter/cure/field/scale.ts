import type { HeatField } from './pouring.ts'

/** What a drawing of a field runs from and to, K, and where its lines of equal heat lie. */
export interface HeatScale {
  low: number
  high: number
  lines: number[]
}

/** Steps between lines that people read easily, K. */
const steps = [1, 2, 5, 10, 20, 50]

/** About so many lines. */
const wantedLines = 6

const zeroCelsius = 273.15

/** A field that hardly warms is not drawn as if it glowed: the scale spans at least this, K. */
const leastSpan = 12

/**
 * The scale of a whole field over its time, so that a colour means the same at every moment;
 * lines lie on round degrees Celsius.
 */
export function heatScale({ frames, layers }: Pick<HeatField, 'frames' | 'layers'>): HeatScale {
  let low = Infinity
  for (const { temperature } of frames) {
    for (let i = 0; i < temperature.length; i += 7) low = Math.min(low, temperature[i])
  }
  const hottest = Math.max(...layers.map(({ hot }) => hot.temperature))
  const high = Math.max(hottest, low + leastSpan)
  const step = steps.find((s) => (high - low) / s <= wantedLines + 1) ?? 100
  const first = Math.ceil((low - zeroCelsius) / step + 0.5) * step
  const lines: number[] = []
  for (let c = first; c + zeroCelsius < high; c += step) lines.push(c + zeroCelsius)
  return { low, high, lines }
}
