import type { CauseName } from './causes.ts'
import type { Finding } from './finding.ts'

/** A fault of the trade, told as a caster tells it, and the cause that one would name. */
export interface Case extends Finding {
  tells: string
  cause: CauseName
}

const month = 30 * 24 * 3600

/**
 * Written before the table of likelihoods, for its test. All of them: common practice, no source.
 */
export const cases: Case[] = [
  {
    tells: 'The tip of the horn is empty, as it was in the three pulls before. No vent there.',
    fault: 'void at a tip',
    place: { tip: true, trapped: true, vent: false },
    repeated: { seen: 3, of: 3 },
    facts: { resin: 'urethane', pouredAt: 0.5, prefilled: 1 },
    cause: 'no way out for air',
  },
  {
    tells:
      'One ear has no end. It has never happened before; this was the last mould of the cup and its edge is ragged.',
    fault: 'void at a tip',
    beside: ['ragged edge'],
    place: { tip: true, trapped: false },
    repeated: { seen: 0, of: 5 },
    facts: { resin: 'urethane', pouredAt: 1.05 },
    cause: 'poured too late',
  },
  {
    tells: 'The tip that is always prefilled is empty today; nobody dabbed it.',
    fault: 'void at a tip',
    place: { tip: true, prefill: true, trapped: true },
    repeated: { seen: 0, of: 6 },
    facts: { prefilled: 0, pouredAt: 0.5 },
    cause: 'prefill missed',
  },
  {
    tells: 'A row of voids under the flat underside, every time. The mould stands level.',
    fault: 'row of voids',
    place: { ceiling: true, trapped: true },
    repeated: { seen: 2, of: 2 },
    facts: { tilt: 0 },
    cause: 'level ceiling',
  },
  {
    tells: 'A long void under the level shelf of the base, poured dead level, thin resin.',
    fault: 'void at a tip',
    place: { ceiling: true, tip: false, trapped: true, vent: false },
    facts: { tilt: 0, pouredAt: 0.3, viscosity: 0.3 },
    cause: 'level ceiling',
  },
  {
    tells: 'The cast is full of pinpoint bubbles; fast urethane, open bench, no pot.',
    fault: 'fine bubbles',
    place: { spread: true },
    facts: { resin: 'urethane', potLife: 150, pressure: 0, vacuum: false },
    cause: 'no pressure',
  },
  {
    tells:
      'Fine bubbles all through although the pot was used. The lid went on after it had gelled.',
    fault: 'fine bubbles',
    place: { spread: true },
    facts: { resin: 'urethane', potLife: 150, pressure: 2.8e5, pressureAt: 1.1, heldUntil: 1 },
    cause: 'pressure too late',
  },
  {
    tells:
      'Clear out of the pot at first, then bubbles grew in it: the pressure was let off while it was still soft.',
    fault: 'fine bubbles',
    place: { spread: true },
    facts: { resin: 'urethane', pressure: 2.8e5, pressureAt: 0.5, heldUntil: 0.4 },
    cause: 'let go too early',
  },
  {
    tells: 'Milky with bubbles, mixed with a drill in a minute, slow epoxy, thin layer.',
    fault: 'fine bubbles',
    place: { spread: true },
    facts: { resin: 'epoxy', potLife: 2400, viscosity: 0.6, whipped: true, pressure: 0 },
    cause: 'air stirred in',
  },
  {
    tells: 'Thick epoxy with bubbles all through, neither vacuum nor pot.',
    fault: 'fine bubbles',
    place: { spread: true },
    facts: { resin: 'epoxy', potLife: 1800, viscosity: 3, pressure: 0, vacuum: false },
    cause: 'not freed of air',
  },
  {
    tells: 'Bubbles only on the side that lay up, the face below is clean. Deep slow pour.',
    fault: 'fine bubbles',
    place: { upper: true, spread: false },
    facts: { resin: 'epoxy', potLife: 3600, viscosity: 0.4, pressure: 0 },
    cause: 'bubbles that rose',
  },
  {
    tells: 'Tiny bubbles in a halo round the dried flower, for hours.',
    fault: 'fine bubbles',
    place: { thing: true, spread: false },
    facts: { resin: 'epoxy', porous: true, sealed: false },
    cause: 'unsealed inclusion',
  },
  {
    tells: 'One round pocket right below the pour hole; filled by syringe.',
    fault: 'pocket near the gate',
    place: { port: true },
    facts: { syringe: true, overfilled: true },
    cause: 'air in the syringe',
  },
  {
    tells:
      'Under the gate it is hollow; it was poured from the cup and nothing stood in the vents.',
    fault: 'pocket near the gate',
    place: { port: true, upper: true },
    facts: { syringe: false, overfilled: false },
    cause: 'filled too little',
  },
  {
    tells: 'Edges of the last two of six are ragged, the first four are perfect.',
    fault: 'ragged edge',
    facts: { resin: 'urethane', potLife: 150, pouredAt: 0.98 },
    repeated: { seen: 0, of: 4 },
    cause: 'poured too late',
  },
  {
    tells: 'Fine bubbles and a ragged tip together, last mould of a fast cup, at pressure in time.',
    fault: 'fine bubbles',
    beside: ['ragged edge'],
    place: { tip: true },
    facts: { resin: 'urethane', potLife: 150, pouredAt: 1.1, pressure: 2.8e5, pressureAt: 0.75 },
    cause: 'poured too late',
  },
  {
    tells:
      'Little hemispheres stand out of the skin since casts go into the pot; the silicone was poured without vacuum.',
    fault: 'pimples',
    place: { skin: true },
    facts: { pressure: 2.8e5, siliconeClear: false },
    repeated: { seen: 4, of: 4 },
    cause: 'bubbles in the silicone',
  },
  {
    tells: 'Tacky all over; the scale shows it was 9 % too much A.',
    fault: 'soft or tacky',
    place: { spread: true },
    facts: { resin: 'epoxy', ratioError: 0.09, stirred: 1, room: 294, tintOfLimit: 0.3 },
    cause: 'wrong ratio',
  },
  {
    tells: 'Soft all over, ratio right, with four times the paste that the tin allows.',
    fault: 'soft or tacky',
    place: { spread: true },
    facts: { resin: 'epoxy', ratioError: 0.005, stirred: 1, tintOfLimit: 4, room: 294 },
    cause: 'too much tint',
  },
  {
    tells: 'Still tacky after two days in a garage of 12 °C. Everything was weighed well.',
    fault: 'soft or tacky',
    place: { spread: true },
    facts: { resin: 'epoxy', ratioError: 0.004, stirred: 1, room: 285, tintOfLimit: 0.2 },
    cause: 'too cold',
  },
  {
    tells: 'Soft in patches; stirred for half a minute where the sheet asks for three.',
    fault: 'soft or tacky',
    place: { spread: false },
    facts: { resin: 'epoxy', ratioError: 0.003, stirred: 0.2, secondCup: false, room: 295 },
    cause: 'under-mixed',
  },
  {
    tells: 'A sticky streak at the end of the pour; the cup was scraped out into the mould.',
    fault: 'soft streaks',
    facts: { stirred: 1, secondCup: false, ratioError: 0.002 },
    cause: 'scrapings poured',
  },
  {
    tells: 'Soft streaks everywhere, mixed for 20 s only, into a second cup.',
    fault: 'soft streaks',
    place: { spread: true },
    facts: { stirred: 0.25, secondCup: true },
    cause: 'under-mixed',
  },
  {
    tells:
      'Sticky skin on the mould side only, hard inside, first pull of a new mould of a printed master.',
    fault: 'soft or tacky',
    place: { skin: true, spread: false },
    facts: { ratioError: 0.003, stirred: 1, inhibits: true, room: 295 },
    cause: 'inhibited skin',
  },
  {
    tells:
      'Never hardened, weighed and mixed right, in a warm room. The hardener was opened two years ago.',
    fault: 'soft or tacky',
    place: { spread: true },
    facts: { ratioError: 0.004, stirred: 1, room: 295, tintOfLimit: 0.2, opened: 24 * month },
    cause: 'old bottle',
  },
  {
    tells: 'Urethane foamed in the mould on a wet day.',
    fault: 'foam',
    facts: { resin: 'urethane', humidity: 0.78, opened: 1 * month },
    cause: 'damp',
  },
  {
    tells: 'Urethane foamed on a dry day; the bottle has stood open since spring a year ago.',
    fault: 'foam',
    facts: { resin: 'urethane', humidity: 0.35, opened: 18 * month },
    cause: 'old bottle',
  },
  {
    tells: 'The long wing bent on the shelf; out of the mould at half its time.',
    fault: 'bent',
    facts: { demouldedAt: 0.5, room: 294 },
    cause: 'demoulded early',
  },
  {
    tells: 'Cracked across and yellow inside: 60 mm of a coating resin at once.',
    fault: 'cracks or yellowing',
    facts: { resin: 'epoxy', depthOfLimit: 4, hottest: 440 },
    cause: 'too deep',
  },
  {
    tells: 'A line all round between the layers; the second was poured next day without scuffing.',
    fault: 'line between layers',
    facts: { joinLate: 8 * 3600 },
    cause: 'join window missed',
  },
  {
    tells: 'Cloudy between the layers on a muggy night, within the window.',
    fault: 'cloud between layers',
    facts: { resin: 'epoxy', humidity: 0.75, joinLate: -3600 },
    cause: 'damp',
  },
  {
    tells:
      'Cloud between the layers; the first had hardened over night, greasy, and was not wiped.',
    fault: 'cloud between layers',
    facts: { resin: 'epoxy', humidity: 0.5, joinLate: 6 * 3600 },
    cause: 'blush not wiped',
  },
  {
    tells: 'The brass star lies at the bottom: set right after pouring.',
    fault: 'inclusion sank',
    place: { thing: true },
    facts: { placedEarly: 2 * 3600 },
    cause: 'placed too early',
  },
  {
    tells: 'A pale halo round the petal, which was fresh from the press.',
    fault: 'halo around an inclusion',
    place: { thing: true },
    facts: { porous: true, sealed: false },
    cause: 'unsealed inclusion',
  },
  {
    tells: 'A step at the seam: one band at one end, two at the other.',
    fault: 'seam step or flash',
    place: { seam: true },
    facts: { bands: 1, keyed: true, worn: 0.2 },
    cause: 'uneven bands',
  },
  {
    tells: 'Halves sit askew each time; the mould has no keys.',
    fault: 'seam step or flash',
    place: { seam: true },
    repeated: { seen: 5, of: 5 },
    facts: { bands: 6, keyed: false, worn: 0.2 },
    cause: 'no keys',
  },
  {
    tells:
      'Flash thicker from pull to pull, it was thin in spring; the mould has given 95 of its 100.',
    fault: 'seam step or flash',
    place: { seam: true },
    repeated: { seen: 3, of: 8 },
    facts: { bands: 6, keyed: true, worn: 0.95 },
    cause: 'worn mould',
  },
  {
    tells: 'The stem of the keycap came out round and thin; the syringe was left out.',
    fault: 'deformed corner',
    place: { corner: true, prefill: true },
    facts: { prefilled: 0, pouredAt: 0.6, worn: 0.2 },
    cause: 'prefill missed',
  },
  {
    tells: 'Sharp corners get rounder with each pull, prefilled as ever.',
    fault: 'deformed corner',
    place: { corner: true },
    repeated: { seen: 4, of: 6 },
    facts: { prefilled: 1, worn: 1.1, pouredAt: 0.5 },
    cause: 'worn mould',
  },
  {
    tells: 'Gold that came out as caramel: mica in clear resin over nothing.',
    fault: 'off colour',
    facts: { unbacked: true },
    cause: 'no ground under mica',
  },
  {
    tells: 'Much too pale; a third of the dose that the colour wants.',
    fault: 'off colour',
    facts: { doseShort: 3, unbacked: false },
    cause: 'dosed too little',
  },
  {
    tells: 'The keycap does not go onto its stem: 1 % under size, no allowance was made.',
    fault: 'does not fit',
    facts: { shrinkage: 0.012, demouldedAt: 1.2 },
    cause: 'shrinkage not allowed for',
  },
  {
    tells: 'It does not fit because it is warped: taken out warm.',
    fault: 'does not fit',
    beside: ['bent'],
    facts: { shrinkage: 0.001, demouldedAt: 0.5 },
    cause: 'demoulded early',
  },
  {
    tells: 'Bubbles here and there in different places each time, no pot, fast urethane.',
    fault: 'fine bubbles',
    place: { spread: false, trapped: false },
    repeated: { seen: 0, of: 4 },
    facts: { resin: 'urethane', potLife: 180, pressure: 0, vacuum: false },
    cause: 'no pressure',
  },
]
