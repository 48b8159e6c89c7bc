/** The kinds of quantity that people type, and the SI unit each is kept in. */
export const siUnit = {
  length: 'm',
  mass: 'kg',
  volume: 'm³',
  temperature: 'K',
  /** Gauge pressure: above (or, negative, below) the air around. */
  pressure: 'Pa',
  duration: 's',
  density: 'kg/m³',
  viscosity: 'Pa·s',
  fraction: '1',
  flow: 'm³/s',
} as const

export type Kind = keyof typeof siUnit

/** A unit: `value in SI = typed × factor + offset`. */
export interface Unit {
  kind: Kind
  /** How it is written back. */
  symbol: string
  factor: number
  offset?: number
}

const inch = 0.0254
const ounce = 0.028349523125
const poundForcePerSquareInch = 6894.757293168
/** The US fluid ounce, 1/128 of a gallon of 231 cubic inches. */
const fluidOunce = (231 * inch ** 3) / 128
/** Conventional inch of mercury (NIST SP 811, appendix B.8). */
const inchOfMercury = 3386.389

const unit = (kind: Kind, symbol: string, factor: number, offset?: number): Unit => ({
  kind,
  symbol,
  factor,
  offset,
})

/**
 * Every spelling that is read, lower case, with dots and blanks taken out.
 * Factors: NIST SP 811 (2008), appendix B.8, exact where the inch and pound define them.
 */
const spellings: [Unit, string[]][] = [
  [unit('length', 'mm', 1e-3), ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters']],
  [unit('length', 'cm', 1e-2), ['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters']],
  [unit('length', 'm', 1), ['m', 'metre', 'metres', 'meter', 'meters']],
  [unit('length', 'in', inch), ['in', 'inch', 'inches', '"', '″', '”', "''"]],
  [unit('length', 'ft', 12 * inch), ['ft', 'foot', 'feet', "'", '′']],
  [unit('mass', 'mg', 1e-6), ['mg']],
  [unit('mass', 'g', 1e-3), ['g', 'gr', 'gram', 'grams', 'gramme', 'grammes']],
  [unit('mass', 'kg', 1), ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms']],
  [unit('mass', 'oz', ounce), ['oz', 'ounce', 'ounces']],
  [unit('mass', 'lb', 16 * ounce), ['lb', 'lbs', 'pound', 'pounds']],
  [unit('volume', 'ml', 1e-6), ['ml', 'cc', 'cm3', 'cm³', 'ccm', 'millilitre', 'milliliter']],
  [unit('volume', 'cl', 1e-5), ['cl']],
  [unit('volume', 'l', 1e-3), ['l', 'litre', 'litres', 'liter', 'liters']],
  [unit('volume', 'mm³', 1e-9), ['mm3', 'mm³']],
  [unit('volume', 'fl oz', fluidOunce), ['floz', 'fluidounce', 'fluidounces']],
  [unit('temperature', '°C', 1, 273.15), ['°c', 'c', 'degc', 'celsius', 'º c', 'ºc']],
  [
    unit('temperature', '°F', 5 / 9, 273.15 - (32 * 5) / 9),
    ['°f', 'f', 'degf', 'fahrenheit', 'ºf'],
  ],
  [unit('temperature', 'K', 1), ['k', 'kelvin']],
  [unit('pressure', 'psi', poundForcePerSquareInch), ['psi', 'psig']],
  [unit('pressure', 'bar', 1e5), ['bar', 'barg']],
  [unit('pressure', 'kPa', 1e3), ['kpa']],
  [unit('pressure', 'Pa', 1), ['pa']],
  [unit('pressure', 'inHg', inchOfMercury), ['inhg', '"hg']],
  [unit('duration', 's', 1), ['s', 'sec', 'secs', 'second', 'seconds']],
  [unit('duration', 'min', 60), ['min', 'mins', 'minute', 'minutes']],
  [unit('duration', 'h', 3600), ['h', 'hr', 'hrs', 'hour', 'hours']],
  [unit('duration', 'd', 86400), ['d', 'day', 'days']],
  [unit('duration', 'weeks', 7 * 86400), ['wk', 'week', 'weeks']],
  // The mean month and year of the calendar, 365.2425 days.
  [unit('duration', 'months', 2629746), ['month', 'months']],
  [unit('duration', 'years', 31556952), ['y', 'yr', 'year', 'years']],
  [
    unit('density', 'g/ml', 1e3),
    ['g/ml', 'g/cc', 'g/cm3', 'g/cm³', 'kg/l', 'sg', 'specificgravity'],
  ],
  [unit('density', 'kg/m³', 1), ['kg/m3', 'kg/m³']],
  [unit('density', 'lb/gal', (16 * ounce) / (128 * fluidOunce)), ['lb/gal', 'lbs/gal', 'ppg']],
  [unit('viscosity', 'mPa·s', 1e-3), ['mpas', 'mpa·s', 'cp', 'cps', 'centipoise']],
  [unit('viscosity', 'Pa·s', 1), ['pas', 'pa·s']],
  [unit('flow', 'l/min', 1e-3 / 60), ['l/min', 'lpm', 'lmin', 'litresperminute']],
  [unit('flow', 'cfm', (12 * inch) ** 3 / 60), ['cfm', 'ft3/min', 'ft³/min']],
  [unit('flow', 'm³/h', 1 / 3600), ['m3/h', 'm³/h']],
  [unit('fraction', '%', 1e-2), ['%', 'percent', 'pct', 'phr']],
]

const bySpelling = new Map(
  spellings.flatMap(([known, words]) => words.map((word) => [word, known] as const)),
)

/** The unit of that spelling, whatever its kind; undefined when nobody writes it so. */
export function findUnit(spelling: string): Unit | undefined {
  return bySpelling.get(spelling.toLowerCase().replace(/[\s.]+/g, ''))
}

/** Units by kind, for "you can write mm, cm, m, in, ft". */
export function unitsOf(kind: Kind): string[] {
  return spellings
    .map(([known]) => known)
    .filter((u) => u.kind === kind)
    .map((u) => u.symbol)
}

export const toSI = (value: number, u: Unit): number => value * u.factor + (u.offset ?? 0)
export const fromSI = (value: number, u: Unit): number => (value - (u.offset ?? 0)) / u.factor
