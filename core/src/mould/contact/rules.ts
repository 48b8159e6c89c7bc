import type { Finish, Poured, Substance, Surface } from './substances.ts'

export type Verdict = 'cures' | 'inhibited' | 'sticks' | 'soaks in' | 'spoils' | 'unknown'

/** One rule: what meets what, what happens, why, and the way out. */
export interface ContactRule {
  id: string
  of: readonly Substance[]
  poured: readonly Poured[]
  verdict: Exclude<Verdict, 'cures' | 'unknown'>
  why: string
  wayOut: string
  /** With this it cures after all. */
  unless: (surface: Surface) => boolean
  /** What is said then. */
  then: string
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
    why: 'Silicone bonds to silicone as to itself, and the halves become one block.',
    wayOut: 'Release over every bit of the first half: spray, brush it in, spray again, 5 min.',
    unless: released,
    then: 'The release keeps the halves apart, if it covers all of it.',
  },
  {
    id: 'tin-stops-platinum',
    of: ['tin silicone'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    why: 'The tin catalyst poisons platinum: the surface stays greasy.',
    wayOut: 'Make both halves of the same chemistry.',
    unless: () => false,
    then: '',
  },
  {
    id: 'print-stops-platinum',
    of: ['resin print'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    why: 'What did not cure in the print creeps out and poisons the platinum catalyst.',
    wayOut:
      'Age it for four weeks, or bake it and give it two thin acrylic coats, or take a tin silicone. Then a patch test.',
    unless: (s) => older(s, agedPrint) || (s.cured === 'baked' && s.finish === 'acrylic coat'),
    then: 'Old enough, or baked and coated: it cures as a rule. A patch test makes it sure.',
  },
  {
    id: 'sulphur-stops-platinum',
    of: ['sulphur clay', 'latex'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    why: 'Sulphur poisons the platinum catalyst: the silicone stays liquid where it touches.',
    wayOut:
      'Take sulphur-free clay, or a tin silicone. A sealer over sulphur clay often lets some through.',
    unless: () => false,
    then: '',
  },
  {
    id: 'polymer-clay-stops-platinum',
    of: ['polymer clay'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    why: 'Raw polymer clay gives off softeners that can keep platinum sticky.',
    wayOut: 'Bake it through first, or coat it with acrylic, or take a tin silicone.',
    unless: (s) => s.cured === 'baked' || s.finish === 'acrylic coat',
    then: 'Baked or coated it cures as a rule.',
  },
  {
    id: 'amine-stops-platinum',
    of: ['epoxy cast', 'epoxy putty'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    why: 'Fresh epoxy gives off amines, which slow or stop platinum.',
    wayOut: 'Let it stand a week and wash it with warm soapy water, or take a tin silicone.',
    unless: (s) => older(s, agedEpoxy),
    then: 'A week old and washed, epoxy lets platinum cure.',
  },
  {
    id: 'pvc-stops-platinum',
    of: ['PVC'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    why: 'The stabilisers and softeners of PVC can poison platinum.',
    wayOut: 'Take another plastic, coat it with acrylic, or take a tin silicone.',
    unless: ({ finish }) => finish === 'acrylic coat',
    then: 'Under an acrylic coat it cures as a rule.',
  },
  {
    id: 'glue-stops-platinum',
    of: ['super glue'],
    poured: ['platinum silicone'],
    verdict: 'inhibited',
    why: 'Fresh super glue and its kicker (an amine) leave sticky spots.',
    wayOut: 'Use as little as holds, let it stand a day, wipe it, or use wax.',
    unless: (s) => older(s, day),
    then: 'A day old and wiped, it does no harm as a rule.',
  },
  {
    id: 'silicate-bonds',
    of: ['glass', 'ceramic'],
    poured: silicones,
    verdict: 'sticks',
    why: 'Silicone bonds to silicates, and tears or breaks the master on the way out.',
    wayOut: 'Release: spray, brush it in, spray again, 5 min.',
    unless: released,
    then: 'The release keeps silicone off the silicate.',
  },
  {
    id: 'pores-drink',
    of: ['plaster', 'card', 'wood', 'foam board', 'dough'],
    poured: [...silicones, ...resins],
    verdict: 'soaks in',
    why: 'It creeps into the pores and tears the surface off.',
    wayOut: 'Two coats of sealer, then two of wax; card dries 20 min. Then release.',
    unless: ({ finish }) => closedPores.includes(finish),
    then: 'Its pores are closed.',
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
    why: 'Water foams urethane and clouds or weakens epoxy.',
    wayOut:
      'Dry it through: in the air for days, or warm and ventilated until its weight stands still.',
    unless: ({ damp }) => damp === 'dry',
    then: '',
  },
  {
    id: 'wet-spoils-resin',
    of: ['water clay', 'dough', 'fruit'],
    poured: ['urethane', 'epoxy', 'polyester'],
    verdict: 'spoils',
    why: 'It is wet through: urethane foams on it and epoxy clouds.',
    wayOut: 'Take a mould of silicone from it first, and cast into that.',
    unless: () => false,
    then: '',
  },
  {
    id: 'alginate-dries',
    of: ['alginate'],
    poured: ['platinum silicone', 'urethane', 'epoxy', 'polyester'],
    verdict: 'spoils',
    why: 'Alginate is nine parts water and shrinks by the hour.',
    wayOut: 'Cast it in plaster first, then seal and mould the plaster.',
    unless: () => false,
    then: '',
  },
  {
    id: 'resin-bonds',
    of: ['glass', 'ceramic', 'metal', 'wood', 'epoxy cast', 'urethane cast', 'hard plastic'],
    poured: resins,
    verdict: 'sticks',
    why: 'Casting resin is a glue to it.',
    wayOut: 'Wax and release, or a mould of silicone.',
    unless: (s) => released(s) || s.finish === 'wax',
    then: 'Wax or release lets it go.',
  },
  {
    id: 'clay-comes-off-cold',
    of: ['sulphur-free clay', 'sulphur clay'],
    poured: silicones,
    verdict: 'sticks',
    why: 'Fresh clay clings in the undercuts and comes away in bits.',
    wayOut: 'Chill it and it comes off clean; a thin release helps.',
    unless: () => true,
    then: 'It comes off; cold, it comes off cleaner.',
  },
]
