import type { Precedence } from '../../base/procedure/index.ts'

/** Everything that is done to a master and to its mould until the first pull. */
export const makingCodes = [
  'wash',
  'bake',
  'dry',
  'fill',
  'grit-300',
  'guide',
  'grit-1200',
  'wipe',
  'seal',
  'wax',
  'mask',
  'coat',
  'gloss coat',
  'polish',
  'release',
  'chill',
  'smooth',
  'dust',
  'own box',
  'shell',
  'jacket',
  'bed',
  'seat',
  'rods',
  'walls',
  'mix',
  'de-air',
  'pour',
  'into pot',
  'brush coat',
  'cure',
  'clear',
  'release half',
  'bandage',
  'open',
  'rest',
] as const
export type MakingCode = (typeof makingCodes)[number]

/** The first of these is there before any of the others, in each half by itself. */
const before = (first: MakingCode, ...then: MakingCode[]): Precedence<MakingCode>[] =>
  then.map((one) => [first, one])

/**
 * The order in which a mould is made (common practice, no source). A master is clean before anything
 * is laid over it, and no alcohol comes afterwards; a bed lies before walls go round it or a shell is
 * closed over it; air leaves
 * before silicone is poured; release is on the first half before the second is mixed; a new mould
 * rests before it is pulled.
 */
export const makingRules: readonly Precedence<MakingCode>[] = [
  ...before('wash', 'bake', 'fill', 'wipe'),
  ...before('bake', 'fill', 'grit-300', 'coat'),
  ...before('dry', 'fill', 'seal'),
  ...before('fill', 'grit-300', 'wipe'),
  ...before('grit-300', 'guide', 'wipe'),
  ...before('guide', 'grit-1200', 'wipe'),
  ...before('grit-1200', 'wipe'),
  ...before('wipe', 'mask', 'seal', 'wax', 'coat', 'gloss coat', 'release', 'dust'),
  ...before('mask', 'seal', 'wax', 'coat', 'gloss coat', 'release'),
  ...before('seal', 'wax', 'coat', 'gloss coat', 'release'),
  ...before('wax', 'release', 'dust'),
  ...before('coat', 'gloss coat', 'release', 'dust'),
  ...before('gloss coat', 'polish', 'release', 'dust'),
  ...before('polish', 'release', 'dust'),
  ...before('chill', 'smooth'),
  ...before('smooth', 'dust'),
  ...before('release', 'dust'),
  ...before('dust', 'bed', 'seat', 'own box', 'shell'),
  ...before('own box', 'bed', 'seat'),
  ...before('shell', 'bed', 'seat', 'jacket'),
  ...before('bed', 'seat', 'rods', 'jacket', 'walls', 'mix'),
  ...before('seat', 'rods', 'walls', 'mix', 'brush coat'),
  ...before('rods', 'jacket', 'walls', 'mix'),
  ...before('walls', 'mix'),
  ...before('jacket', 'mix'),
  ...before('clear', 'release half', 'jacket', 'mix'),
  ...before('release half', 'jacket', 'mix'),
  ...before('mix', 'de-air', 'pour'),
  ...before('de-air', 'pour'),
  ...before('pour', 'into pot', 'cure'),
  ...before('into pot', 'cure'),
  ...before('brush coat', 'cure'),
  ...before('cure', 'bandage', 'open'),
  ...before('bandage', 'open'),
  ...before('open', 'rest'),
]
