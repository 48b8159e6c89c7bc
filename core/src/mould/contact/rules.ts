import type { Finish, Poured, Substance, Surface } from './substances.ts'

export type Verdict = 'cures' | 'inhibited' | 'sticks' | 'soaks in' | 'spoils' | 'unknown'

export type ContactRuleId =
  | 'silicone-on-silicone'
  | 'tin-stops-platinum'
  | 'print-stops-platinum'
  | 'sulphur-stops-platinum'
  | 'polymer-clay-stops-platinum'
  | 'amine-stops-platinum'
  | 'pvc-stops-platinum'
  | 'glue-stops-platinum'
  | 'silicate-bonds'
  | 'pores-drink'
  | 'damp-spoils-urethane'
  | 'wet-spoils-resin'
  | 'alginate-dries'
  | 'resin-bonds'
  | 'clay-comes-off-cold'

/** One rule: what meets what, and what happens. Why, and the way out, stand in the words. */
export interface ContactRule {
  id: ContactRuleId
  of: readonly Substance[]
  poured: readonly Poured[]
  verdict: Exclude<Verdict, 'cures' | 'unknown'>
  /** With this it cures after all. */
  unless: (surface: Surface) => boolean
  /** Nothing is said where it is met. */
  silent?: true
}

const day = 24 * 3600
const silicones: readonly Poured[] = ['platinum silicone', 'tin silicone']
const resins: readonly Poured[] = ['epoxy', 'urethane', 'polyester']

/** Weeks after which a print no longer gives off what stops platinum (common practice, no source). */
export const agedPrint = 28 * day

/** Fresh epoxy gives off amines for about this long (common practice, no source). */
export const agedEpoxy = 7 * day

const released = ({ release }: Surface) => release !== 'none'
const closedPores: readonly Finish[] = ['lacquer', 'wax', 'shellac', 'acrylic coat']
const older = ({ age }: Surface, than: number) => age !== undefined && age >= than

/**
 * The rules as data, the gravest first: the first that applies speaks. All are common practice,
 * no source, except where chemistry says more: platinum catalysts are poisoned by sulphur,
 * amines, organotin and phosphines (Lewis, Platinum Metals Review 41, 1997).
 */
export const contactRules: readonly ContactRule[] = [
  {
    id: 'silicone-on-silicone',
    of: ['platinum silicone', 'tin silicone'],
    poured: silicones,
    verdict: 'sticks',
    unless: released,
  },
  {
    id: 'tin-stops-platinum',
    of: ['tin silicone'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    unless: () => false,
  },
  {
    id: 'print-stops-platinum',
    of: ['resin print'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    unless: (s) => older(s, agedPrint) || (s.cured === 'baked' && s.finish === 'acrylic coat'),
  },
  {
    id: 'sulphur-stops-platinum',
    of: ['sulphur clay', 'latex'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    unless: () => false,
  },
  {
    id: 'polymer-clay-stops-platinum',
    of: ['polymer clay'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    unless: (s) => s.cured === 'baked' || s.finish === 'acrylic coat',
  },
  {
    id: 'amine-stops-platinum',
    of: ['epoxy cast', 'epoxy putty'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    unless: (s) => older(s, agedEpoxy),
  },
  {
    id: 'pvc-stops-platinum',
    of: ['PVC'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    unless: ({ finish }) => finish === 'acrylic coat',
  },
  {
    id: 'glue-stops-platinum',
    of: ['super glue'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    unless: (s) => older(s, day),
  },
  {
    id: 'silicate-bonds',
    of: ['glass', 'ceramic'],
    poured: silicones,
    verdict: 'sticks',
    unless: released,
  },
  {
    id: 'pores-drink',
    of: ['plaster', 'card', 'wood', 'foam board', 'dough'],
    poured: [...silicones, ...resins],
    verdict: 'soaks in',
    unless: ({ finish }) => closedPores.includes(finish),
  },
  {
    id: 'damp-spoils-urethane',
    of: [
      'plaster',
      'alginate',
      'wood',
      'card',
      'resin print',
      'filament print',
      'ceramic',
      'metal',
      'hard plastic',
      'glass',
      'wax',
      'platinum silicone',
      'tin silicone',
    ],
    poured: ['urethane', 'epoxy'],
    verdict: 'spoils',
    unless: ({ damp }) => damp === 'dry',
    silent: true,
  },
  {
    id: 'wet-spoils-resin',
    of: ['water clay', 'dough', 'fruit'],
    poured: ['urethane', 'epoxy', 'polyester'],
    verdict: 'spoils',
    unless: () => false,
  },
  {
    id: 'alginate-dries',
    of: ['alginate'],
    poured: ['platinum silicone', 'urethane', 'epoxy', 'polyester'],
    verdict: 'spoils',
    unless: () => false,
  },
  {
    id: 'resin-bonds',
    of: ['glass', 'ceramic', 'metal', 'wood', 'epoxy cast', 'urethane cast', 'hard plastic'],
    poured: resins,
    verdict: 'sticks',
    unless: (s) => released(s) || s.finish === 'wax',
  },
  {
    id: 'clay-comes-off-cold',
    of: ['sulphur-free clay', 'sulphur clay'],
    poured: silicones,
    verdict: 'sticks',
    unless: () => true,
  },
]
