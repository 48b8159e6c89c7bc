import { chosenUnit, metric, type UnitChoice } from './choice.ts'
import { fromSI, type Kind } from './kinds.ts'

/**
 * Decimals by unit: what is usual, and the finest that a hand can use where a value is so small
 * that the usual would leave it less than three digits.
 */
const decimals: Record<string, { usual: number; finest: number }> = {
  mm: { usual: 1, finest: 1 },
  in: { usual: 2, finest: 3 },
  g: { usual: 1, finest: 2 },
  oz: { usual: 2, finest: 3 },
  ml: { usual: 1, finest: 2 },
  'fl oz': { usual: 2, finest: 3 },
  '°C': { usual: 0, finest: 0 },
  '°F': { usual: 0, finest: 0 },
  psi: { usual: 0, finest: 0 },
  bar: { usual: 1, finest: 1 },
  kPa: { usual: 0, finest: 0 },
  'g/ml': { usual: 2, finest: 3 },
  'mPa·s': { usual: 0, finest: 0 },
  'l/min': { usual: 0, finest: 1 },
  cfm: { usual: 1, finest: 2 },
  '%': { usual: 1, finest: 2 },
}

/** Digits that say enough of an amount; more from a thousand up are noise. */
const enoughDigits = 3
/** Of a dose that the finest decimals would write as nothing so many digits are kept. */
const fewestDigits = 2
/** Doses get so small, and no smaller: decimals by unit. */
const smallest: Partial<Record<string, number>> = { g: 5, oz: 6, ml: 5, 'fl oz': 6, '%': 5 }

function placesFor(value: number, symbol: string): number {
  const { usual, finest } = decimals[symbol]
  const size = Math.abs(value)
  if (size >= 1000) return 0
  // 9.96 is written with as many decimals as 10.0.
  const digits = size > 0 ? Math.floor(Math.log10(size * 1.005)) + 1 : enoughDigits
  const places = Math.min(finest, Math.max(usual, enoughDigits - Math.max(digits, 0)))
  const most = smallest[symbol] ?? finest
  return size < 10 ** -most ? places : Math.min(most, Math.max(places, fewestDigits - digits))
}

/** Parts of an inch that rules are cut into. */
const rulers = [2, 4, 8, 16, 32] as const

/** A length in inches as a rule shows it, where it stands on a mark: 3/8, 1 1/2. */
function asFraction(inches: number): string | undefined {
  for (const parts of rulers) {
    const marks = inches * parts
    const whole = Math.round(marks)
    if (Math.abs(marks - whole) > 1e-6 * parts || whole % 2 === 0) continue
    const rest = whole % parts
    const before = Math.floor(whole / parts)
    return `${before > 0 ? `${before} ` : ''}${rest}/${parts}`
  }
  return undefined
}

export interface DisplayOptions {
  /** The finest difference that means something, in SI: a scale's step, for a mass. */
  step?: number
}

/** The number alone, in the chosen unit, as a field shows it. @example figure(0.029, 'length') // '29.0' */
export function figure(
  value: number,
  kind: Exclude<Kind, 'duration'>,
  choice: UnitChoice = metric,
  { step }: DisplayOptions = {},
): string {
  const unit = chosenUnit(kind, choice)
  const shown = fromSI(value, unit)
  const fraction = unit.symbol === 'in' && step === undefined ? asFraction(shown) : undefined
  if (fraction !== undefined) return fraction
  const places = step === undefined ? placesFor(shown, unit.symbol) : decimalsOf(step / unit.factor)
  const text = shown.toFixed(places)
  const tidy =
    kind === 'fraction' || kind === 'density'
      ? text.replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '')
      : text
  return tidy.replace(/^-(?=0?\.?0*$)/, '').replace('-', '−')
}

/** A value with its unit, as a sentence says it. @example show(0.029, 'length') // '29.0 mm' */
export function show(
  value: number,
  kind: Kind,
  choice: UnitChoice = metric,
  options: DisplayOptions = {},
): string {
  if (kind === 'duration') return showDuration(value)
  return `${figure(value, kind, choice, options)} ${chosenUnit(kind, choice).symbol}`
}

/** A volume that may be a drop or a speck: under a tenth of a millilitre in mm³, or cubic inches. @example showTiny(8e-8) // '80 mm³' */
export function showTiny(volume: number, choice: UnitChoice = metric): string {
  if (volume >= 0.95e-7) return show(volume, 'volume', choice, { step: 1e-8 })
  return choice.length === 'mm'
    ? `${Math.round(volume * 1e9)} mm³`
    : `${(volume / 0.0254 ** 3).toPrecision(2)} in³`
}

/** A cup by what is printed on it. @example showCup(650e-6) // '650 ml' */
export const showCup = (size: number, choice: UnitChoice = metric): string =>
  show(size, 'volume', choice, { step: 1e-6 }).replace(/\.?0+(?= )/, (zeros) =>
    zeros.startsWith('.') ? '' : zeros,
  )

/**
 * The units in which a scale's step is a round number: a scale that reads to 0.1 g shows grams,
 * whoever reads it.
 *
 * @example scaleUnits(0.0001, imperial).mass // 'g'
 */
export function scaleUnits(step: number, choice: UnitChoice): UnitChoice {
  const round = (mass: UnitChoice['mass']) => {
    const steps = step / chosenUnit('mass', { ...choice, mass }).factor
    const digits = steps / 10 ** Math.floor(Math.log10(steps) + 1e-9)
    return Math.abs(digits - Math.round(digits)) < 1e-6
  }
  if (round(choice.mass)) return choice
  const other = choice.mass === 'g' ? 'oz' : 'g'
  return round(other) ? { ...choice, mass: other } : choice
}

/** The unit written beside a field. */
export const unitSymbol = (kind: Kind, choice: UnitChoice = metric): string =>
  chosenUnit(kind, choice).symbol

/** How finely times are said: seconds matter to a resin that is gone in minutes. */
export type Fineness = 'second' | 'minute'

/**
 * A duration as people say it: `45 s`, `2 min 30 s`, `52 min`, `2 h 30 min`, `3 d 4 h`. Under ten
 * minutes to the second; above to the minute, or to the second where a fast resin needs it; from
 * two days on to the hour.
 *
 * @example showDuration(9000) // '2 h 30 min'
 * @example showDuration(690, 'second') // '11 min 30 s'
 */
export function showDuration(seconds: number, to: Fineness = 'minute'): string {
  if (seconds < 0) return `−${showDuration(-seconds, to)}`
  const whole = Math.round(seconds)
  if (whole < 60) return `${whole} s`
  const fine = whole < 600 || (to === 'second' && whole < 3600)
  if (fine && whole % 60 !== 0) return `${Math.floor(whole / 60)} min ${whole % 60} s`
  const minutes = Math.round(whole / 60)
  if (minutes < 60) return `${minutes} min`
  if (minutes < 48 * 60) {
    const rest = minutes % 60
    return `${Math.floor(minutes / 60)} h${rest ? ` ${rest} min` : ''}`
  }
  const hours = Math.round(minutes / 60)
  return `${Math.floor(hours / 24)} d${hours % 24 ? ` ${hours % 24} h` : ''}`
}

/**
 * Seconds since midnight as a time of day, to the second where that is asked; later days carry
 * their number. Who reads degrees Fahrenheit reads a clock of twelve hours (common practice).
 *
 * @example showTimeOfDay(97200) // '03:00, day 2'
 * @example showTimeOfDay(50430, metric, 'second') // '14:00:30'
 * @example showTimeOfDay(50430, imperial) // '2:01 pm'
 */
export function showTimeOfDay(
  seconds: number,
  choice: UnitChoice = metric,
  to: Fineness = 'minute',
): string {
  const whole = to === 'second' ? Math.round(seconds) : 60 * Math.round(seconds / 60)
  const day = Math.floor(whole / (24 * 3600))
  const hour = Math.floor(whole / 3600) % 24
  const twelve = choice.temperature === '°F'
  const two = (part: number) => String(part).padStart(2, '0')
  const parts = [
    twelve ? String(hour % 12 || 12) : two(hour),
    two(Math.floor(whole / 60) % 60),
    ...(to === 'second' ? [two(whole % 60)] : []),
  ]
  const clock = parts.join(':') + (twelve ? (hour < 12 ? ' am' : ' pm') : '')
  return day === 0 ? clock : `${clock}, day ${day + 1}`
}

/** An angle in whole degrees, which is what a hand can hold. @example showAngle(Math.PI / 18) // '10°' */
export const showAngle = (radians: number): string => `${Math.round((radians * 180) / Math.PI)}°`

/** A surface in the square of the chosen length. @example showArea(0.0149) // '149.0 cm²' */
export function showArea(squareMetres: number, choice: UnitChoice = metric): string {
  const [unit, symbol] = choice.length === 'mm' ? [0.01, 'cm²'] : [0.0254, 'in²']
  return `${(squareMetres / unit ** 2).toFixed(1)} ${symbol}`
}

/** How many decimals a step needs: 0.1 -> 1, 0.05 -> 2, 0.0035 -> 3, 1 -> 0. */
function decimalsOf(step: number): number {
  return Math.max(0, Math.ceil(-Math.log10(step) - 1e-9))
}
