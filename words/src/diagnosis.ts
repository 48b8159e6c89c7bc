import type { CauseName, Count, Effect, SignName } from '@mivro/core/learn/diagnosis'
import type { ChangeName, Fault } from '@mivro/core/work/pull'

/** A cause as a sentence of what happened. */
export const causeWords: Record<CauseName, string> = {
  'no way out for air': 'Air had no way out: it is shut in there by the shape.',
  'level ceiling': 'A film of air stayed under a level ceiling.',
  'prefill missed': 'The prefill was left out, or did not reach.',
  'poured too late': 'The mix was thickening when this mould was filled.',
  'no pressure': 'Nothing pressed the bubbles small: too little or no pressure.',
  'pressure too late': 'The pot came to pressure after the mix had gelled.',
  'let go too early': 'The pressure was let off while it was still soft: bubbles grew back.',
  'air stirred in': 'Air was whipped in while stirring.',
  'not freed of air': 'A thick mix keeps its bubbles unless vacuum or pressure takes them.',
  'bubbles that rose': 'Bubbles rose and stayed on the side that lay up.',
  'air in the syringe': 'Air was in the syringe, or it was withdrawn too fast.',
  'filled too little': 'Too little was poured, or some ran out again.',
  'bubbles in the silicone': 'Bubbles in the silicone dent under pressure.',
  'wrong ratio': 'The parts were out of their ratio.',
  'under-mixed': 'It was stirred too little.',
  'scrapings poured': 'What stuck to the cup, unmixed, was scraped into the mould.',
  'too much tint': 'More tint than the cure bears.',
  'too cold': 'It was too cold to cure through.',
  damp: 'Damp: in the air, on sticks, in powder.',
  'old bottle': 'An old bottle: it took up damp or aged.',
  'demoulded early': 'It came out before it was hard.',
  'too deep': 'Too much at once: it ran hot.',
  'join window missed': 'The next layer came after the join window.',
  'blush not wiped': 'A greasy blush was not wiped off before the next layer.',
  'placed too early': 'It was set in before the gel could hold it.',
  'unsealed inclusion': 'It was damp or unsealed, and fed bubbles.',
  'uneven bands': 'Bands too few or uneven: the halves stood apart.',
  'no keys': 'Nothing held the halves the same way: no keys.',
  'worn mould': 'The mould is worn there.',
  'inhibited skin': 'Something on the mould’s skin stopped the cure.',
  'no ground under mica': 'Mica with nothing opaque behind it goes brown.',
  'dosed too little': 'Too little tint for the wished colour.',
  'shrinkage not allowed for': 'Shrinkage was not allowed for in the master.',
  'forced out': 'It was pulled out by force: peel, do not pull.',
  'opening too short': 'The opening is too short for what has to pass.',
  'too much release': 'Release stood in the corners.',
  'dusted too thickly': 'Powder was left lying on the wall.',
  'mould not wiped': 'The mould was not wiped before the pull.',
  'dye in the mould': 'The silicone took up dye of an earlier cast.',
  'seen in the master': 'The master has it too: a thick coat, or its own skin.',
  'leaked at the seam': 'Resin ran out at the seam.',
  'pressure was lost': 'The pot lost its pressure before it had gelled.',
  'turned unevenly': 'It was turned unevenly: some walls had less than their turn.',
  'stopped turning early': 'Turning stopped while it still ran, and it sagged: thick where it lay.',
  'details not brushed': 'No brush worked resin into knobs, letters and ends first: they hold air.',
  'too much for the wall': 'More was poured than the wall takes: half as much, or one shot less.',
  'next shot too early': 'The next shot came while the one before was soft, and washed it open.',
}

/** A sign as it is told, seen and not seen; and as it is asked. */
export const signWords: Record<SignName, { yes: string; no: string; ask: string }> = {
  'at a tip': { yes: 'at a tip', no: 'not at a tip', ask: 'Is it at the end of something narrow?' },
  'under a ceiling': {
    yes: 'under a level ceiling',
    no: 'not under a ceiling',
    ask: 'Does it lie under a level ceiling?',
  },
  'at the gate': { yes: 'at the gate', no: 'away from the gate', ask: 'Is it at the gate?' },
  'on the upper side': {
    yes: 'on the side that lay up',
    no: 'not on the upper side',
    ask: 'Is it on the side that lay up?',
  },
  'around a thing': {
    yes: 'around something set in',
    no: 'away from what is set in',
    ask: 'Is it around something that was set in?',
  },
  'all over': { yes: 'all over', no: 'at one place', ask: 'Is it all over the cast?' },
  'on the skin only': {
    yes: 'on the skin only',
    no: 'inside too',
    ask: 'Is it only on the skin that met the mould?',
  },
  'air is shut in there': {
    yes: 'the shape shuts air in there',
    no: 'the shape lets air out there',
    ask: 'Would rising liquid shut air in there?',
  },
  'a vent is there': { yes: 'a vent is there', no: 'no vent there', ask: 'Is there a vent?' },
  'same place again': {
    yes: 'the same place as before',
    no: 'not there before',
    ask: 'Is it at the same place each time?',
  },
  'ragged beside': {
    yes: 'a ragged edge beside it',
    no: 'edges are crisp',
    ask: 'Are edges of this cast ragged?',
  },
  'bent beside': { yes: 'it is bent as well', no: 'it is straight', ask: 'Is it bent as well?' },
  urethane: { yes: 'a urethane', no: 'no urethane', ask: 'Is it a urethane?' },
  'fast resin': { yes: 'a fast resin', no: 'a slow resin', ask: 'Is it a fast resin?' },
  'thick resin': { yes: 'a thick resin', no: 'a thin resin', ask: 'Is the mix thick as honey?' },
  'poured late': {
    yes: 'filled at the end of its pour time',
    no: 'filled in good time',
    ask: 'Was this mould one of the last?',
  },
  'under pressure': {
    yes: 'cured under pressure',
    no: 'without pressure',
    ask: 'Did it cure under pressure?',
  },
  'pressure late': {
    yes: 'at pressure after the gel',
    no: 'at pressure in time',
    ask: 'Had it gelled before the pot was at pressure?',
  },
  'let go early': {
    yes: 'let go before it was hard',
    no: 'held until hard',
    ask: 'Was the pressure let off while it was soft?',
  },
  'under vacuum': { yes: 'freed of air by vacuum', no: 'no vacuum', ask: 'Was it under vacuum?' },
  whipped: {
    yes: 'stirred by a drill or wildly',
    no: 'stirred gently',
    ask: 'Was it stirred by a drill, or wildly?',
  },
  'stirred short': {
    yes: 'stirred shorter than the sheet asks',
    no: 'stirred long enough',
    ask: 'Was it stirred shorter than the sheet asks?',
  },
  'second cup': {
    yes: 'stirred again in a second cup',
    no: 'no second cup',
    ask: 'Was it poured into a second cup and stirred again?',
  },
  'by syringe': {
    yes: 'filled by syringe',
    no: 'filled from the cup',
    ask: 'Was it filled by syringe?',
  },
  'stood in the vents': {
    yes: 'resin stood in the vents',
    no: 'nothing stood in the vents',
    ask: 'Did resin stand in every vent for a few seconds?',
  },
  'prefill left out': {
    yes: 'a prefill was left out',
    no: 'no prefill was left out',
    ask: 'Was a prefill left out?',
  },
  level: { yes: 'the mould stood level', no: 'the mould was tilted', ask: 'Did it stand level?' },
  'ratio off': {
    yes: 'the scale shows a wrong ratio',
    no: 'the ratio was right',
    ask: 'Was the ratio out by more than 3 %?',
  },
  'tint over its limit': {
    yes: 'tint over its limit',
    no: 'tint within its limit',
    ask: 'Was there more tint than its limit?',
  },
  'room cold': { yes: 'a cold room', no: 'the room was warm', ask: 'Was it under 16 °C?' },
  'air humid': { yes: 'humid air', no: 'dry air', ask: 'Was the air humid, over 60 %?' },
  'opened long ago': {
    yes: 'a bottle opened over a year ago',
    no: 'fresh bottles',
    ask: 'Was a bottle opened over a year ago?',
  },
  'out early': {
    yes: 'out before its time',
    no: 'out in good time',
    ask: 'Was it taken out before its time?',
  },
  'deeper than its sheet': {
    yes: 'deeper than the sheet allows',
    no: 'within the sheet’s depth',
    ask: 'Was it poured deeper than its sheet allows?',
  },
  'ran hot': { yes: 'it ran hot', no: 'it stayed cool', ask: 'Was it hot to the hand?' },
  'join late': {
    yes: 'poured after the join window',
    no: 'poured within the join window',
    ask: 'Was the next layer poured after the join window?',
  },
  'set too early': {
    yes: 'set before the gel held it',
    no: 'set on gel',
    ask: 'Was it set in while the layer was liquid?',
  },
  porous: { yes: 'it is porous', no: 'it is not porous', ask: 'Is what was set in porous?' },
  sealed: { yes: 'it was sealed', no: 'it was not sealed', ask: 'Was it dried and sealed?' },
  'few bands': { yes: 'few bands', no: 'enough bands', ask: 'Were there fewer than two bands?' },
  keyed: { yes: 'the mould has keys', no: 'no keys', ask: 'Does the mould have keys?' },
  'mould worn': {
    yes: 'the mould is near its end',
    no: 'the mould is fresh',
    ask: 'Has the mould given most of its pulls?',
  },
  'silicone was cleared': {
    yes: 'its silicone was freed of air',
    no: 'its silicone kept its air',
    ask: 'Was its silicone under vacuum or pressure?',
  },
  unbacked: {
    yes: 'mica in a clear layer',
    no: 'an opaque layer behind it',
    ask: 'Is there mica without an opaque layer under it?',
  },
  'dose short': {
    yes: 'less tint than the colour asks',
    no: 'enough tint',
    ask: 'Was there less tint than the colour asks?',
  },
  'something inhibits': {
    yes: 'the mould’s surface can stop the cure',
    no: 'nothing there stops the cure',
    ask: 'Is the silicone fresh, or was a print cast in it?',
  },
  powdered: { yes: 'it was powdered', no: 'no powder', ask: 'Was the mould powdered?' },
  released: { yes: 'release was used', no: 'no release', ask: 'Was release used?' },
  'wiped before': {
    yes: 'the mould was wiped',
    no: 'the mould was not wiped',
    ask: 'Was the mould wiped before the pull?',
  },
  leaked: { yes: 'it leaked', no: 'nothing leaked', ask: 'Did it leak at the seam?' },
  'pressure fell': {
    yes: 'the pot lost its pressure',
    no: 'the pot held its pressure',
    ask: 'Did the pot lose its pressure?',
  },
  'something holds it': {
    yes: 'something holds it in the mould',
    no: 'nothing holds it',
    ask: 'Does an undercut or a short cut hold it?',
  },
  'in the master too': {
    yes: 'the master has it too',
    no: 'the master is without it',
    ask: 'Does the master have it too?',
  },
  'dyed casts before': {
    yes: 'dyed casts came out of it before',
    no: 'no dyed casts before',
    ask: 'Were dyed casts made in this mould before?',
  },
  turned: {
    yes: 'it was cast by turning',
    no: 'it was not turned',
    ask: 'Was it cast by turning?',
  },
  'stopped while it ran': {
    yes: 'turning stopped while it ran',
    no: 'turned until nothing moved',
    ask: 'Did turning stop while something still moved?',
  },
  'more than its wall': {
    yes: 'heavier than its wall',
    no: 'as heavy as its wall',
    ask: 'Does it weigh much more than its wall should?',
  },
  'shot on a soft one': {
    yes: 'poured on a soft shot',
    no: 'poured on a shot that had gelled',
    ask: 'Was the shot before it still soft?',
  },
  'shrinkage left in': {
    yes: 'the master allows for no shrinkage',
    no: 'shrinkage is allowed for',
    ask: 'Was the master made without an allowance?',
  },
}

/** What a change is called on its button. */
export const changeWords: Record<ChangeName, string> = {
  'vent here': 'Vent here',
  'prefill here': 'Prefill here',
  tilt: 'Tilt by 12°',
  'turn over': 'Turn it over',
  'fewer moulds a mix': 'Fewer moulds a mix',
  'under pressure': 'Cure under pressure',
  'second pair of hands': 'A second pair of hands',
  vacuum: 'Vacuum before the pour',
  'finer scale': 'A finer scale',
  'less tint': 'Less tint',
  'more tint': 'More tint',
  'warmer room': 'A room 4 °C warmer',
  'more bands': 'Two bands more',
  'no powder': 'No powder',
  'no release': 'No release',
  'wipe it first': 'Wipe it first',
  'mould again': 'A new mould',
  'later pour': 'Set it in later',
  'by hand': 'Mind it next time',
}

/** Where a change is made. */
export const changedWhere: Record<ChangeName, 'plan' | 'mould' | 'run' | 'words'> = {
  'vent here': 'mould',
  'prefill here': 'mould',
  tilt: 'plan',
  'turn over': 'plan',
  'fewer moulds a mix': 'run',
  'under pressure': 'run',
  'second pair of hands': 'run',
  vacuum: 'run',
  'finer scale': 'plan',
  'less tint': 'plan',
  'more tint': 'plan',
  'warmer room': 'plan',
  'more bands': 'mould',
  'no powder': 'mould',
  'no release': 'mould',
  'wipe it first': 'mould',
  'mould again': 'words',
  'later pour': 'words',
  'by hand': 'words',
}

/** A change with its reason, as the next pour opens with it. @example sayChange({ what: 'vent here', fault: 'void at a tip', cause: 'no way out for air' }) // 'Vent here, for a void at a tip: air had no way out: it is shut in there by the shape.' */
export const sayChange = ({
  what,
  fault,
  cause,
}: {
  what: ChangeName
  fault: Fault
  cause: string
}): string => {
  const why = causeWords[cause as CauseName] ?? ''
  return `${changeWords[what]}, for ${article(fault)}: ${why.charAt(0).toLowerCase()}${why.slice(1)}`
}

const article = (fault: Fault): string =>
  /^(void|pocket|gap|row|line|cloud|halo|ragged|deformed)/.test(fault) ? `a ${fault}` : fault

const count = ({ seen, of }: Count) => `${seen} of ${of}`
const percent = (share: number) => Math.round(100 * share)

/**
 * What a change did, with its honest width.
 *
 * @example sayEffect('void at a tip', effectOf({ seen: 3, of: 3 }, { seen: 0, of: 4 })) // 'void at a tip: 3 of 3 before, 0 of 4 since (now between 1 and 45 %, nine times in ten). It helped.'
 */
export function sayEffect(fault: string, { before, after, is, verdict }: Effect): string {
  if (after.of === 0) return `${fault}: ${count(before)} before, nothing poured since.`
  const verdicts: Record<Effect['verdict'], string> = {
    'too early': 'From so few nothing can be said yet.',
    helped: 'It helped.',
    'no difference seen': 'No difference can be seen yet.',
    worse: 'It got worse.',
  }
  const width = `now between ${percent(is.low)} and ${percent(is.high)} %, nine times in ten`
  return `${fault}: ${count(before)} before, ${count(after)} since (${width}). ${verdicts[verdict]}`
}

/** @example sayLikely(0.42) // '42 %' */
export const sayLikely = (share: number): string => `${percent(share)} %`
