import type { ContactResult, ContactRuleId, Substance, Verdict } from '@mivro/core/mould'

export const verdictWords: Record<Verdict, string> = {
  cures: 'Cures',
  inhibited: 'Does not cure',
  sticks: 'Sticks',
  spoils: 'Spoils it',
  'soaks in': 'Soaks in',
  unknown: 'Not known',
}

/** What a surface is there for. */
export const roleWords: Record<ContactResult['as'], string> = {
  master: 'the master',
  walls: 'walls',
  clay: 'clay of the bed',
  glue: 'glue',
  fillers: 'chunks',
  rods: 'rods',
  other: 'also in the box',
  half: 'the other half',
  mould: 'the mould itself',
}

/** Why it happens, the way out, and what is said where that was gone. */
const rules: Record<ContactRuleId, { why: string; wayOut: string; met?: string }> = {
  'silicone-on-silicone': {
    why: 'Silicone bonds to silicone as to itself, and the halves become one block.',
    wayOut: 'Release over every bit of the first half: spray, brush it in, spray again, 5 min.',
    met: 'The release keeps the halves apart, if it covers all of it.',
  },
  'tin-stops-platinum': {
    why: 'The tin catalyst poisons platinum: the surface stays greasy.',
    wayOut: 'Make both halves of the same chemistry.',
  },
  'print-stops-platinum': {
    why: 'What did not cure in the print creeps out and poisons the platinum catalyst.',
    wayOut:
      'Age it for four weeks, or bake it and give it two thin acrylic coats, or take a tin silicone. Then a patch test.',
    met: 'Old enough, or baked and coated: it cures as a rule. A patch test makes it sure.',
  },
  'sulphur-stops-platinum': {
    why: 'Sulphur poisons the platinum catalyst: the silicone stays liquid where it touches.',
    wayOut:
      'Take sulphur-free clay, or a tin silicone. A sealer over sulphur clay often lets some through.',
  },
  'polymer-clay-stops-platinum': {
    why: 'Raw polymer clay gives off softeners that can keep platinum sticky.',
    wayOut: 'Bake it through first, or coat it with acrylic, or take a tin silicone.',
    met: 'Baked or coated it cures as a rule.',
  },
  'amine-stops-platinum': {
    why: 'Fresh epoxy gives off amines, which slow or stop platinum.',
    wayOut: 'Let it stand a week and wash it with warm soapy water, or take a tin silicone.',
    met: 'A week old and washed, epoxy lets platinum cure.',
  },
  'pvc-stops-platinum': {
    why: 'The stabilisers and softeners of PVC can poison platinum.',
    wayOut: 'Take another plastic, coat it with acrylic, or take a tin silicone.',
    met: 'Under an acrylic coat it cures as a rule.',
  },
  'glue-stops-platinum': {
    why: 'Fresh super glue and its kicker (an amine) leave sticky spots.',
    wayOut: 'Use as little as holds, let it stand a day, wipe it, or use wax.',
    met: 'A day old and wiped, it does no harm as a rule.',
  },
  'silicate-bonds': {
    why: 'Silicone bonds to silicates, and tears or breaks the master on the way out.',
    wayOut: 'Release: spray, brush it in, spray again, 5 min.',
    met: 'The release keeps silicone off the silicate.',
  },
  'pores-drink': {
    why: 'It creeps into the pores and tears the surface off.',
    wayOut: 'Two coats of sealer, then two of wax; card dries 20 min. Then release.',
    met: 'Its pores are closed.',
  },
  'damp-spoils-urethane': {
    why: 'Water foams urethane and clouds or weakens epoxy.',
    wayOut:
      'Dry it through: in the air for days, or warm and ventilated until its weight stands still.',
  },
  'wet-spoils-resin': {
    why: 'It is wet through: urethane foams on it and epoxy clouds.',
    wayOut: 'Take a mould of silicone from it first, and cast into that.',
  },
  'alginate-dries': {
    why: 'Alginate is nine parts water and shrinks by the hour.',
    wayOut: 'Cast it in plaster first, then seal and mould the plaster.',
  },
  'resin-bonds': {
    why: 'Casting resin is a glue to it.',
    wayOut: 'Wax and release, or a mould of silicone.',
    met: 'Wax or release lets it go.',
  },
  'clay-comes-off-cold': {
    why: 'Fresh clay clings in the undercuts and comes away in bits.',
    wayOut: 'Chill it and it comes off clean; a thin release helps.',
    met: 'It comes off; cold, it comes off cleaner.',
  },
}

/** Surfaces that no rule knows with platinum silicone, and why. */
const unheardOf: Partial<Record<Substance, string>> = {
  'hot glue': 'Some hot glues carry resins that disturb platinum, others do not.',
  fruit:
    'Juices of some fruit and vegetables disturb platinum, and all of them rot: mould within hours.',
  dough: 'Salt doughs are as a rule harmless, oils and eggs in them may not be.',
}

/** Why a contact comes out as it does, and the way out where there is one. */
export function sayContact({ rule, met, surface, test }: ContactResult): {
  why: string
  wayOut: string
} {
  const found = said(rule, met, surface.substance)
  if (!test) return found
  return {
    why: `Your patch test of ${test.day}: ${test.result}.`,
    wayOut: test.result === 'cured clean' ? '' : found.wayOut,
  }
}

function said(rule: ContactResult['rule'], met: boolean, substance: Substance) {
  switch (rule) {
    case 'fillers':
      return { why: 'It bonds to what is poured around it, as it should.', wayOut: '' }
    case 'harmless':
      return { why: 'Nothing known about it hinders the cure.', wayOut: '' }
    case 'unheard-of':
      return {
        why: unheardOf[substance] ?? '',
        wayOut: 'Make a patch test: a spoonful on a hidden place, overnight.',
      }
    default: {
      const { why, wayOut, met: then } = rules[rule]
      return met ? { why: then ?? '', wayOut: '' } : { why, wayOut }
    }
  }
}
