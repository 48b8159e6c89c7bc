/** What goes wrong between the first cup and the log, and what hands can do about each (common practice, no source). */
export const mishapCases = {
  'seam leaks': ['more bands', 'clay outside', 'let it run'],
  'not filled': ['top up', 'cut vents next time'],
  'turns to syrup': ['stop here', 'fill what is open'],
  'slow cure': ['wait', 'warm it', 'suspect the ratio'],
  'too much of a part': ['add the other', 'mix it anew'],
  'cup smokes': ['leave and ventilate'],
  'pressure lost': ['pressure again', 'leave it closed'],
  'master rises': ['hold it down', 'top up tomorrow'],
  'silicone short': ['press in chunks', 'second batch', 'top up tomorrow'],
  'box leaks': ['glue and tilt', 'second batch'],
  'froths over': ['pump off', 'smaller lot'],
  'splash in the vessel': ['wipe it at once', 'peel it later'],
} as const
export type Mishap = keyof typeof mishapCases
export type MishapRemedy = (typeof mishapCases)[Mishap][number]

export const mishaps = Object.keys(mishapCases) as Mishap[]
export const mishapRemedies = [...new Set<MishapRemedy>(Object.values(mishapCases).flat())]

/** Those that only a mould that is being made knows, and those that only a pour does. */
export const ofSilicone: ReadonlySet<Mishap> = new Set<Mishap>([
  'master rises',
  'silicone short',
  'box leaks',
])
export const ofPour: ReadonlySet<Mishap> = new Set<Mishap>([
  'seam leaks',
  'not filled',
  'turns to syrup',
  'cup smokes',
  'pressure lost',
])
