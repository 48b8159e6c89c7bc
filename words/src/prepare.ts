import type { MasterAim, PreparationId } from '@mivro/core/mould'

/** What to do to a master, and why. */
export const preparationWords: Record<PreparationId, { what: string; why: string }> = {
  wash: {
    what: 'Wash it out, dry it, supports off, then cure it on from all sides',
    why: 'What is left liquid creeps into the silicone.',
  },
  bake: {
    what: 'Bake it at about 60 °C for 4 h, or age it for four weeks',
    why: 'Drives out what stops platinum from curing. Below what the print bears.',
  },
  dry: {
    what: 'Dry it until its weight stands still for a day',
    why: 'Damp foams urethane, clouds epoxy and lifts sealers.',
  },
  fill: {
    what: 'Fill pits, seams and pinholes; close openings with clay or wax',
    why: 'Every flaw is copied into every cast: mend it once, here.',
  },
  'grit-300': {
    what: 'Wet-sand with 300 grit',
    why: 'Takes off steps and ridges.',
  },
  guide: {
    what: 'A thin coat of primer shows what was missed; sand it again',
    why: 'One colour makes scratches and dents visible.',
  },
  'grit-1200': {
    what: 'Wet-sand with 1200 grit',
    why: 'Smooth enough for paint: primer hides the rest.',
  },
  seal: {
    what: 'Two coats of sealer',
    why: 'Pores drink silicone and do not let go.',
  },
  wax: {
    what: 'Two coats of wax, wiped off thin',
    why: 'Lets go of silicone and hides nothing.',
  },
  mask: {
    what: 'Mask the faces that fit onto others',
    why: 'A coat there makes them too tight.',
  },
  'gloss coat': {
    what: 'Three to six thin gloss coats, each dry before the next',
    why: 'A glossy mould makes a glossy and a clear cast. They keep print and platinum apart as well.',
  },
  polish: {
    what: 'Polish it with a fine paste, on a soft cloth',
    why: 'What shines here shines on every cast, and needs no polishing there.',
  },
  coat: {
    what: 'Two thin acrylic coats',
    why: 'Keeps the print and platinum apart; age alone is not always enough.',
  },
  release: {
    what: 'Release: spray, brush it in, spray again',
    why: 'Silicone bonds to silicates.',
  },
  chill: {
    what: 'Keep it cold until the silicone is on',
    why: 'Soft clay smears; cold it keeps its edges.',
  },
  smooth: {
    what: 'Smooth it with a soft brush and a drop of oil; no alcohol after it',
    why: 'Fingerprints are copied too.',
  },
  wipe: {
    what: 'Wipe it with alcohol, let it dry',
    why: 'Dust and grease lie under every coat that comes over them. No alcohol once it is waxed or coated.',
  },
  dust: {
    what: 'Dust it with a soft dry brush and do not touch it again',
    why: 'Fingerprints show in clear casts.',
  },
}

/** What the casts of a master are to show. */
export const aimWords: Record<MasterAim, { label: string; hint: string }> = {
  smooth: { label: 'Smooth, for paint', hint: 'Sanded to 1200' },
  gloss: { label: 'Gloss and clear', hint: 'Gloss coats and a polish' },
  texture: { label: 'Texture kept', hint: 'Skin, grain, brush marks: no abrasive at all' },
  metal: { label: 'A metal skin', hint: 'As it is, fine: metal shows every scratch' },
  fit: { label: 'Parts that fit', hint: 'No coat on the faces that meet' },
}
