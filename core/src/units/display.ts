import { chosenUnit, metric, type UnitChoice } from './choice.ts'
import { fromSI, type Kind } from './kinds.ts'

/** Decimals the hand can use, by unit: a tenth of a millimetre, a hundredth of an inch. */
const decimals: Record<string, number> = {
  mm: 1,
  in: 2,
  g: 1,
  oz: 2,
  ml: 1,
  'fl oz': 2,
  '°C': 0,
  '°F': 0,
  psi: 0,
  bar: 1,
  kPa: 0,
  'g/ml': 2,
  'mPa·s': 0,
  '%': 2,
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
  const places = step === undefined ? decimals[unit.symbol] : decimalsOf(step / unit.factor)
  const text = fromSI(value, unit).toFixed(places)
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

/** A volume that may be a drop or a speck: under a tenth of a millilitre in mm³. @example showTiny(8e-8) // '80 mm³' */
export function showTiny(volume: number, choice: UnitChoice = metric): string {
  return volume < 0.95e-7
    ? `${Math.round(volume * 1e9)} mm³`
    : show(volume, 'volume', choice, { step: 1e-8 })
}

/** The unit written beside a field. */
export const unitSymbol = (kind: Kind, choice: UnitChoice = metric): string =>
  chosenUnit(kind, choice).symbol

/**
 * A duration as people say it: `45 s`, `2 min 30 s`, `52 min`, `2 h 30`, `3 d 4 h`.
 *
 * @example showDuration(9000) // '2 h 30'
 */
export function showDuration(seconds: number): string {
  if (seconds < 0) return `−${showDuration(-seconds)}`
  const whole = Math.round(seconds)
  if (whole < 60) return `${whole} s`
  if (whole < 600 && whole % 60 !== 0) return `${Math.floor(whole / 60)} min ${whole % 60} s`
  const minutes = Math.round(whole / 60)
  if (minutes < 60) return `${minutes} min`
  if (minutes < 72 * 60) {
    const rest = minutes % 60
    return `${Math.floor(minutes / 60)} h${rest ? ` ${String(rest).padStart(2, '0')}` : ''}`
  }
  const hours = Math.round(minutes / 60)
  return `${Math.floor(hours / 24)} d${hours % 24 ? ` ${hours % 24} h` : ''}`
}

/** Seconds since midnight as a time of day; later days carry their number. @example showTimeOfDay(97200) // '03:00, day 2' */
export function showTimeOfDay(seconds: number): string {
  const minutes = Math.round(seconds / 60)
  const day = Math.floor(minutes / (24 * 60))
  const [hour, minute] = [Math.floor(minutes / 60) % 24, minutes % 60]
  const clock = `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
  return day === 0 ? clock : `${clock}, day ${day + 1}`
}

/** A surface in the square of the chosen length. @example showArea(0.0149) // '149.0 cm²' */
export function showArea(squareMetres: number, choice: UnitChoice = metric): string {
  const [unit, symbol] = choice.length === 'mm' ? [0.01, 'cm²'] : [0.0254, 'in²']
  return `${(squareMetres / unit ** 2).toFixed(1)} ${symbol}`
}

/** How many decimals a step needs: 0.1 -> 1, 0.05 -> 2, 0.0035 -> 3, 1 -> 0. */
function decimalsOf(step: number): number {
  return Math.max(0, Math.ceil(-Math.log10(step) - 1e-9))
}
