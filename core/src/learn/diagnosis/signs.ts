import type { Finding } from './finding.ts'

const year = 365 * 24 * 3600
const minute = 60

/** From here on a value counts as what its sign says (common practice, no source). */
const limits = {
  /** Out of the ratio so far, and it is felt. */
  ratio: 0.03,
  fast: 10 * minute,
  thick: 1.5,
  cold: 289.15,
  humid: 0.6,
  /** Of the time that a mix pours. */
  late: 0.9,
  lidLate: 0.9,
  heldShort: 0.9,
  stirred: 0.6,
  prefilled: 0.95,
  enoughPressure: 1.5e5,
  level: (3 * Math.PI) / 180,
  opened: year,
  early: 0.85,
  deep: 1.3,
  hot: 393.15,
  fewBands: 2,
  worn: 0.8,
  short: 1.5,
  shrinks: 0.004,
  repeats: 0.6,
  /** Of the time until nothing moves. */
  still: 0.9,
  /** Of what its wall takes. */
  heavy: 1.25,
} as const

type Test = (finding: Finding) => boolean | undefined

const over = (value: number | undefined, limit: number) =>
  value === undefined ? undefined : value > limit
const under = (value: number | undefined, limit: number) =>
  value === undefined ? undefined : value < limit

/**
 * What can be seen or known of a fault, yes or no; undefined where it was not told. Of each: how
 * often it is so in faults of all kinds, whatever the cause.
 */
export const signTable = {
  'at a tip': { usual: 0.3, test: ({ place }) => place?.tip },
  'under a ceiling': { usual: 0.15, test: ({ place }) => place?.ceiling },
  'at the gate': { usual: 0.15, test: ({ place }) => place?.port },
  'on the upper side': { usual: 0.2, test: ({ place }) => place?.upper },
  'around a thing': { usual: 0.15, test: ({ place }) => place?.thing },
  'all over': { usual: 0.4, test: ({ place }) => place?.spread },
  'on the skin only': { usual: 0.15, test: ({ place }) => place?.skin },
  'air is shut in there': { usual: 0.3, test: ({ place }) => place?.trapped },
  'a vent is there': { usual: 0.3, test: ({ place }) => place?.vent },
  'same place again': {
    usual: 0.3,
    test: ({ repeated }) =>
      repeated && repeated.of > 0 ? repeated.seen / repeated.of >= limits.repeats : undefined,
  },
  'ragged beside': { usual: 0.12, test: ({ beside }) => beside?.includes('ragged edge') },
  'bent beside': { usual: 0.08, test: ({ beside }) => beside?.includes('bent') },
  urethane: { usual: 0.45, test: ({ facts }) => facts?.resin && facts.resin === 'urethane' },
  'fast resin': { usual: 0.45, test: ({ facts }) => under(facts?.potLife, limits.fast) },
  'thick resin': { usual: 0.25, test: ({ facts }) => over(facts?.viscosity, limits.thick) },
  'poured late': { usual: 0.2, test: ({ facts }) => over(facts?.pouredAt, limits.late) },
  'under pressure': {
    usual: 0.5,
    test: ({ facts }) => over(facts?.pressure, limits.enoughPressure),
  },
  'pressure late': { usual: 0.12, test: ({ facts }) => over(facts?.pressureAt, limits.lidLate) },
  'let go early': { usual: 0.1, test: ({ facts }) => under(facts?.heldUntil, limits.heldShort) },
  'under vacuum': { usual: 0.3, test: ({ facts }) => facts?.vacuum },
  whipped: { usual: 0.12, test: ({ facts }) => facts?.whipped },
  'stirred short': { usual: 0.15, test: ({ facts }) => under(facts?.stirred, limits.stirred) },
  'second cup': { usual: 0.5, test: ({ facts }) => facts?.secondCup },
  'by syringe': { usual: 0.5, test: ({ facts }) => facts?.syringe },
  'stood in the vents': { usual: 0.7, test: ({ facts }) => facts?.overfilled },
  'prefill left out': {
    usual: 0.12,
    test: ({ place, facts }) =>
      place?.prefill === false ? false : under(facts?.prefilled, limits.prefilled),
  },
  level: { usual: 0.6, test: ({ facts }) => under(facts?.tilt, limits.level) },
  'ratio off': {
    usual: 0.1,
    test: ({ facts }) =>
      over(facts?.ratioError === undefined ? undefined : Math.abs(facts.ratioError), limits.ratio),
  },
  'tint over its limit': { usual: 0.08, test: ({ facts }) => over(facts?.tintOfLimit, 1) },
  'room cold': { usual: 0.12, test: ({ facts }) => under(facts?.room, limits.cold) },
  'air humid': { usual: 0.25, test: ({ facts }) => over(facts?.humidity, limits.humid) },
  'opened long ago': { usual: 0.12, test: ({ facts }) => over(facts?.opened, limits.opened) },
  'out early': { usual: 0.1, test: ({ facts }) => under(facts?.demouldedAt, limits.early) },
  'deeper than its sheet': {
    usual: 0.1,
    test: ({ facts }) => over(facts?.depthOfLimit, limits.deep),
  },
  'ran hot': { usual: 0.1, test: ({ facts }) => over(facts?.hottest, limits.hot) },
  'join late': { usual: 0.12, test: ({ facts }) => over(facts?.joinLate, 0) },
  'set too early': { usual: 0.15, test: ({ facts }) => over(facts?.placedEarly, 0) },
  porous: { usual: 0.3, test: ({ facts }) => facts?.porous },
  sealed: { usual: 0.6, test: ({ facts }) => facts?.sealed },
  'few bands': { usual: 0.2, test: ({ facts }) => under(facts?.bands, limits.fewBands) },
  keyed: { usual: 0.85, test: ({ facts }) => facts?.keyed },
  'mould worn': { usual: 0.15, test: ({ facts }) => over(facts?.worn, limits.worn) },
  'silicone was cleared': { usual: 0.6, test: ({ facts }) => facts?.siliconeClear },
  unbacked: { usual: 0.15, test: ({ facts }) => facts?.unbacked },
  'dose short': { usual: 0.15, test: ({ facts }) => over(facts?.doseShort, limits.short) },
  'something inhibits': { usual: 0.05, test: ({ facts }) => facts?.inhibits },
  powdered: { usual: 0.3, test: ({ facts }) => facts?.dusted },
  released: { usual: 0.35, test: ({ facts }) => facts?.released },
  'wiped before': { usual: 0.7, test: ({ facts }) => facts?.wiped },
  leaked: { usual: 0.06, test: ({ facts }) => facts?.leaked },
  'pressure fell': { usual: 0.04, test: ({ facts }) => facts?.lostPressure },
  'something holds it': { usual: 0.2, test: ({ facts }) => facts?.locked },
  'in the master too': { usual: 0.1, test: ({ facts }) => facts?.inMaster },
  'dyed casts before': { usual: 0.25, test: ({ facts }) => facts?.dyedBefore },
  turned: { usual: 0.05, test: ({ facts }) => facts?.turned },
  'stopped while it ran': {
    usual: 0.15,
    test: ({ facts }) => under(facts?.turnedUntil, limits.still),
  },
  'more than its wall': { usual: 0.15, test: ({ facts }) => over(facts?.ofWall, limits.heavy) },
  'shot on a soft one': { usual: 0.15, test: () => undefined },
  'shrinkage left in': {
    usual: 0.3,
    test: ({ facts }) => over(facts?.shrinkage, limits.shrinks),
  },
} as const satisfies Record<string, { usual: number; test: Test }>

export type SignName = keyof typeof signTable
export const signNames = Object.keys(signTable) as SignName[]

/**
 * What a finding shows of a sign: as the person answered, else by place and facts; undefined where
 * nothing is known.
 *
 * @example shows({ fault: 'foam', facts: { humidity: 0.8 } }, 'air humid') // true
 */
export const shows = (finding: Finding, sign: SignName): boolean | undefined =>
  finding.told?.[sign] ?? (signTable[sign].test as Test)(finding)
